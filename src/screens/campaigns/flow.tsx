'use client'
// Where all records stand, from loaded to final, as one band whose parts are as wide as they are many; each leads to its records.
import clsx from 'clsx'
import { sum } from 'd3-array'
import { scaleLinear } from 'd3-scale'
import { RECORD_STATES, type RecordState } from '@/core/campaigns'
import { percent, RECORD_STATE_WORDS } from '@/parts/words'
import type { CampaignView } from '@/services/exchange/protocol'

interface Props {
  readonly left: CampaignView['left']
  readonly chosen: RecordState | null
  readonly onChoose: (state: RecordState | null) => void
}

/** What waits for hours is counted with what it waits for. */
const SHOWN: readonly RecordState[] = ['fresh', 'again', 'inProgress', 'callback', 'final', 'invalid', 'never']
const LOOKS: Readonly<Record<RecordState, string>> = {
  fresh: 'bg-paper',
  again: 'bg-brass-wash',
  inProgress: 'bg-brass',
  callback: 'bg-sea',
  final: 'bg-green',
  invalid: 'bg-line-strong',
  never: 'bg-red',
  waitingForHours: 'bg-paper',
}

export function Flow({ left, chosen, onChoose }: Props) {
  if (left === null)
    return (
      <section aria-label="Where the records stand" className="mt-5">
        <h2 className="font-semibold text-lg">Where the records stand</h2>
        <p className="text-soft">The lists are being opened…</p>
      </section>
    )
  const all = sum(RECORD_STATES, (state) => left.states[state])
  const x = scaleLinear()
    .domain([0, Math.max(1, all)])
    .range([0, 100])
  return (
    <section aria-label="Where the records stand" className="mt-5">
      <h2 className="font-semibold text-lg">
        Where the records stand <span className="font-normal text-soft">· {left.loaded.toLocaleString('en-GB')} loaded</span>
      </h2>
      <div aria-hidden className="mt-2 flex h-5 w-full border border-line-strong">
        {SHOWN.map((state) => (
          <span key={state} className={clsx('h-full', LOOKS[state])} style={{ width: `${x(left.states[state])}%` }} />
        ))}
      </div>
      <ul className="mt-2 flex flex-wrap gap-x-2 gap-y-1">
        {SHOWN.map((state) => (
          <li key={state}>
            <button
              type="button"
              aria-pressed={chosen === state}
              onClick={() => onChoose(chosen === state ? null : state)}
              className={clsx(
                'flex min-h-8 items-center gap-2 rounded-sm border px-2',
                chosen === state ? 'border-2 border-green bg-green-wash' : 'border-line-strong bg-raised',
              )}
            >
              <span aria-hidden className={clsx('inline-block size-3 border border-line-strong', LOOKS[state])} />
              {RECORD_STATE_WORDS[state]} <span className="tabular">{left.states[state].toLocaleString('en-GB')}</span>
              <span className="text-soft text-xs">{all === 0 ? '' : percent(left.states[state] / all)}</span>
            </button>
          </li>
        ))}
      </ul>
    </section>
  )
}
