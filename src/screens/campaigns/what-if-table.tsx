// What a shift would come to: as it is set up, and as it might be; half of the shifts are below the middle figure, nine in ten lie in the range below it.
import type { Foreseen, Interval } from '@/core/pacing'
import { formatClock } from '@/core/time'
import { Problem } from '@/parts/ui'
import { percent } from '@/parts/words'
import type { CampaignView } from '@/services/exchange/protocol'
import type { Working } from './use-foreseen'

interface Props {
  readonly view: CampaignView
  readonly isNow: Working
  readonly mightBe: Working
  /** Between two tries of one person. */
  readonly gapMinutes: number
}

interface Measure {
  readonly name: string
  readonly about: string
  readonly of: (f: Foreseen) => Interval | null
  readonly says: (value: number) => string
  readonly today: (view: CampaignView) => string
}

const count = (value: number) => Math.round(value).toLocaleString('en-GB')
const NOT_COUNTED = '–'

const MEASURES: readonly Measure[] = [
  {
    name: 'Utilisation',
    about: 'Talk and wrap-up of the time on shift without breaks, after the first twenty minutes',
    of: (f) => f.utilisation,
    says: percent,
    today: () => NOT_COUNTED,
  },
  { name: 'Attempts', about: 'Calls the dialer makes', of: (f) => f.attempts, says: count, today: ({ today }) => count(today.attempts) },
  {
    name: 'Connected',
    about: 'People put through to an agent',
    of: (f) => f.connected,
    says: count,
    today: ({ today }) => count(today.live - today.abandoned),
  },
  {
    name: 'Connected an hour',
    about: 'For each agent',
    of: (f) => f.perAgentHour,
    says: (v) => v.toFixed(1),
    today: () => NOT_COUNTED,
  },
  {
    name: 'Abandoned',
    about: 'Of people who answered, whom no agent reached in time',
    of: (f) => f.abandonedShare,
    says: percent,
    today: ({ today }) => (today.live === 0 ? NOT_COUNTED : percent(today.abandoned / today.live)),
  },
  {
    name: 'Left on the list',
    about: 'Neither reached nor tried as often as a day allows',
    of: (f) => f.left,
    says: count,
    today: ({ left }) => (left === null ? NOT_COUNTED : count(left.states.fresh + left.states.again)),
  },
]

export function WhatIfTable({ view, isNow, mightBe, gapMinutes }: Props) {
  const columns = [isNow, mightBe]
  return (
    <div className="mt-4 overflow-x-auto">
      <table className="w-full min-w-[45rem] table-fixed" aria-label="What the shift would come to">
        <thead>
          <tr className="border-line-strong border-b">
            <td />
            <th scope="col" className="eyebrow w-44 py-1 pl-4 text-right">
              Today so far
            </th>
            <th scope="col" className="eyebrow w-44 py-1 pl-4 text-right">
              As it is set up
            </th>
            <th scope="col" className="eyebrow w-44 py-1 pl-4 text-right">
              What if
            </th>
          </tr>
        </thead>
        <tbody>
          {MEASURES.map(({ name, about, of, says, today }) => (
            <tr key={name} className="border-line border-b align-top">
              <th scope="row" className="py-1.5 text-left">
                {name}
                <span className="block font-normal text-soft text-xs">{about}</span>
              </th>
              <td className="tabular py-1.5 pl-4 text-right text-soft">{today(view)}</td>
              {columns.map(({ foreseen }, i) => (
                <Foretold key={i === 0 ? 'now' : 'if'} interval={foreseen === null ? null : of(foreseen)} says={says} />
              ))}
            </tr>
          ))}
          <tr className="border-line border-b align-top">
            <th scope="row" className="py-1.5 text-left">
              The list ends
              <span className="block font-normal text-soft text-xs">After so long; nobody is tried again within {gapMinutes} minutes</span>
            </th>
            <td className="tabular py-1.5 pl-4 text-right text-soft">{NOT_COUNTED}</td>
            {columns.map(({ foreseen }, i) => (
              <td key={i === 0 ? 'now' : 'if'} className="py-1.5 pl-4 text-right">
                {foreseen === null ? (
                  <span className="text-soft">{NOT_COUNTED}</span>
                ) : foreseen.listEndsMs === null ? (
                  'not in this shift'
                ) : (
                  <>
                    <span className="tabular block text-lg">{formatClock(foreseen.listEndsMs.median)}</span>
                    <span className="text-soft text-xs">in {percent(foreseen.listEndsShare)} of the shifts</span>
                  </>
                )}
              </td>
            ))}
          </tr>
        </tbody>
      </table>
      {columns.map(
        ({ problem }, i) =>
          problem !== null && <Problem key={i === 0 ? 'now' : 'if'}>The shift could not be played: {problem}. Change something and try again.</Problem>,
      )}
    </div>
  )
}

function Foretold({ interval, says }: { interval: Interval | null; says: (value: number) => string }) {
  if (interval === null) return <td className="py-1.5 pl-4 text-right text-soft">{NOT_COUNTED}</td>
  return (
    <td className="py-1.5 pl-4 text-right">
      <span className="tabular block text-lg">{says(interval.median)}</span>
      <span className="tabular text-soft text-xs">
        {says(interval.low)} to {says(interval.high)}
      </span>
    </td>
  )
}
