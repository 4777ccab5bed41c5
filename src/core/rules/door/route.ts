// Waiting calls are offered to ready agents.
import type { FloorEvent } from '@/core/ledger'
import { anybodyWaits, assign, routingRules } from '@/core/queues'
import { awaitedAgents } from '@/core/rules/shift'
import { type Draft, readyAgents } from '@/core/state'
import { must } from '@/core/table'
import { offer } from './offer'

const FREES: ReadonlySet<FloorEvent['kind']> = new Set([
  'callQueued',
  'messageQueued',
  'connectionQueued',
  'callOverflowed',
  'agentReady',
  'workAssigned',
  'connectionCleared',
  'connectionFailed',
  'wrapUpEnded',
  'setUpChanged',
  'stormSwitched',
  'attemptMessagePlayed',
  'attemptEnded',
  // Whoever has put down what was written may be called again.
  'threadPassed',
  'threadParked',
  'threadHandedOn',
  'threadEnded',
  'threadCalled',
])

/** Whether a waiting call may find an agent after this that it could not find before. */
export const freesSomebody = ({ kind }: FloorEvent): boolean => FREES.has(kind)

/** Offers waiting calls to ready agents until one of the two runs out, and then messages. */
export function route(draft: Draft): void {
  if (anybodyWaits(draft.state.waiting)) assignLine(draft, 'waiting')
  // Whoever is ready still could take nobody who waits: they get what was left with their queues.
  if (anybodyWaits(draft.state.messagesWaiting)) assignLine(draft, 'messagesWaiting')
}

function assignLine(draft: Draft, line: 'waiting' | 'messagesWaiting'): void {
  const { agents, calls, setUp, storm, seq: causedBy } = draft.state
  const { promised, expected } = awaitedAgents(draft.state)
  const ready = [...readyAgents(draft.state)].flatMap((id) => (promised.has(id) ? [] : [must(agents, id)]))
  if (ready.length === 0) return
  for (const { callId, agentId } of assign(draft.state[line], (id) => must(calls, id), ready, routingRules(setUp, storm), expected))
    offer(draft, callId, agentId, causedBy)
}
