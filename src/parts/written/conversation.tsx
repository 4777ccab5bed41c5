'use client'
// A chat, a mail or a text in front of the agent: who it is with and for how long, what was written, the answer, and what can be done with it.
import { format, isSameDay } from 'date-fns'
import { type Ref, useState } from 'react'
import type { Work } from '@/core/work'
import { Button, Clock, nameIn, Problem, useDraft } from '@/parts/ui'
import { CHANNEL_WORDS, listed, numberWords, threadName, useNumberWords } from '@/parts/words'
import { floorNow } from '@/services/exchange/floor-time'
import type { CentreView, MeView, ThreadView } from '@/services/exchange/protocol'
import { useCommand, useFloor, useSeen } from '@/services/exchange/react'
import { Colleagues } from './colleagues'
import { Compose, type ComposeHandle } from './compose'
import { allLines } from './earlier-lines'
import { Lines } from './lines'
import { Park } from './park'
import { queueAddress, SaveMail } from './save-mail'

interface Props {
  readonly me: MeView
  readonly centre: CentreView
  readonly thread: ThreadView
  readonly work: Work
  /** Whether its script stands beside it; null where it has none. */
  readonly onScript: { readonly shown: boolean; readonly toggle: () => void } | null
  readonly ref?: Ref<ComposeHandle>
}

const ENDS = { chat: 'End chat', mail: 'Close mail', text: 'End texts' } as const

export function Conversation({ me, centre, thread, work, onScript, ref }: Props) {
  const command = useCommand()
  const floor = useFloor()
  useNumberWords()
  const seats = useSeen((view) => view.seats) ?? NOBODY
  const [problem, setProblem] = useState<string | null>(null)
  const { id, channel, queueId, address, number, subject, state, agentId, askedIn, beganAtMs, withSinceMs, parkedUntilMs, keptFor } = thread
  const isMine = agentId === me.id && state === 'open'
  const readsAlong = askedIn.includes(me.id)
  const give = async (ask: Parameters<typeof command>[0]) => {
    const reply = await command(ask)
    setProblem(reply.ok ? null : `${reply.refusal.says} ${reply.refusal.next}`)
  }
  // Notes are sent a moment after they are typed: what was typed last goes along with the call.
  const [notes] = useDraft(`${id} notes`, work.notes)
  const [followUp] = useDraft(`${id} follow-up`, work.followUp)
  const ring = async () => {
    if (notes !== work.notes || followUp !== work.followUp) await command({ kind: 'draftNotes', callId: id, text: notes, followUp })
    await give({ kind: 'ringInstead', threadId: id })
  }
  const nameOf = (agent: string) => nameIn(seats, agent) || 'A colleague'
  const queue = nameIn(centre.queues, queueId)
  return (
    <section aria-label={`${CHANNEL_WORDS[channel]} with ${threadName(thread)}`} className="flex min-h-0 min-w-0 flex-1 flex-col bg-raised">
      <header className="shrink-0 border-line border-b px-5 pt-3 pb-2">
        <div className="flex items-baseline gap-3">
          <h2 className="min-w-0 truncate font-semibold text-lg" title={subject ?? threadName(thread)}>
            {subject ?? threadName(thread)}
          </h2>
          <span className="shrink-0 text-soft">
            {CHANNEL_WORDS[channel]} for {queue}
          </span>
          {onScript !== null && (
            <Button tone="quiet" className="ml-auto !h-6 shrink-0" aria-pressed={onScript.shown} onClick={onScript.toggle}>
              {onScript.shown ? 'Hide the script' : 'Show the script'}
            </Button>
          )}
        </div>
        <p className="mt-0.5 flex flex-wrap items-baseline gap-x-4 text-soft">
          {address !== threadName(thread) && <span className="tabular">{channel === 'text' ? numberWords(address) : address}</span>}
          {isMine && withSinceMs !== null && (
            <span>
              with you <Clock sinceMs={withSinceMs} />
            </span>
          )}
          <span>
            in all <Clock sinceMs={beganAtMs} />
          </span>
          {keptFor !== null && state !== 'ended' && <span className="text-brass-text">has left the chat and wants to be called</span>}
          {thread.follows !== null && <span>answers what was written to them before</span>}
          {askedIn.length > 0 && <span className="text-brass-text">{readAlong(askedIn.map((a) => (a === me.id ? 'you' : nameOf(a))))}</span>}
        </p>
        <div role="toolbar" aria-label="What can be done with it" className="mt-2 flex flex-wrap items-center gap-2">
          {isMine && (
            <>
              <Button tone="loss" className="!h-7" onClick={() => void give({ kind: 'endThread', threadId: id })}>
                {ENDS[channel]}
              </Button>
              <Colleagues thread={thread} me={me.id} />
              {channel !== 'chat' && <Park thread={thread} />}
              {channel === 'mail' && (
                <SaveMail
                  thread={{
                    ...{ workId: id, subject, theirAddress: address, theirName: threadName(thread) },
                    ourAddress: queueAddress(queue, centre.name),
                    ourName: centre.name,
                    nameOf,
                    lines: () => allLines(floor, thread),
                  }}
                />
              )}
              {number !== null && (
                <Button className="!h-7" tone={keptFor === null ? 'plain' : 'primary'} onClick={() => void ring()}>
                  Call {numberWords(number)}
                </Button>
              )}
            </>
          )}
          {state === 'parked' && parkedUntilMs !== null && (
            <>
              <span>
                Parked until <strong className="tabular">{untilWords(parkedUntilMs)}</strong>
              </span>
              <Button tone="primary" className="!h-7" onClick={() => void give({ kind: 'unparkThread', threadId: id })}>
                Take it up now
              </Button>
            </>
          )}
          {readsAlong && (
            <>
              <span>
                <strong>{nameOf(agentId ?? '')}</strong> has asked you in. {threadName(thread)} does not see you.
              </span>
              <Button className="!h-7" onClick={() => void give({ kind: 'askOut', threadId: id, toAgentId: me.id })}>
                Read along no more
              </Button>
            </>
          )}
          {state === 'ended' && <span className="border-brass border-l-4 pl-2">It has ended; choose its outcome.</span>}
        </div>
        {problem !== null && <Problem>{problem}</Problem>}
      </header>
      <Lines key={id} thread={thread} me={me.id} nameOf={nameOf} />
      {((isMine && (keptFor === null || askedIn.length > 0)) || readsAlong) && (
        <Compose
          key={`writes ${id}`}
          thread={thread}
          work={work}
          agentName={me.name}
          quickTexts={centre.quickTexts}
          asideOnly={!isMine || keptFor !== null}
          me={me.id}
          writer={threadName(thread)}
          nameOf={nameOf}
          {...(ref === undefined ? {} : { ref })}
        />
      )}
    </section>
  )
}

const NOBODY = [] as const

const readAlong = (names: readonly string[]): string => `${listed(names)} ${names.length === 1 && names[0] !== 'you' ? 'reads' : 'read'} along`

const untilWords = (atMs: number): string => format(atMs, isSameDay(atMs, floorNow()) ? 'HH:mm' : 'EEEE d MMMM, HH:mm')
