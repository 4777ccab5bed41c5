// Chats, mails and texts that are not over, for those who answer for the floor: which wait, and in whose hands the others are.
import type { FloorState } from '@/core/state'
import { values } from '@/core/table'
import { isOverThread, type Thread, waitsForUsSinceMs } from '@/core/threads'

export interface PieceView extends Pick<Thread, 'id' | 'channel' | 'queueId' | 'agentId' | 'state' | 'beganAtMs' | 'subject' | 'lineCount'> {
  readonly label: string
  /** Since when the other side waits for us; null while it is their turn. */
  readonly waitsSinceMs: number | null
  /** Nobody has answered yet. */
  readonly unanswered: boolean
  /** They have gone, and are rung when their turn comes. */
  readonly keepsPlace: boolean
}

/** In the order they began. */
export const piecesOf = (state: FloorState): readonly PieceView[] =>
  values(state.threads)
    .filter((thread) => !isOverThread(thread))
    .toSorted((a, b) => a.beganAtMs - b.beganAtMs || (a.id < b.id ? -1 : 1))
    .map(pieceOf)

function pieceOf(thread: Thread): PieceView {
  const { id, channel, queueId, agentId, state, beganAtMs, subject, lineCount, customer, address, answeredAtMs } = thread
  const of = { id, channel, queueId, agentId, state, beganAtMs, subject, lineCount }
  return {
    ...of,
    label: customer?.name ?? address,
    waitsSinceMs: waitsForUsSinceMs(thread),
    unanswered: answeredAtMs === null,
    keepsPlace: thread.keptFor !== null,
  }
}
