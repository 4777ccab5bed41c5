// Calls that wait in a parking slot.
import type { Call } from '@/core/calls'
import { agentName } from '@/core/set-up'
import type { FloorState } from '@/core/state'
import type { ParkedView } from './protocol'
import { labelOf } from './seat-view'

export const isParked = (call: Call | undefined): boolean => call?.connections.some((c) => c.party.kind === 'park') ?? false

/** A call that waits in a parking slot; null for others. */
export function parkedView(state: FloorState, call: Call): ParkedView | null {
  const slot = call.connections.find((c) => c.party.kind === 'park')
  if (slot?.party.kind !== 'park') return null
  const byName = call.handover === null ? null : agentName(state.setUp, call.handover.byAgentId)
  return { callId: call.id, slot: slot.party.slot, label: labelOf(state, call, call.handover?.byAgentId ?? null), sinceMs: slot.sinceMs, byName }
}
