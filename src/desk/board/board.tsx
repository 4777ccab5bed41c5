'use client'
// The board: who hears whom, drawn as cords. You at the left edge, a row a call, the actions of a call at its end.
import type { Contact } from '@/core/contacts'
import { stateWords } from '@/desk/state-words'
import type { CallView, CentreView, MeView, QueueView } from '@/exchange/protocol'
import { Clock } from '@/ui'
import { type CallActions, CallRow } from './call-row'

interface Props {
  readonly me: MeView
  readonly centre: CentreView
  readonly queues: readonly QueueView[]
  readonly calls: readonly CallView[]
  readonly contacts: readonly Contact[]
  readonly actions: CallActions
  readonly problem: string | null
}

export function Board({ me, centre, queues, calls, contacts, actions, problem }: Props) {
  return (
    <section aria-label="Board" className="border-line-strong border-b bg-paper px-4">
      {calls.length === 0 ? (
        <IdleLine me={me} centre={centre} queues={queues} contacts={contacts} />
      ) : (
        <ul className="divide-y divide-line">
          {calls.map((call) => (
            <CallRow
              key={call.id}
              me={me}
              call={call}
              contact={contacts.find((c) => c.callId === call.id)}
              queueName={centre.queues.find((q) => q.id === contacts.find((c) => c.callId === call.id)?.queueId)?.name ?? null}
              holdLimitMs={centre.holdLimitMs}
              actions={actions}
            />
          ))}
        </ul>
      )}
      {problem !== null && (
        <p role="alert" className="mb-2 border-red border-l-4 pl-2 text-red">
          {problem}
        </p>
      )}
    </section>
  )
}

/** One line when nothing is on: what the desk waits for, or what it still owes. */
function IdleLine({ me, centre, queues, contacts }: Pick<Props, 'me' | 'centre' | 'queues' | 'contacts'>) {
  const owed = me.wrapUp === null ? undefined : contacts.find((c) => c.callId === me.wrapUp?.callId)
  const served = me.queueIds.map((id) => centre.queues.find((q) => q.id === id)?.name ?? id)
  const waiting = queues.filter((q) => me.queueIds.includes(q.id)).reduce((sum, q) => sum + q.waiting, 0)
  return (
    <p className="flex h-12 items-center gap-2">
      <span aria-hidden className="inline-block size-3 rounded-full border-2 border-ink bg-raised" />
      <span className="font-semibold">No call.</span>
      {owed !== undefined && (
        <span>
          The call with <strong>{owed.customer?.name ?? owed.number ?? 'a withheld number'}</strong> is over and owes an outcome.
        </span>
      )}
      {owed === undefined && me.state === 'ready' && (
        <span>
          Waiting for the next call from {listed(served)}.{waiting > 0 && ` ${waiting} waiting, being handed out.`}
        </span>
      )}
      {owed === undefined && me.state === 'notReady' && <span>Nothing rings here while you are {stateWords(me.state, me.reason).toLowerCase()}.</span>}
      {owed === undefined && me.state === 'ready' && (
        <span className="ml-auto text-soft">
          ready for <Clock sinceMs={me.sinceMs} />
        </span>
      )}
    </p>
  )
}

const listed = (names: readonly string[]): string => (names.length < 2 ? names.join('') : `${names.slice(0, -1).join(', ')} or ${names.at(-1)}`)
