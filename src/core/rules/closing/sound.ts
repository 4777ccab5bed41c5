// How the call sounded, as its agent says: with the path that carried their voice, and the line to the other end as far as it was measured.
import type { Agent } from '@/core/agents'
import { type Draft, emit } from '@/core/state'
import { get } from '@/core/table'
import type { Work } from '@/core/work'
import type { Of, Ruling } from './commands'

/** While it is on, and until it is coded; the last word counts. Refused: notYourCall. */
export function rateSound(draft: Draft, agent: Agent, work: Work, { cause }: Of<'rateSound'>): Ruling {
  const outside = get(draft.state.calls, work.id)?.connections.filter((c) => c.party.kind === 'outside') ?? []
  const line = outside.find((c) => c.line !== null)?.line ?? null
  return emit(draft, null, { kind: 'soundRated', callId: work.id, agentId: agent.id, cause, path: agent.shift?.soundPath ?? 'none', line })
}
