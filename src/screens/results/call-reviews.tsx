'use client'
// Reviews on the page of a call: those there are, one to be made by who may, and the answer of whom it is about.
import { format } from 'date-fns'
import { type FormEvent, useState } from 'react'
import type { CallRecord } from '@/core/ledger'
import { BEST } from '@/core/reviews'
import { seesEverybody } from '@/parts/frame'
import { Button, nameIn, Problem, TextField, useDraft } from '@/parts/ui'
import type { FloorView, ReviewView } from '@/services/exchange/protocol'
import { useCommand } from '@/services/exchange/react'
import { percent } from './format'
import { usePlayed } from './played'
import { clockOf, ReviewForm } from './review-form'
import { useReviews } from './use-reviews'

export function CallReviews({ record, view }: { record: CallRecord; view: FloorView }) {
  const reviews = useReviews(record.callId)
  const [open, setOpen] = useState(false)
  const { account, centre } = view
  const agents = record.agents.filter((l) => l.agentId !== account.id).map((l) => ({ id: l.agentId, name: l.agent }))
  const mayReview = seesEverybody(account) && agents.length > 0
  const own = reviews?.find((r) => r.byAgentId === account.id)
  if (reviews === null || (!mayReview && reviews.length === 0)) return null
  return (
    <section aria-label="Reviews">
      <div className="flex items-baseline justify-between gap-4">
        <h2 className="eyebrow">Reviews</h2>
        {mayReview && !open && <Button onClick={() => setOpen(true)}>{own === undefined ? 'Review this call' : 'Review it anew'}</Button>}
      </div>
      {reviews.length === 0 && !open && <p className="text-soft">Nobody has reviewed it yet.</p>}
      {reviews.map((r) => (
        <OneReview key={`${r.agentId} ${r.byAgentId}`} review={r} view={view} />
      ))}
      {open && (
        <ReviewForm
          callId={record.callId}
          agents={agents}
          sheets={centre.reviewSheets}
          before={own}
          lastsMs={record.endedAtMs - record.offeredAtMs}
          onClose={() => setOpen(false)}
        />
      )}
    </section>
  )
}

/** Where in the call a remark is; with the sound of it here it is heard from there. */
function Place({ atMs }: { atMs: number }) {
  const { hasSound, playFrom } = usePlayed()
  if (!hasSound) return <span className="tabular mr-2 text-soft">{clockOf(atMs)}</span>
  return (
    <button type="button" aria-label={`Play from ${clockOf(atMs)}`} className="tabular mr-2 underline underline-offset-2" onClick={() => playFrom(atMs)}>
      {clockOf(atMs)}
    </button>
  )
}

function OneReview({ review, view }: { review: ReviewView; view: FloorView }) {
  const command = useCommand()
  const [problem, setProblem] = useState<string | null>(null)
  const { account, seats } = view
  const withdraw = async () => {
    const reply = await command({ kind: 'withdrawReview', callId: review.callId, ofAgentId: review.agentId })
    setProblem(reply.ok ? null : `${reply.refusal.says} ${reply.refusal.next}`)
  }
  return (
    <article aria-label={`Review of ${nameIn(seats, review.agentId)} by ${nameIn(seats, review.byAgentId)}`} className="mt-1 border-line border-t pt-1">
      <p>
        <strong className="tabular text-lg">{percent(review.score)}</strong> for {nameIn(seats, review.agentId)}{' '}
        <span className="text-soft">
          by {nameIn(seats, review.byAgentId)}, {format(review.madeAtMs, 'EEE d MMM HH:mm')} · {review.sheet.name}, version {review.sheet.version}
        </span>
      </p>
      <dl className="grid grid-cols-[1fr_max-content] gap-x-4">
        {review.sheet.questions.map((q) => (
          <div key={q.id} className="contents">
            <dt className="text-soft">{q.label}</dt>
            <dd className={q.mustHave && review.answers[q.id] === 0 ? 'font-semibold text-red' : ''}>
              {q.kind === 'yesNo' ? (review.answers[q.id] === 1 ? 'yes' : 'no') : `${review.answers[q.id]} of ${BEST}`}
            </dd>
          </div>
        ))}
      </dl>
      {review.remarks.length > 0 && (
        <ul className="mt-1">
          {review.remarks.map((r) => (
            <li key={`${r.atMs} ${r.text}`}>
              <Place atMs={r.atMs} />
              {r.text}
            </li>
          ))}
        </ul>
      )}
      {review.note !== '' && <p className="mt-1">{review.note}</p>}
      {review.answer !== null && (
        <p className="mt-1 border-sea border-l-4 pl-2">
          {nameIn(seats, review.agentId)} {review.answer.agrees ? 'agrees' : 'does not agree'}
          {review.answer.text !== '' && <>: “{review.answer.text}”</>} <span className="text-soft">{format(review.answer.atMs, 'EEE d MMM HH:mm')}</span>
        </p>
      )}
      {review.agentId === account.id && <Answer review={review} />}
      {review.byAgentId === account.id && (
        <Button className="mt-1" onClick={() => void withdraw()}>
          Withdraw
        </Button>
      )}
      {problem !== null && <Problem>{problem}</Problem>}
    </article>
  )
}

function Answer({ review }: { review: ReviewView }) {
  const command = useCommand()
  const [text, setText, forget] = useDraft(`answer to ${review.byAgentId} about ${review.callId}`, '')
  const [problem, setProblem] = useState<string | null>(null)
  const answer = async (agrees: boolean) => {
    const reply = await command({ kind: 'answerReview', callId: review.callId, madeById: review.byAgentId, agrees, text })
    setProblem(reply.ok ? null : `${reply.refusal.says} ${reply.refusal.next}`)
    if (reply.ok) forget()
  }
  return (
    <form
      className="mt-2"
      noValidate
      onSubmit={(event: FormEvent) => {
        event.preventDefault()
        void answer(true)
      }}
    >
      <TextField label="Your answer" value={text} maxLength={1_000} problem={problem} onChange={(e) => setText(e.target.value)} />
      <div className="mt-1 flex gap-2">
        <Button type="submit" tone="primary">
          I agree
        </Button>
        <Button onClick={() => void answer(false)}>I do not agree</Button>
      </div>
    </form>
  )
}
