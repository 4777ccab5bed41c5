// What colleagues write to each other, as each account is shown it: its own circles, the last lines of each.
import { type Circle, type CircleLine, type CircleOf, circleKey, unreadBy } from '@/core/circles'
import type { AgentId } from '@/core/ids'
import { folded } from '@/core/people'
import { isAmong } from '@/core/rules/circles'
import { type FloorState, revisionOf } from '@/core/state'
import { values } from '@/core/table'

export interface CircleView {
  readonly key: string
  readonly of: CircleOf
  /** The last of them. */
  readonly lines: readonly CircleLine[]
  readonly lineCount: number
  readonly unread: number
  readonly readTo: Circle['readTo']
}

/** A line in which what was looked for occurs. */
export interface FoundLine {
  readonly key: string
  readonly of: CircleOf
  readonly line: CircleLine
}

const SHOWN = 60
const FOUND = 50

export function createCirclesPart(state: FloorState): (accountId: AgentId) => readonly CircleView[] {
  let revision = -1
  const shown = new Map<AgentId, readonly CircleView[]>()
  return (accountId) => {
    const now = revisionOf(state, 'circles')
    if (now !== revision) shown.clear()
    revision = now
    const known = shown.get(accountId)
    if (known !== undefined) return known
    const views = values(state.circles)
      .filter((circle) => isAmong(circle, accountId))
      .map((circle) => viewOf(circle, accountId))
      .toSorted((a, b) => (b.lines.at(-1)?.atMs ?? 0) - (a.lines.at(-1)?.atMs ?? 0))
    shown.set(accountId, views)
    return views
  }
}

/** Of a group whoever came to it later sees what was for them. */
const isFor = (line: CircleLine, { kind }: CircleOf, accountId: AgentId): boolean =>
  kind === 'pair' || line.byAgentId === accountId || line.to.includes(accountId)

const viewOf = (circle: Circle, accountId: AgentId): CircleView => ({
  key: circleKey(circle.of),
  of: circle.of,
  lineCount: circle.lineCount,
  readTo: circle.readTo,
  lines: circle.lines.filter((l) => isFor(l, circle.of, accountId)).slice(-SHOWN),
  unread: unreadBy(circle, accountId).length,
})

/** The latest first, of all that is kept at hand. */
export function searchCircles(state: FloorState, accountId: AgentId, search: string): readonly FoundLine[] {
  const wanted = folded(search)
  if (wanted === '') return []
  return values(state.circles)
    .filter((circle) => isAmong(circle, accountId))
    .flatMap(({ of, lines }) =>
      lines.flatMap((line) => (isFor(line, of, accountId) && folded(line.text).includes(wanted) ? [{ key: circleKey(of), of, line }] : [])),
    )
    .toSorted((a, b) => b.line.atMs - a.line.atMs)
    .slice(0, FOUND)
}
