// The part of the floor's state that outlasts calls: what was promised, whom nobody may call, and what may still be corrected.
import { type Callback, evolveCallback } from '@/core/callbacks'
import type { Contact } from '@/core/contacts'
import { type DoNotCallList, emptyDoNotCall, evolveDoNotCall } from '@/core/do-not-call'
import type { AgentId, CallId, QueueId } from '@/core/ids'
import type { PromiseEvent } from '@/core/ledger'
import type { SetUp } from '@/core/set-up'
import { emptyTable, get, put, remove, type Table } from '@/core/table'
import { evolveTask, type Task } from '@/core/tasks'
import type { EpochMs } from '@/core/time'
import { type Due, withCallbackDue } from './due'

export interface Promised {
  /** Callbacks that are open. */
  readonly callbacks: Table<Callback>
  /** Tasks that are open in the customer record system. */
  readonly tasks: Table<Task>
  readonly doNotCall: DoNotCallList
  /** Numbers that do not belong to whom the records say. */
  readonly struck: readonly Struck[]
  /** Calls coded by agents who are still on that shift, by `codedKey`: what each of them may correct. */
  readonly coded: Table<Coded>
  /** The outcome each agent saved last of a call that was over, with the contact as it was: what can be taken back. */
  readonly lately: Table<Lately>
}

export interface Struck {
  readonly number: string
  readonly person: string
  readonly callId: CallId
  readonly byAgentId: AgentId
}

export interface Coded {
  readonly callId: CallId
  readonly agentId: AgentId
  readonly queueId: QueueId | null
  readonly dialled: boolean
  readonly code: string
}

/** Each agent codes their own part of a call. */
export const codedKey = (callId: CallId, agentId: AgentId): string => `${callId} ${agentId}`

export interface Lately {
  readonly agentId: AgentId
  readonly contact: Contact
  readonly savedAtMs: EpochMs
  /** It was wrapped up; otherwise it was only owed. */
  readonly inWrapUp: boolean
}

export const nothingPromised = (): Promised => ({
  callbacks: emptyTable<Callback>(),
  tasks: emptyTable<Task>(),
  doNotCall: emptyDoNotCall(),
  struck: [],
  coded: emptyTable<Coded>(),
  lately: emptyTable<Lately>(),
})

interface Kept extends Promised {
  readonly due: readonly Due[]
  readonly setUp: SetUp
}

/** With what has changed of it, and when time will change it next. */
export function withPromised<S extends Kept>(state: S, event: PromiseEvent, atMs: EpochMs): S {
  const next = { ...state, ...evolvePromised(state, event, atMs) }
  if (!('callbackId' in event)) return next
  const callback = get(next.callbacks, event.callbackId) ?? null
  return { ...next, due: withCallbackDue(state.due, event.callbackId, callback, state.setUp.callbackMissedAfterMs) }
}

function evolvePromised(state: Promised, event: PromiseEvent, atMs: EpochMs): Partial<Promised> {
  switch (event.kind) {
    case 'callbackAgreed':
    case 'callbackMoved':
    case 'callbackHandedOver':
    case 'callbackDialled':
    case 'callbackEscalated':
    case 'callbackClosed': {
      const { callbackId } = event
      const callback = evolveCallback(get(state.callbacks, callbackId), event, atMs)
      return { callbacks: callback === null ? remove(state.callbacks, callbackId) : put(state.callbacks, callbackId, callback) }
    }
    case 'doNotCallAdded':
    case 'doNotCallRemoved':
    case 'doNotCallWaived':
      return { doNotCall: evolveDoNotCall(state.doNotCall, event, atMs) }
    case 'numberStruck':
      return { struck: [...state.struck, { number: event.number, person: event.person, callId: event.callId, byAgentId: event.byAgentId }] }
    case 'numberRestored':
      // Whoever else struck it, with another call or as another agent of this one, has not taken that back.
      return {
        struck: state.struck.filter(
          (s) => s.number !== event.number || s.person !== event.person || s.callId !== event.callId || s.byAgentId !== event.byAgentId,
        ),
      }
    case 'taskFiled':
    case 'taskClosed': {
      const task = evolveTask(event, atMs)
      return { tasks: task === null ? remove(state.tasks, event.taskId) : put(state.tasks, event.taskId, task) }
    }
  }
}
