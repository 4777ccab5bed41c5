// Messages among colleagues, folded from their events: the lines, to whom each was delivered, and how far everybody has read.
import type { AgentId } from '@/core/ids'
import type { EpochMs } from '@/core/time'
import type { CircleEvent, CircleOf } from './event'

/** Characters of a message; longer is refused, never cut. */
export const LONGEST_WORDS = 10_000
/** How many of the last are kept at hand; all of them are in the ledger. */
export const LINES_OF_CIRCLE = 500

export interface CircleLine {
  /** 1, 2, 3 … within the circle. */
  readonly no: number
  readonly atMs: EpochMs
  readonly byAgentId: AgentId
  readonly text: string
  readonly to: readonly AgentId[]
  readonly deliveredTo: readonly AgentId[]
}

export interface Circle {
  readonly of: CircleOf
  readonly lines: readonly CircleLine[]
  readonly lineCount: number
  /** Through which line everybody has read. */
  readonly readTo: Readonly<Record<AgentId, number>>
}

export function circleKey(of: CircleOf): string {
  switch (of.kind) {
    case 'pair':
      return `pair ${of.agentIds.join(' ')}`
    case 'team':
      return `team ${of.team}`
    case 'queue':
      return `queue ${of.queueId}`
  }
}

/** Two colleagues, the same from both sides. */
export const pairOf = (one: AgentId, other: AgentId): CircleOf => ({ kind: 'pair', agentIds: one < other ? [one, other] : [other, one] })

/** The other one of a pair; null of a group, and for whoever is not one of them. */
export const partnerIn = (of: CircleOf, agentId: AgentId): AgentId | null =>
  of.kind === 'pair' && of.agentIds.includes(agentId) ? (of.agentIds.find((id) => id !== agentId) ?? null) : null

export const lastReadBy = ({ readTo }: Pick<Circle, 'readTo'>, agentId: AgentId): number => readTo[agentId] ?? 0

/** Lines for somebody that they have not read. */
export const unreadBy = (circle: Circle, agentId: AgentId): readonly CircleLine[] =>
  circle.lines.filter((line) => line.no > lastReadBy(circle, agentId) && line.to.includes(agentId))

export function evolveCircle(circle: Circle | undefined, event: CircleEvent, atMs: EpochMs): Circle {
  const before = circle ?? { of: event.circle, lines: [], lineCount: 0, readTo: {} }
  if (event.kind === 'circleRead')
    return { ...before, readTo: { ...before.readTo, [event.agentId]: Math.max(event.throughNo, lastReadBy(before, event.agentId)) } }
  const { no, byAgentId, text, to, there } = event
  const line = { no, atMs, byAgentId, text, to, deliveredTo: there }
  // Whoever writes has read what stands above.
  return { ...before, lines: [...before.lines, line].slice(-LINES_OF_CIRCLE), lineCount: no, readTo: { ...before.readTo, [byAgentId]: no } }
}
