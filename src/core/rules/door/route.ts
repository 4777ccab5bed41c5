// Waiting calls are offered to ready agents.
import type { FloorEvent } from '@/core/ledger'
import { anybodyWaits, assign, routingRules } from '@/core/queues'
import type { Draft } from '@/core/state'
import { must, values } from '@/core/table'
import { offer } from './offer'

const FREES: ReadonlySet<FloorEvent['kind']> = new Set([
  'callQueued',
  'connectionQueued',
  'callOverflowed',
  'agentReady',
  'connectionCleared',
  'connectionFailed',
  'wrapUpEnded',
  'setUpChanged',
  'stormSwitched',
])

/** Whether a waiting call may find an agent after this that it could not find before. */
export const freesSomebody = ({ kind }: FloorEvent): boolean => FREES.has(kind)

/** Offers waiting calls to ready agents until one of the two runs out. */
export function route(draft: Draft): void {
  if (!anybodyWaits(draft.state.waiting)) return
  const ready = values(draft.state.agents).filter((a) => a.state.name === 'ready')
  if (ready.length === 0) return
  const causedBy = draft.state.seq
  const { calls, waiting, setUp, storm } = draft.state
  for (const { callId, agentId } of assign(waiting, (id) => must(calls, id), ready, routingRules(setUp, storm))) offer(draft, callId, agentId, causedBy)
}
