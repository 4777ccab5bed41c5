// What was written on earlier days is told again when it is carried over: in whose hands it was then is nothing that happens to them now, and what it
// took of their time belongs to it.
import type { AgentId, WorkId } from '@/core/ids'
import type { InHand } from '@/core/threads'
import type { EpochMs } from '@/core/time'
import { type OpenThread, shareOut } from './written'

export interface HandsThen {
  /** A piece came into somebody's hands, changed there, or left them (`hand` null). */
  moved(agentId: AgentId, threadId: WorkId, hand: InHand | null, atMs: EpochMs): void
}

/** Shares the clock of those days among the pieces that are told of, as they had them in hand. */
export function createHandsThen(written: ReadonlyMap<WorkId, OpenThread>): HandsThen {
  const open = new Map<AgentId, { readonly sinceMs: EpochMs; readonly pieces: readonly WorkId[] }>()
  return {
    moved(agentId, threadId, hand, atMs) {
      const { sinceMs, pieces } = open.get(agentId) ?? { sinceMs: atMs, pieces: [] }
      shareOut(written, agentId, pieces, atMs - sinceMs)
      const others = pieces.filter((id) => id !== threadId)
      open.set(agentId, { sinceMs: atMs, pieces: hand?.state === 'open' ? [...others, threadId] : others })
    },
  }
}
