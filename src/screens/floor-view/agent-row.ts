// Somebody on shift as a row of the Floor: what all see of them, and what only those see who answer for it.
import type { WatchedAgent } from '@/core/attention'
import type { Role } from '@/core/calls'
import type { CentreView, PieceView, SeatView, WatchedSeat } from '@/services/exchange/protocol'

export interface AgentRow extends SeatView {
  readonly watched: WatchedSeat | undefined
  /** How long the state is meant to take; null for as long as it takes. */
  readonly plannedMs: number | null
  readonly isPressing: boolean
  /** The queue or campaign they work for at the moment. */
  readonly behalf: string | null
  /** Chats, mails and texts in their hands. */
  readonly pieces: readonly PieceView[]
  /** Who has come to their call. */
  readonly besides: readonly { readonly name: string; readonly role: Role }[]
}

const NOBODY: AgentRow['besides'] = []
const NOTHING: readonly PieceView[] = []

export function rowsOf(seats: readonly SeatView[], watched: readonly WatchedSeat[], open: readonly PieceView[], centre: CentreView): readonly AgentRow[] {
  const nameOf = (id: string | null) => [...centre.queues, ...centre.campaigns].find((x) => x.id === id)?.name ?? null
  return seats
    .filter((s) => s.state !== 'signedOut')
    .map((seat) => {
      const own = watched.find((w) => w.id === seat.id)
      const reason = seat.state === 'notReady' ? centre.notReadyReasons.find((r) => r.name === seat.reason) : undefined
      const plannedMs = own?.wrapUp == null ? (reason?.plannedMs ?? null) : (own.wrapUp.limitMs ?? own.wrapUp.overMs)
      const besides =
        own === undefined || own.beside.length === 0
          ? NOBODY
          : own.beside.map(({ agentId, role }) => ({ name: seats.find((s) => s.id === agentId)?.name ?? 'Somebody', role }))
      const pieces = open.length === 0 ? NOTHING : open.filter((p) => p.agentId === seat.id && p.state === 'open')
      return { ...seat, pieces, besides, watched: own, plannedMs, isPressing: false, behalf: nameOf(own?.campaignId ?? own?.queueId ?? null) }
    })
    .toSorted((a, b) => a.name.localeCompare(b.name))
}

export const watchedAgent = ({ id, state, sinceMs, plannedMs, watched }: AgentRow): WatchedAgent => ({
  id,
  state,
  sinceMs,
  wrapUp: watched?.wrapUp ?? null,
  heldSinceMs: watched?.heldSinceMs ?? null,
  deskLostSinceMs: watched?.deskLostSinceMs ?? null,
  helpSinceMs: watched?.help == null || watched.help.takenBy !== null ? null : watched.help.sinceMs,
  plannedMs: state === 'notReady' ? plannedMs : null,
})
