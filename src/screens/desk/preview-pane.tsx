'use client'
// Preview: who is to be called, what the list says of them and how often they were tried; the agent calls, or skips with a reason.
import { format } from 'date-fns'
import { type FormEvent, useState } from 'react'
import { formatClock } from '@/core/time'
import { SHORTCUTS } from '@/parts/frame'
import { Button, Problem, useNowMs } from '@/parts/ui'
import { memoInWords, numberWords } from '@/parts/words'
import type { CentreView, MeView, PreviewView } from '@/services/exchange/protocol'
import { useCommand } from '@/services/exchange/react'

const WHY = ['Known to be away', 'Called by somebody else', 'Record is wrong']

export const PreviewPane = memoInWords(function PreviewPane({ me, centre, preview }: { me: MeView; centre: CentreView; preview: PreviewView }) {
  const command = useCommand()
  const { record, campaignId } = preview
  const now = useNowMs()
  const campaign = centre.campaigns.find((c) => c.id === campaignId)
  const [problem, setProblem] = useState<string | null>(null)
  const [why, setWhy] = useState(WHY[0] as string)
  const give = async (ask: { readonly kind: 'callRecord' } | { readonly kind: 'skipRecord'; readonly why: string }) => {
    const reply = await command(ask)
    setProblem(reply.ok ? null : `${reply.refusal.says} ${reply.refusal.next}`)
  }
  const skip = (event: FormEvent) => {
    event.preventDefault()
    void give({ kind: 'skipRecord', why })
  }
  return (
    <section aria-label="Record to call" className="min-h-0 overflow-auto bg-raised px-8 py-5">
      <p className="eyebrow">
        {campaign?.name} · {record.tries === 0 ? 'not tried yet' : `tried ${record.tries} ${record.tries === 1 ? 'time' : 'times'}`}
      </p>
      <h2 className="font-semibold text-2xl">{record.person}</h2>
      <p className="tabular text-lg">{numberWords(record.number)}</p>
      {preview.promised !== null && (
        <p className="mt-2 max-w-[66ch] border-brass border-l-4 bg-brass-wash px-3 py-1.5">
          <strong>
            {preview.promised.by} promised to call at {format(preview.promised.dueAtMs, 'HH:mm')}
          </strong>
          {format(preview.promised.dueAtMs, 'yyyy-MM-dd') === format(now, 'yyyy-MM-dd') ? '' : ` on ${format(preview.promised.dueAtMs, 'EEEE d MMMM')}`}.{' '}
          {preview.promised.note === '' ? 'No notes.' : preview.promised.note} Skipped, it comes again in a quarter of an hour.
        </p>
      )}
      <p className="mt-1 max-w-[66ch] font-serif text-[1.0625rem] text-soft leading-7">{campaign?.purpose}</p>
      <dl className="mt-3 grid max-w-[40rem] grid-cols-[8.75rem_1fr] gap-y-1">
        {Object.entries(record.fields).map(([label, value]) => (
          <div key={label} className="contents">
            <dt className="text-soft">{label}</dt>
            <dd className="min-w-0 break-words">{value}</dd>
          </div>
        ))}
      </dl>
      <form onSubmit={skip} className="mt-5 flex flex-wrap items-end gap-3">
        <Button tone="primary" size="large" shortcut={SHORTCUTS.answer.keys} onClick={() => void give({ kind: 'callRecord' })}>
          Call
        </Button>
        <label className="block">
          <span className="block text-soft text-xs">Reason to skip</span>
          <input
            list="skip-reasons"
            value={why}
            onChange={(e) => setWhy(e.target.value)}
            className="h-9 w-64 rounded-sm border border-line-strong bg-raised px-2"
          />
          <datalist id="skip-reasons">
            {WHY.map((reason) => (
              <option key={reason} value={reason} />
            ))}
          </datalist>
        </label>
        <Button type="submit" size="large">
          Skip
        </Button>
        {preview.dueAtMs !== null && <Remaining untilMs={preview.dueAtMs} />}
      </form>
      {problem !== null && <Problem>{problem}</Problem>}
      <p className="mt-3 text-soft">{me.queueIds.length > 0 ? 'A call of your queues rings first; the record then goes back and comes again.' : ''}</p>
    </section>
  )
})

function Remaining({ untilMs }: { untilMs: number }) {
  const now = useNowMs()
  return (
    <span className="pb-1.5 text-soft">
      goes back in <span className="tabular">{formatClock(untilMs - now)}</span>
    </span>
  )
}
