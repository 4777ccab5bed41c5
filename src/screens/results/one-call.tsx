'use client'
// A single call: its record, its script answers, and every event it is made of.
import { format } from 'date-fns'
import Link from 'next/link'
import { useCallback } from 'react'
import type { AgentLeg, CallRecord, LedgerEntry } from '@/core/ledger'
import { formatClock } from '@/core/time'
import { seesEverybody } from '@/parts/frame'
import { nameIn } from '@/parts/ui'
import { answerAs, behalfWords, callerWords, eventWords, outcomeLabel, resultWords, useNumberWords } from '@/parts/words'
import { CorrectOutcome } from '@/screens/desk'
import type { FloorView } from '@/services/exchange/protocol'
import { useHistory, useHistoryOpening } from '@/services/history/react'
import { CallReviews } from './call-reviews'
import { PlayedProvider } from './played'
import { Recording } from './recording'

export function OneCall({ callId, names }: { callId: string; names: FloorView }) {
  const { value, problem } = useHistory(useCallback((api) => api.call(callId).then((found) => ({ found })), [callId]))
  const { opening } = useHistoryOpening()
  const found = value?.found ?? null
  return (
    <main className="mx-auto max-w-[68.75rem] px-6 pt-4 pb-12">
      <Link href="/results" className="text-soft underline underline-offset-4 hover:text-ink print:hidden">
        All results
      </Link>
      {problem !== null && <p role="alert">The call could not be read: {problem}</p>}
      {found === null && (value === null || opening === null) && (
        <p role="status" className="mt-4 text-soft">
          Looking for the call…
        </p>
      )}
      {found === null && value !== null && opening !== null && (
        <p className="mt-4">
          No call <span className="tabular">{callId}</span> is kept here. It may belong to another browser, or still be under way.
        </p>
      )}
      {found !== null &&
        (maySee(found.record, names.account) ? (
          <PlayedProvider>
            <Found {...found} names={names} />
          </PlayedProvider>
        ) : (
          <p className="mt-4">This call was handled by others. A supervisor can look it up.</p>
        ))}
    </main>
  )
}

/** Their own, or everybody's where the account sees that. */
const maySee = ({ agents, outcomeBy }: CallRecord, account: FloorView['account']): boolean =>
  seesEverybody(account) || agents.some((l) => l.agent === account.name) || outcomeBy === account.name

function Found({ record, entries: all, names }: { record: CallRecord; entries: readonly LedgerEntry[]; names: FloorView }) {
  const entries = seenEntries(all, names)
  const written = useNumberWords()
  const saved = entries.findLast((e) => e.event.kind === 'outcomeSaved')?.event
  const followUp = saved?.kind === 'outcomeSaved' ? saved.followUp : ''
  const script = names.centre.scripts.find((s) => s.name === record.script && s.version === record.scriptVersion)
  const questions = new Map(script?.pages.flatMap((p) => p.questions).map((q) => [q.field, q]))
  return (
    <>
      <h1 className="mt-2 font-semibold text-2xl">
        {callerWords(record.customer, record.number, 'Withheld number')}
        <span className="font-normal text-soft text-lg"> · {behalfWords(record)}</span>
      </h1>
      <p className="text-soft">
        {format(record.offeredAtMs, 'EEEE d MMMM yyyy, HH:mm:ss')} ·{' '}
        <span className="tabular">{record.number === null ? 'number withheld' : written(record.number)}</span> ·{' '}
        <span className="tabular">{record.callId}</span>
      </p>
      <div className="mt-6 grid gap-10 lg:grid-cols-[1fr_1fr]">
        <div className="space-y-6">
          <section aria-label="Outcome">
            <h2 className="eyebrow">Outcome</h2>
            <p className="font-semibold text-lg">{record.outcome === null ? resultWords(record.result) : outcomeLabel(names.centre, record)}</p>
            <p className="text-soft">
              {record.outcomeBy !== null && record.outcomeAtMs !== null
                ? `Saved by ${record.outcomeBy} at ${format(record.outcomeAtMs, 'HH:mm:ss')}`
                : record.result === 'handled'
                  ? 'Outcome needed: none is saved yet'
                  : 'No agent spoke, so no outcome is owed'}
            </p>
            <Corrections entries={entries} names={names} />
            {record.outcome !== null && seesEverybody(names.account) && <CorrectOutcome record={record} centre={names.centre} label="Correct the outcome" />}
            <dl className="mt-1">
              <Pair label="Notes" value={record.notes} />
              <Pair label="Follow-up" value={followUp} />
            </dl>
          </section>
          <section aria-label="Times">
            <h2 className="eyebrow">Times</h2>
            <dl className="mt-1 grid grid-cols-[10rem_1fr]">
              {(record.answeredAtMs !== null || record.result === 'abandoned') && (
                <>
                  <dt className="text-soft">{record.answeredAtMs === null ? 'Abandoned after' : 'Waited'}</dt>
                  <dd className="tabular">{formatClock((record.answeredAtMs ?? record.endedAtMs) - record.offeredAtMs)}</dd>
                </>
              )}
              <dt className="text-soft">In all</dt>
              <dd className="tabular">{formatClock(record.endedAtMs - record.offeredAtMs)}</dd>
            </dl>
            {record.agents.map((leg) => (
              <Leg key={`${leg.agent} ${leg.fromMs}`} leg={leg} />
            ))}
            {record.transfers.map((t) => (
              <p key={t.atMs} className="mt-1 text-soft">
                {t.kind === 'blind' ? 'Sent on' : 'Handed over'} by {t.from} to <span className="text-ink">{t.to}</span> at {format(t.atMs, 'HH:mm:ss')}
              </p>
            ))}
          </section>
          <CallReviews record={record} view={names} />
          {record.recordings.map((id) => (
            <Recording key={id} recordingId={id} entries={entries} callFromMs={record.offeredAtMs} />
          ))}
          <section aria-label="Script answers">
            <h2 className="eyebrow">Script answers{record.script !== null && ` · ${record.script}, version ${record.scriptVersion}`}</h2>
            {Object.keys(record.answers).length === 0 && <p className="text-soft">None were taken.</p>}
            <dl className="mt-1">
              {Object.entries(record.answers).map(([field, value]) => {
                const question = questions.get(field)
                return <Pair key={field} label={question?.label ?? field} value={answerAs(question, value)} />
              })}
            </dl>
          </section>
        </div>
        <section aria-label="Events">
          <h2 className="eyebrow">Every event, as the ledger has it</h2>
          <ol className="mt-1">
            {entries.map((entry) => (
              <li key={entry.seq} className="grid grid-cols-[4.75rem_3.75rem_1fr] border-line border-b py-1">
                <span className="tabular text-soft">{format(entry.atMs, 'HH:mm:ss')}</span>
                <span className="tabular text-soft">#{entry.seq}</span>
                <span className="min-w-0 break-words">{eventWords(entry.event, { ...names, script })}</span>
              </li>
            ))}
          </ol>
        </section>
      </div>
    </>
  )
}

/** Where agents are not shown who only listens in, they are not told of it afterwards either. */
const seenEntries = (entries: readonly LedgerEntry[], { account, centre }: FloorView): readonly LedgerEntry[] =>
  centre.listeningIsShown || seesEverybody(account) ? entries : entries.filter(({ event }) => event.kind !== 'roleTaken' || event.role !== 'listens')

/** Every code the call had before, with who gave it and why it was changed. */
function Corrections({ entries, names }: { entries: readonly LedgerEntry[]; names: FloorView }) {
  const corrections = entries.flatMap(({ event, atMs, seq }) => (event.kind === 'outcomeCorrected' ? [{ ...event, atMs, seq }] : []))
  const label = (code: string | null) => names.centre.outcomeSets.flatMap((s) => s.codes).find((c) => c.code === code)?.label ?? code ?? 'none'
  return corrections.map(({ seq, atMs, was, byAgentId, why }) => (
    <p key={seq} className="border-brass border-l-4 pl-2">
      Corrected from <strong>{label(was)}</strong> by {nameIn(names.seats, byAgentId)}, {format(atMs, 'd MMM HH:mm')}: {why}
    </p>
  ))
}

function Pair({ label, value }: { label: string; value: string }) {
  if (value === '') return null
  return (
    <div className="grid grid-cols-[10rem_1fr] py-0.5">
      <dt className="text-soft">{label}</dt>
      <dd className="min-w-0 break-words">{value}</dd>
    </div>
  )
}

function Leg({ leg }: { leg: AgentLeg }) {
  const parts = [
    ['rang', leg.ringMs],
    ['talked', leg.talkMs],
    ['held', leg.holdMs],
    ['wrapped up', leg.wrapUpMs],
  ] as const
  return (
    <p className="mt-1 grid grid-cols-[10rem_1fr]">
      <span>{leg.agent}</span>
      <span className="text-soft">
        {parts.map(([word, ms], i) => (
          <span key={word}>
            {i > 0 && ' · '}
            {word} <span className="tabular text-ink">{formatClock(ms)}</span>
          </span>
        ))}
      </span>
    </p>
  )
}
