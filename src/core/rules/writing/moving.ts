// Written work goes on to somebody else: handed on by who has it, or moved by whoever answers for the floor.
import type { Agent } from '@/core/agents'
import { leaveWork } from '@/core/rules/closing'
import { barred } from '@/core/rules/rights'
import { refuse } from '@/core/rules/rule'
import { agentName } from '@/core/set-up'
import { type Draft, emit, roomOf } from '@/core/state'
import { get } from '@/core/table'
import { isOverThread, type Thread, takesRoomAs, threadWaitsIn } from '@/core/threads'
import type { MovedTo, Of, Ruling } from './commands'

/** With all that was said so far; who hands it on owes their part of it. Refused: yoursAlready, targetUnknown, notThere, noRoomThere, channelNotTaken. */
export function handThreadOn(draft: Draft, agent: Agent, thread: Thread, { to }: Of<'handThreadOn'>): Ruling {
  if (to.kind === 'agent' && to.agentId === agent.id) return refuse({ reason: 'yoursAlready' })
  return mayTake(draft, thread, to) ?? handOn(draft, thread, to, agent.id)
}

/**
 * For those who supervise: out of the line it waits in, out of the hands it is offered to, is in or was parked by, which owe their part of it.
 * Refused: noSuchThread, isThereAlready, targetUnknown, notThere, noRoomThere, channelNotTaken.
 */
export function moveThread(draft: Draft, { agentId, threadId, to }: Of<'moveThread'>): Ruling {
  const refused = barred(draft.state, agentId, 'supervision')
  if (refused !== null) return refused
  const thread = get(draft.state.threads, threadId)
  if (thread === undefined || isOverThread(thread)) return refuse({ reason: 'noSuchThread' })
  const isThere = to.kind === 'queue' ? threadWaitsIn(thread) === to.queueId : thread.agentId === to.agentId && thread.state !== 'parked'
  return isThere ? refuse({ reason: 'isThereAlready' }) : (mayTake(draft, thread, to) ?? handOn(draft, thread, to, agentId))
}

function handOn(draft: Draft, { id: threadId, agentId: had, state }: Thread, to: MovedTo, byAgentId: Agent['id']): Ruling {
  emit(draft, null, { kind: 'threadHandedOn', threadId, byAgentId, to })
  if (state === 'open' && had !== null) leaveWork(draft, draft.state.seq, had, threadId)
  return null
}

function mayTake({ state }: Draft, thread: Thread, to: MovedTo): Ruling {
  const { channel } = thread
  if (to.kind === 'queue') {
    const queue = state.setUp.queues.find((q) => q.id === to.queueId && !q.retired)
    if (queue === undefined) return refuse({ reason: 'targetUnknown' })
    return queue.writes.some((w) => w.channel === channel) ? null : refuse({ reason: 'channelNotTaken', queue: queue.name, channel })
  }
  const colleague = get(state.agents, to.agentId)
  if (colleague === undefined) return refuse({ reason: 'targetUnknown' })
  if (colleague.shift === null) return refuse({ reason: 'notThere', name: agentName(state.setUp, to.agentId) })
  return roomOf(state, colleague, takesRoomAs(thread)) === 0 ? refuse({ reason: 'noRoomThere', name: agentName(state.setUp, to.agentId) }) : null
}
