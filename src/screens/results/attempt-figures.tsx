// From an attempt to a success, step by step: how many, as a bar of the first, and the rate of the step before.
import { scaleLinear } from 'd3-scale'
import { type AttemptSums, abandonedWithDrops, DEFINITIONS, measureAttempts } from '@/core/reports'
import type { OfList } from '@/services/lists/client'
import { percent } from './format'

interface Props {
  readonly sums: AttemptSums
  readonly lists: readonly OfList[]
  readonly mine: boolean
  /** The share of people that machine detection is known to drop; null where it is not one campaign, or nothing is detected. */
  readonly drops: number | null
}

export function AttemptFigures({ sums, lists, mine, drops }: Props) {
  const m = measureAttempts(sums)
  const steps = [
    ...(mine
      ? []
      : [
          { name: 'Attempts', count: m.attempts, rate: null, of: '', about: DEFINITIONS.attempts },
          {
            name: 'Live answers',
            count: m.live,
            rate: m.answerRatio,
            of: 'of attempts that ended',
            about: `${DEFINITIONS.live} Answer rate: ${DEFINITIONS.answerRatio}`,
          },
        ]),
    { name: 'Connected', count: m.connected, rate: mine ? null : m.connectedRatio, of: 'of live answers', about: DEFINITIONS.connected },
    { name: 'Right party', count: m.rightParty, rate: m.rightPartyRatio, of: 'of connected', about: DEFINITIONS.rightParty },
    { name: 'Conversions', count: m.conversions, rate: m.conversionRatio, of: 'of right party', about: DEFINITIONS.conversions },
  ]
  const width = scaleLinear([0, Math.max(1, steps[0]?.count ?? 0)], [0, 100])
  const allowed = lists.reduce((sum, l) => sum + l.loaded - l.states.never, 0)
  const final = lists.reduce((sum, l) => sum + l.states.final, 0)
  const withDrops = drops === null ? null : abandonedWithDrops(sums, drops)
  return (
    <section aria-label="From attempt to success" className="grid gap-x-10 gap-y-4 lg:grid-cols-[1fr_18rem]">
      <dl className="space-y-1.5">
        {steps.map(({ name, count, rate, of, about }) => (
          <div key={name} className="grid grid-cols-[7rem_5rem_1fr] items-center gap-3 md:grid-cols-[7rem_5rem_1fr_13rem]" title={about}>
            <dt className="font-semibold">{name}</dt>
            <dd className="tabular text-right text-xl" data-figure={name}>
              {count.toLocaleString('en-GB')}
            </dd>
            <dd aria-hidden className="hidden h-4 border-line border-l md:block">
              <span className="block h-full min-w-px bg-green" style={{ width: `${width(count)}%` }} />
            </dd>
            <dd className="text-soft">
              {rate === null ? '' : <span className="tabular text-ink">{percent(rate)}</span>} {rate === null ? '' : of}
            </dd>
          </div>
        ))}
      </dl>
      {!mine && (
        <dl className="space-y-3 border-line lg:border-l lg:pl-6">
          <div title={DEFINITIONS.dialerAbandoned}>
            <dt className="eyebrow">Abandoned</dt>
            <dd>
              <span className="tabular text-xl">{percent(m.abandonedRatio)}</span>{' '}
              <span className="text-soft">
                {m.abandoned} of {m.live.toLocaleString('en-GB')} live answers
              </span>
            </dd>
            {withDrops !== null && (
              <dd className="text-soft text-xs" title={DEFINITIONS.dialerAbandonedWithDrops}>
                {percent(withDrops)} with those whom the detection drops ({percent(drops)} of people, as its maker says)
              </dd>
            )}
          </div>
          <div title={DEFINITIONS.penetration}>
            <dt className="eyebrow">Penetration</dt>
            <dd>
              <span className="tabular text-xl">{percent(allowed === 0 ? null : final / allowed)}</span>{' '}
              <span className="text-soft">
                {final.toLocaleString('en-GB')} of {allowed.toLocaleString('en-GB')} records
              </span>
            </dd>
          </div>
          <div>
            <dt className="eyebrow">Machines</dt>
            <dd>
              <span className="tabular text-xl">{m.machines.toLocaleString('en-GB')}</span> <span className="text-soft">answered instead of a person</span>
            </dd>
          </div>
        </dl>
      )}
    </section>
  )
}
