'use client'
// A rehearsal: the script walked through with a made-up caller, by the steps of a real call. Beside it what is known, how long each page
// took, and which outcome the end speaks for.
import { useState } from 'react'
import type { OutcomeCode } from '@/core/outcomes'
import { pendingPages, type Script, splitAnswers } from '@/core/scripts'
import { formatClock } from '@/core/time'
import { factsOf } from '@/core/work'
import { ReadingPane } from '@/parts/reading'
import { Button } from '@/parts/ui'
import { CallerChoice } from './caller-choice'
import { CALLERS, type MadeUpCaller } from './callers'
import { useLocalRun } from './local-run'

interface Props {
  readonly script: Script
  readonly codes: readonly Pick<OutcomeCode, 'code' | 'label'>[]
  readonly homeCountry: string
  readonly onPage: (pageId: string, trail: readonly string[]) => void
  readonly onEdit: (pageId: string) => void
}

export function Rehearsal(props: Props) {
  const [callerNo, setCallerNo] = useState(0)
  const caller = CALLERS[callerNo] ?? (CALLERS[0] as MadeUpCaller)
  return <Walk key={callerNo} {...props} caller={caller} callerNo={callerNo} onCaller={setCallerNo} />
}

function Walk({
  script,
  codes,
  homeCountry,
  onPage,
  onEdit,
  caller,
  callerNo,
  onCaller,
}: Props & { caller: MadeUpCaller; callerNo: number; onCaller: (no: number) => void }) {
  const { work, actions, restart } = useLocalRun(script, caller, homeCountry)
  const { run } = work
  const page = script.pages.find((p) => p.id === run.pageId)
  const { applying, aside } = splitAnswers(script, run, factsOf(work))
  const pending = pendingPages(script, run, factsOf(work))
  const title = (id: string) => script.pages.find((p) => p.id === id)?.title ?? id
  const [told, setTold] = useState('')
  const now = [...run.trail, run.pageId].join(' ')
  if (told !== now) {
    setTold(now)
    onPage(run.pageId, [...run.trail, run.pageId])
  }
  return (
    <div className="grid min-h-0 flex-1 grid-cols-[minmax(0,1fr)_22.5rem]">
      <ReadingPane agentName="Eluned Tarnow" work={work} script={script} readOnly={false} opensWhen={null} actions={actions} />
      <aside aria-label="Rehearsal" className="min-h-0 space-y-4 overflow-auto border-line-strong border-l px-4 py-3">
        <div>
          <h2 className="font-semibold text-lg">Rehearsal</h2>
          <CallerChoice label="Who calls" className="mt-1 block" fieldClassName="mt-0.5 h-8 w-full px-2" callerNo={callerNo} onCaller={onCaller} />
          <div className="mt-2 flex gap-2">
            <Button onClick={restart}>Begin again</Button>
            <Button onClick={() => onEdit(run.pageId)}>Edit this page</Button>
          </div>
        </div>
        {page !== undefined && page.ways.length === 0 && (
          <p className="border-green border-l-4 bg-green-wash px-2 py-1">
            The end. It speaks for {page.suggests.map((c) => codes.find((k) => k.code === c)?.label ?? c).join(', ') || 'no outcome'}.
          </p>
        )}
        <section aria-label="Pages so far">
          <h3 className="eyebrow">Pages so far</h3>
          <ol>
            {[...run.trail, run.pageId].map((id, i) => (
              // biome-ignore lint/suspicious/noArrayIndexKey: a page may be walked over twice
              <li key={`${i} ${id}`} className="flex justify-between gap-2">
                <span className={id === run.pageId ? 'font-semibold' : ''}>
                  {title(id)}
                  {pending.includes(id) && id !== run.pageId && <span className="text-brass-text"> · not finished</span>}
                </span>
                <span className="tabular text-soft">{run.spentMs[id] === undefined ? '' : formatClock(run.spentMs[id] ?? 0)}</span>
              </li>
            ))}
          </ol>
        </section>
        <section aria-label="Answers so far">
          <h3 className="eyebrow">Answers so far</h3>
          {Object.keys(run.answers).length === 0 && <p className="text-soft">None yet.</p>}
          <dl>
            {Object.entries({ ...applying, ...aside }).map(([field, value]) => (
              <div key={field} className="flex justify-between gap-2">
                <dt className="text-soft">{field}</dt>
                <dd className="min-w-0 truncate">
                  {String(value)}
                  {field in aside && <span className="text-brass-text"> · kept aside</span>}
                </dd>
              </div>
            ))}
          </dl>
        </section>
      </aside>
    </div>
  )
}
