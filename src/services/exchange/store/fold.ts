// Folds what is stored into a floor, decision by decision. One that cannot be read, or cannot follow on what came before, is left out whole, and the next
// one that follows is gone on from: half a decision is no state the floor was ever in, and what cannot be read costs no more than itself.
import { brokenBy } from '@/core/floor'
import { LEDGER_VERSION, type LedgerEntry, type LeftOutBecause, toLine } from '@/core/ledger'
import { createFloor, createJournal, evolve, type FloorState, rollBack } from '@/core/state'
import type { Piece } from './pieces'

/** Entries in whose place others stand now. */
export interface LeftOut {
  readonly fromSeq: number
  readonly toSeq: number
  readonly because: LeftOutBecause
  readonly reason: string
  /** As they were stored; nothing of those that were not there. */
  readonly lines: readonly { readonly seq: number; readonly line: string }[]
  /** What stands in their place, a line each. */
  readonly instead: readonly string[]
}

export interface Folded {
  /** null when the beginning is not there: nothing can be folded onto nothing. */
  readonly state: FloorState | null
  readonly leftOut: readonly LeftOut[]
  /** Why there is none. */
  readonly problem: string | null
}

/** `base` is gone on from, and changed in place. */
export async function fold(base: FloorState | null, places: AsyncIterable<readonly Piece[]>): Promise<Folded> {
  let state = base
  const leftOut: LeftOut[] = []
  let decision: Piece[] = []
  let noFloor: Folded = { state: null, leftOut, problem: null }
  /** Gives whether there is a floor to go on from. */
  const close = (): boolean => {
    const [first] = decision
    if (first === undefined) return true
    const problem = decision.find((p) => p.entry === null)
    state ??= emptyFloor(first.entry)
    if (state === null) {
      noFloor = { state, leftOut: [], problem: problem?.problem ?? 'its beginning is missing' }
      return false
    }
    const trouble = problem === undefined ? foldOne(state, decision, leftOut.length > 0) : null
    if (problem !== undefined) leftOut.push(leaveOut(state, decision, problem.line === null ? 'missing' : 'unreadable', problem.problem ?? ''))
    else if (trouble !== null) leftOut.push(leaveOut(state, decision, 'contradicts', trouble))
    decision = []
    return true
  }
  for await (const pieces of places)
    for (const piece of pieces) {
      if (piece.begins === true && !close()) return noFloor
      decision.push(piece)
    }
  return close() ? { state, leftOut, problem: null } : noFloor
}

const emptyFloor = (entry: LedgerEntry | null): FloorState | null =>
  entry?.event.kind === 'floorOpened' ? createFloor(entry.event.floorId, entry.event.setUp) : null

/**
 * Why the decision cannot follow; null when it was folded in. Folding throws only on entries that contradict what came before. Once something is left out,
 * what follows may also break what always holds without contradicting anything: it is asked as it is asked of a live decision.
 */
function foldOne(state: FloorState, decision: readonly Piece[], afterLoss: boolean): string | null {
  const journal = createJournal()
  try {
    evolveAll(state, decision, journal)
  } catch (error) {
    rollBack(state, journal)
    return `entry ${decision[0]?.seq} contradicts what came before (${error instanceof Error ? error.message : String(error)})`
  }
  const broken = afterLoss ? brokenBy(state, journal) : []
  if (broken.length === 0) return null
  const changes = [...journal.changes]
  rollBack(state, journal)
  const before = new Set(brokenBy(state, { changes }))
  const news = broken.filter((law) => !before.has(law))
  if (news.length > 0) return `entry ${decision[0]?.seq} contradicts what came before (${news.join('; ')})`
  // What was broken already is no fault of this one.
  evolveAll(state, decision, createJournal())
  return null
}

function evolveAll(state: FloorState, decision: readonly Piece[], journal: ReturnType<typeof createJournal>): void {
  for (const { entry } of decision) if (entry !== null) evolve(state, entry.event, entry.atMs, journal)
}

function leaveOut(state: FloorState, decision: readonly Piece[], because: LeftOutBecause, reason: string): LeftOut {
  const instead = decision.map(({ seq }): LedgerEntry => {
    const entry: LedgerEntry = { version: LEDGER_VERSION, seq, atMs: state.atMs, causedBy: null, event: { kind: 'entryLeftOut', because } }
    evolve(state, entry.event, entry.atMs)
    return entry
  })
  return {
    fromSeq: decision[0]?.seq ?? 0,
    toSeq: decision.at(-1)?.seq ?? 0,
    because,
    reason,
    lines: decision.flatMap(({ seq, line }) => (line === null ? [] : [{ seq, line }])),
    instead: instead.map(toLine),
  }
}
