'use client'
// The desk between calls: alive, with what it waits for at the left and what was done lately at the right.
import { format, startOfDay } from 'date-fns'
import { useCallback } from 'react'
import { spentKey } from '@/core/agents'
import { formatClock } from '@/core/time'
import { HistoryProgress } from '@/parts/frame'
import { Clock, useNowMs } from '@/parts/ui'
import { callerWords, memoInWords, outcomeLabel, resultWords, spentWords } from '@/parts/words'
import { floorNow } from '@/services/exchange/floor-time'
import type { CentreView, MeView } from '@/services/exchange/protocol'
import { useSeen } from '@/services/exchange/react'
import { LATEST_CALLS } from '@/services/history/client'
import { useHistory } from '@/services/history/react'
import { CampaignWaiting } from './campaign-waiting'
import { CorrectOutcome } from './correct-outcome'
import { People } from './people'

interface WaitingProps {
  readonly me: MeView
  readonly centre: CentreView
  readonly onChoose: (name: string) => void
}

export const WaitingPane = memoInWords(function WaitingPane({ me, centre, onChoose }: WaitingProps) {
  return (
    <section
      aria-label={me.campaignId === null ? 'Your queues' : 'What you wait for'}
      // biome-ignore lint/a11y/noNoninteractiveTabindex: what scrolls must be reachable by keyboard
      tabIndex={0}
      className="min-h-0 overflow-auto bg-raised px-8 py-5 -outline-offset-4"
    >
      {me.campaignId !== null && <CampaignWaiting me={me} centre={centre} />}
      {me.queueIds.length > 0 && <Queues me={me} centre={centre} />}
      <People me={me} onChoose={onChoose} />
    </section>
  )
})

function Queues({ me, centre }: Omit<WaitingProps, 'onChoose'>) {
  const queues = useSeen((view) => view.queues) ?? []
  return (
    <>
      <h2 className={`font-semibold text-lg ${me.campaignId === null ? '' : 'mt-6'}`}>Your queues now</h2>
      <table className="mt-3 w-full max-w-[47.5rem]">
        <thead>
          <tr className="border-line-strong border-b text-left">
            {['Queue', 'Waiting', 'Longest wait', 'Ready', 'On shift', 'Expected', 'Answer within'].map((heading, i) => (
              <th key={heading} scope="col" className={`eyebrow py-1 ${i === 0 ? '' : 'text-right'}`}>
                {heading}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {queues
            .filter((q) => me.queueIds.includes(q.id))
            .map((queue) => {
              const about = centre.queues.find((q) => q.id === queue.id)
              return (
                <tr key={queue.id} className="border-line border-b">
                  <th scope="row" className="py-2 text-left font-semibold">
                    {about?.name}
                    {!queue.open && <span className="ml-2 border border-line-strong px-1 font-normal text-soft">closed</span>}
                    {queue.storm && <span className="ml-2 border border-brass bg-brass-wash px-1 font-normal text-brass-text">storm</span>}
                  </th>
                  <td className="text-right">
                    {queue.kept > 0 && <span className="mr-2 text-soft">{queue.kept} to be called</span>}
                    {queue.messages > 0 && <span className="mr-2 text-soft">{queue.messages === 1 ? '1 message' : `${queue.messages} messages`}</span>}
                    <span className={`tabular ${queue.waiting > 0 ? 'font-semibold text-brass-text' : ''}`}>{queue.waiting}</span>
                  </td>
                  <td className="text-right">
                    {queue.longestSinceMs === null ? <span className="text-soft">nobody</span> : <Clock sinceMs={queue.longestSinceMs} />}
                  </td>
                  <td className="tabular text-right">{queue.ready}</td>
                  <td className="tabular text-right">{queue.onShift}</td>
                  <td className="tabular text-right">{expectedWords(queue.expectedWaitMs)}</td>
                  <td className="tabular text-right text-soft">{formatClock(about?.serviceLevelMs ?? 0)}</td>
                </tr>
              )
            })}
        </tbody>
      </table>
      {me.campaignId === null && (
        <p className="mt-3 max-w-[66ch] font-serif text-[1.0625rem] text-soft leading-7">
          {me.state === 'ready'
            ? 'The next call rings on the board above. The script opens here, and the record at the right, as it rings.'
            : me.afterwards.ready
              ? 'You are ready again as soon as this is done.'
              : 'Press Go ready when you can take a call.'}
        </p>
      )}
    </>
  )
}

/** What a caller who joined now could expect. */
const expectedWords = (ms: number | null) => {
  if (ms === null) return <span className="font-sans text-soft">not known</span>
  return ms === 0 ? <span className="font-sans">no wait</span> : formatClock(ms)
}

const SHOWN = 8

export const TodayColumn = memoInWords(function TodayColumn({ me, centre }: { me: MeView; centre: CentreView }) {
  const { id } = me
  const { value } = useHistory(
    useCallback(
      async (api) => {
        const nowMs = floorNow()
        const span = { fromMs: startOfDay(nowMs).getTime(), toMs: nowMs + 1 }
        const asked = { span, nowMs, only: id }
        const [{ all }, { rows }] = await Promise.all([api.report({ ...asked, steps: [] }), api.calls({ ...asked, ...LATEST_CALLS, atMost: 2 * SHOWN })])
        return { ahtMs: all.ahtMs, calls: rows.filter((r) => r.result !== 'underWay').slice(0, SHOWN) }
      },
      [id],
    ),
  )
  return (
    <section aria-label="Your day" className="px-4 py-5">
      <h2 className="font-semibold text-lg">Your day</h2>
      <dl className="mt-2 grid grid-cols-[1fr_auto] gap-y-1 [&>dd]:text-right">
        <dt className="text-soft">On shift</dt>
        <dd>
          <Clock sinceMs={me.shiftStartedAtMs} />
        </dd>
        <dt className="text-soft">Calls coded this shift</dt>
        <dd className="tabular">{me.codedCount}</dd>
        <dt className="text-soft">Average handle time today</dt>
        <dd className="tabular">{value?.ahtMs == null ? <span className="font-sans">no calls</span> : formatClock(value.ahtMs)}</dd>
      </dl>
      <TimePerState me={me} />
      <h3 className="eyebrow mt-5">Your last calls</h3>
      {value !== null && value.calls.length === 0 && <p className="text-soft">None yet today. Calls you finish are listed here.</p>}
      <ul className="divide-y divide-line">
        {value?.calls.map((record) => (
          <li key={record.callId} className="grid grid-cols-[3.25rem_1fr_auto] py-1.5">
            <span className="tabular text-soft text-xs leading-5">{format(record.offeredAtMs, 'HH:mm')}</span>
            <span className="min-w-0 truncate">
              {callerWords(record.customer, record.number, 'Withheld number')}
              <span className="text-soft"> · {record.outcome === null ? resultWords(record.result) : outcomeLabel(centre, record)}</span>
            </span>
            {record.outcomeById === id && (record.outcomeAtMs ?? 0) >= me.shiftStartedAtMs && (
              <CorrectOutcome record={record} centre={centre} label="Correct" />
            )}
          </li>
        ))}
      </ul>
      <HistoryProgress />
    </section>
  )
})

/** Where the day has gone, the state that is on included; longest first. */
function TimePerState({ me }: { me: MeView }) {
  const now = useNowMs()
  const current = spentKey({ name: me.state, reason: me.reason })
  const spent = { ...me.spentMs, [current]: (me.spentMs[current] ?? 0) + Math.max(0, now - me.sinceMs) }
  return (
    <>
      <h3 className="eyebrow mt-5">Time today</h3>
      <dl aria-label="Time today" className="mt-1 grid grid-cols-[1fr_auto] gap-y-0.5">
        {Object.entries(spent)
          .toSorted((a, b) => b[1] - a[1])
          .map(([key, ms]) => (
            <div key={key} className="contents">
              <dt className={key === current ? 'font-semibold' : 'text-soft'}>{spentWords(key)}</dt>
              <dd className="tabular text-right">{formatClock(ms)}</dd>
            </div>
          ))}
      </dl>
    </>
  )
}
