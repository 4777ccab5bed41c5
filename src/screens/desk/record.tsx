'use client'
// The record: who this is, what they chose, how long they waited, what we know, and what happened before.
import { format } from 'date-fns'
import { useCallback } from 'react'
import type { Call } from '@/core/calls'
import type { CallRecord, WrittenRecord } from '@/core/ledger'
import { formatClock } from '@/core/time'
import type { Work } from '@/core/work'
import { Clock, More } from '@/parts/ui'
import { behalfWords, CHANNEL_WORDS, callerWords, memoInWords, NumberLinks, outcomeLabel, outcomeLabels, resultWords, useNumberWords } from '@/parts/words'
import { MessageInHand } from '@/screens/voicemail'
import type { CallbackView, CentreView } from '@/services/exchange/protocol'
import { useSeen } from '@/services/exchange/react'
import { useHistory } from '@/services/history/react'
import { AddToPeople } from './add-to-people'
import { WhoCalls } from './who-calls'

interface Props {
  readonly work: Work
  /** Of a call that is on with somebody nobody knows: they can be named. */
  readonly unknown: Call | undefined
  /** What this call is given on top of its queue's head start. */
  readonly moreHeadStartMs: number
  readonly keptPlace: boolean
  /** The message the work is about stands here, and not in place of the page that is read. */
  readonly showsMessage: boolean
  readonly centre: CentreView
  readonly answeredAtMs: number | null
  /** What was promised, when the call was made to keep it. */
  readonly promised: CallbackView | undefined
}

export const Record = memoInWords(function Record({ work, unknown, moreHeadStartMs, keptPlace, showsMessage, centre, answeredAtMs, promised }: Props) {
  const promisedBy = useSeen(({ seats }) => seats.find((s) => s.id === promised?.agreedBy)?.name)
  const { customer, number, path, offeredAtMs, direction, campaign } = work
  const ofCampaign = centre.campaigns.find((c) => c.id === campaign?.campaignId)
  const written = useNumberWords()
  const about = centre.queues.find((q) => q.id === work.queueId)
  const queue = about?.name
  const headStartMs = (about?.headStartMs ?? 0) + moreHeadStartMs
  return (
    // What is known may scroll; the outcome and its Save below stay in view from the first second of the call.
    // biome-ignore lint/a11y/noNoninteractiveTabindex: what scrolls must be reachable by keyboard
    <section aria-label="Record" tabIndex={0} className="min-h-24 flex-1 overflow-auto px-4 pt-3 pb-3 -outline-offset-4">
      <h2 className="truncate font-semibold text-xl" title={callerWords(customer?.name, number, '')}>
        {callerWords(customer?.name, number, work.channel === 'call' ? 'Withheld number' : 'Nobody we know')}
      </h2>
      <p className="text-soft">
        {customer === null ? (
          unknownWords(number, unknown?.matches.length ?? 0)
        ) : (
          <span className="tabular text-ink">{number !== null && written(number)}</span>
        )}
        {customer !== null && customer.group !== '' && ` · ${customer.group}`} <AddToPeople work={work} />
      </p>
      {unknown !== undefined && <WhoCalls key={`who ${unknown.id}`} call={unknown} centre={centre} />}
      {work.fromThread != null && <FromThread of={work.fromThread} name={callerWords(customer?.name, number, 'They')} />}
      <dl className="mt-2 grid grid-cols-[6rem_1fr] gap-y-0.5">
        {promised !== undefined && (
          <Fact label="Callback">
            {promised.why === 'retry' ? `try ${promised.attempt} of ${promised.atMost}` : 'agreed'} by {promisedBy} for{' '}
            <span className="tabular">{format(promised.dueAtMs, 'd MMM HH:mm')}</span>
            {promised.note !== '' && (
              <span className="block">
                <NumberLinks text={promised.note} />
              </span>
            )}
          </Fact>
        )}
        {campaign !== null && (
          <>
            <Fact label="Campaign">{ofCampaign?.name}</Fact>
            {campaign.attemptId === null ? (
              <Fact label="Rang back">
                {campaign.record.tries === 0 ? 'never called' : campaign.record.tries === 1 ? 'after 1 try' : `after ${campaign.record.tries} tries`}
              </Fact>
            ) : (
              <Fact label="Try">
                {campaign.record.tries + 1}
                {ofCampaign !== undefined && <span className="text-soft"> of at most {ofCampaign.attempts.perRecord.inAll}</span>}
              </Fact>
            )}
          </>
        )}
        {direction === 'message' && <Fact label="Queue">{queue}</Fact>}
        {direction === 'inbound' && (
          <>
            <Fact label="Queue">{queue}</Fact>
            {(path !== null || work.channel === 'call') && <Fact label="Chose">{path ?? 'nothing'}</Fact>}
            <Fact label="Waited">
              <Clock sinceMs={offeredAtMs} untilMs={answeredAtMs} />
              {work.told?.expectedWaitMs != null && work.told.expectedWaitMs > 0 && (
                <span className="text-soft">
                  {' '}
                  · was told <span className="tabular">{formatClock(work.told.expectedWaitMs)}</span>
                </span>
              )}
            </Fact>
            {headStartMs > 0 && (
              <Fact label="Priority">
                <span className="tabular">+{formatClock(headStartMs)}</span>, as if they had waited that much longer
              </Fact>
            )}
            {keptPlace && <Fact label="Callback">hung up and kept the place</Fact>}
          </>
        )}
        {customer?.facts.map((fact) => (
          <Fact key={fact.label} label={fact.label}>
            {fact.value}
          </Fact>
        ))}
      </dl>
      {work.messageId !== null && showsMessage && <MessageInHand messageId={work.messageId} />}
      <PreviousContacts key={work.id} work={work} centre={centre} />
    </section>
  )
})

const unknownWords = (number: string | null, matches: number): string =>
  number === null ? 'No number was sent' : matches > 0 ? 'Several people have this number' : 'Nobody we know has this number'

function Fact({ label, children }: { label: string; children: React.ReactNode }) {
  return (
    <>
      <dt className="text-soft">{label}</dt>
      <dd className="min-w-0 break-words">{children}</dd>
    </>
  )
}

const SHOWN = 3

function PreviousContacts({ work, centre }: { work: Work; centre: CentreView }) {
  const name = work.customer?.name ?? null
  const { id: callId, number } = work
  const { value, problem } = useHistory(useCallback((api) => api.previousContacts({ customer: name, number }, callId), [name, number, callId]))
  // Over all channels it is one list.
  const earlier = value === null ? [] : [...value.latest, ...value.written].toSorted((a, b) => b.offeredAtMs - a.offeredAtMs)
  return (
    <div className="mt-3">
      <h3 className="eyebrow">Previous contacts{value !== null && value.count > 0 && ` (${value.count})`}</h3>
      {problem !== null && <p className="text-red">Could not be read: {problem}</p>}
      {value === null && problem === null && <p className="text-soft">Looking…</p>}
      {value?.count === 0 && (
        <p className="text-soft">{work.channel === 'call' ? 'None. This is the first call we know of.' : 'None. This is the first time we hear of them.'}</p>
      )}
      <ul className="divide-y divide-line">
        {earlier
          .slice(0, SHOWN)
          .map((contact) =>
            'workId' in contact ? (
              <WrittenContact key={contact.workId} record={contact} centre={centre} />
            ) : (
              <PreviousContact key={contact.callId} record={contact} centre={centre} />
            ),
          )}
      </ul>
      {value !== null && <More of={value.count} shown={SHOWN} what="the search under Results has them" />}
    </div>
  )
}

function WrittenContact({ record, centre }: { record: WrittenRecord; centre: CentreView }) {
  const label =
    record.outcome === null ? (record.calledAs === null ? 'not coded' : 'went on as a call') : (outcomeLabels(centre)[record.outcome] ?? record.outcome)
  return (
    <li className="grid grid-cols-[6rem_1fr] py-1">
      <span className="tabular text-soft text-xs leading-5">{format(record.offeredAtMs, 'd MMM HH:mm')}</span>
      <span className="min-w-0 truncate">
        {CHANNEL_WORDS[record.channel]}: {label}
        <span className="text-soft"> · {record.queue}</span>
        {record.notes !== '' && <span className="text-soft"> · {record.notes}</span>}
      </span>
    </li>
  )
}

function PreviousContact({ record, centre }: { record: CallRecord; centre: CentreView }) {
  return (
    <li className="grid grid-cols-[6rem_1fr] py-1">
      <span className="tabular text-soft text-xs leading-5">{format(record.offeredAtMs, 'd MMM HH:mm')}</span>
      <span className="min-w-0 truncate">
        {record.outcome === null ? resultWords(record.result) : outcomeLabel(centre, record)}
        <span className="text-soft"> · {behalfWords(record)}</span>
        {record.notes !== '' && (
          <span className="text-soft">
            {' '}
            · <NumberLinks text={record.notes} />
          </span>
        )}
      </span>
    </li>
  )
}

/** What was written before they were rung. */
function FromThread({ of: { channel, lines }, name }: { of: NonNullable<Work['fromThread']>; name: string }) {
  return (
    <details className="mt-1 border-line-strong border-l-2 pl-2" open>
      <summary className="cursor-pointer font-semibold">{FROM[channel]}</summary>
      <ol className="max-h-40 overflow-auto">
        {lines.slice(-40).map((line) => (
          <li key={line.no} className="py-0.5">
            <span className="tabular text-soft text-xs">{format(line.atMs, 'HH:mm')}</span> <strong>{line.byAgentId === null ? name : 'Us'}</strong>{' '}
            <span dir="auto" className="whitespace-pre-wrap [overflow-wrap:anywhere]">
              {line.text.slice(0, 500)}
            </span>
          </li>
        ))}
      </ol>
    </details>
  )
}

const FROM = { chat: 'From the chat', mail: 'From the mail', text: 'From the texts' } as const
