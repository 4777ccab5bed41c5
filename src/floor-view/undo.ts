// What would take an act on readiness back: every agent as they were.
import type { Ask } from '@/core/floor'
import type { AgentRow } from './agent-row'

/** Who was on a call or in wrap-up was neither: nothing is known to go back to. null where that holds for all. */
export function readinessUndo(agents: readonly AgentRow[]): readonly Ask[] | null {
  const steps = agents.flatMap(({ id, state, reason }): Ask[] => {
    if (state === 'ready') return [{ kind: 'setReadiness', agentIds: [id], ready: true, reason: '' }]
    return state === 'notReady' && reason !== null ? [{ kind: 'setReadiness', agentIds: [id], ready: false, reason }] : []
  })
  return steps.length === 0 ? null : steps
}
