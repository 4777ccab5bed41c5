// The figures of the span, each with its definition. The definition is in the title and readable by keyboard.
import { Tooltip } from 'radix-ui'
import { DEFINITIONS } from '@/core/reports'
import type { Report } from '@/services/history/client'
import { clockOrNone, percent } from './format'

export function Figures({ report }: { report: Report }) {
  const { all, occupancy } = report
  const speed = all.speedOfAnswer
  const figures: readonly Figure[] = [
    { name: 'Offered', value: String(all.offered), ...(all.underWay === 0 ? {} : { more: `${all.underWay} under way` }), definition: DEFINITIONS.offered },
    { name: 'Answered', value: String(all.answered), ...messagesOf(all), definition: `${DEFINITIONS.answered} ${DEFINITIONS.messages}` },
    {
      name: 'Abandoned',
      value: String(all.abandoned),
      more: `${percent(all.abandonRatio)}, ${all.shortAbandons} short`,
      definition: `${DEFINITIONS.abandoned} Rate: ${DEFINITIONS.abandonRatio}`,
    },
    { name: 'Service level', value: percent(all.serviceLevelRatio), definition: DEFINITIONS.serviceLevel },
    {
      name: 'Speed of answer',
      value: clockOrNone(speed?.meanMs),
      more: speed === null ? 'no calls' : `median ${clockOrNone(speed.medianMs)}, 90th ${clockOrNone(speed.p90Ms)}`,
      definition: DEFINITIONS.speedOfAnswer,
    },
    { name: 'AHT', value: clockOrNone(all.ahtMs), more: `${all.handledLegs} handled`, definition: DEFINITIONS.aht },
    {
      name: 'Occupancy',
      value: percent(occupancy.occupancyRatio),
      more: `utilisation ${percent(occupancy.utilisationRatio)}`,
      definition: `${DEFINITIONS.occupancy} Utilisation: ${DEFINITIONS.utilisation}`,
    },
    {
      name: 'Disagreement',
      value: percent(all.disagreementRatio),
      more: `${all.disagreements} of ${all.codedWithScript}`,
      definition: DEFINITIONS.disagreement,
    },
    { name: 'Uncoded', value: String(all.uncoded), definition: DEFINITIONS.uncoded },
  ]
  return (
    <Tooltip.Provider delayDuration={200}>
      <dl className="grid grid-cols-2 border-line-strong border-y sm:grid-cols-3 xl:grid-cols-9">
        {figures.map((figure) => (
          <FigureCell key={figure.name} {...figure} />
        ))}
      </dl>
    </Tooltip.Provider>
  )
}

/** Said only where a queue takes messages: a figure of its own would stand at nought in most centres. */
const messagesOf = ({ messages, messagesCalledBack }: Report['all']) =>
  messages === 0 ? {} : { more: `${messages} ${messages === 1 ? 'message' : 'messages'}, ${messagesCalledBack} called back` }

interface Figure {
  readonly name: string
  readonly value: string
  readonly more?: string
  readonly definition: string
}

function FigureCell({ name, value, more, definition }: Figure) {
  return (
    <div className="border-line border-l px-3 py-2 first:border-l-0">
      <dt>
        <Tooltip.Root>
          <Tooltip.Trigger className="eyebrow min-h-6 min-w-6 cursor-help underline decoration-dotted underline-offset-4">{name}</Tooltip.Trigger>
          <Tooltip.Portal>
            <Tooltip.Content side="bottom" className="z-40 max-w-72 rounded-sm border border-line-strong bg-raised p-2 text-sm shadow-lg">
              {definition}
            </Tooltip.Content>
          </Tooltip.Portal>
        </Tooltip.Root>
      </dt>
      <dd>
        <span className="tabular block font-semibold text-xl" data-figure={name}>
          {value}
        </span>
        {more !== undefined && <span className="block text-soft text-xs">{more}</span>}
      </dd>
    </div>
  )
}
