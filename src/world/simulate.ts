// Runs a floor and a world together as fast as they go: past days for the demo, tests and the bench. The same
// decide and the same world as live, with the agenda as the clock.
import { seedFor } from '@/core/chance'
import { createDialer, type Dialer, type ListSourceOf } from '@/core/dialer'
import { type Command, decideToKeep, openFloor, takeUp } from '@/core/floor'
import type { CarriedOver, LedgerEntry } from '@/core/ledger'
import type { SetUp } from '@/core/set-up'
import { createKeeper, type FloorState, floorOf, nextDueAtMs } from '@/core/state'
import { MINUTE, SECOND } from '@/core/time'
import { type Day, startOfDayMs, weekdayOf } from './calendar'
import type { Pace } from './paces'
import type { Stage } from './stage'
import { createWorld, type World } from './world'

export interface DayRequest {
  readonly seed: number
  readonly pace: Pace
  readonly day: Day
  readonly setUp?: SetUp
  /** What the day before has left; nothing on the first of some days. */
  readonly before?: CarriedOver | null
  /** The calling lists as the day finds them, and leaves them; without them nobody works a campaign. */
  readonly lists?: ListSourceOf | null
}

/** How often past days ask how many are to be called: live it is eight times as often. */
const TICK_MS = 2 * SECOND

/** Calls still under way this long after closing are cut short by the end of the day's ledger. */
const AFTER_CLOSING_MS = 45 * MINUTE

/** One day of the floor with every seat played by stand-ins. The same request gives the same entries, byte for byte. */
export function simulateDay(stage: Stage, request: DayRequest): readonly LedgerEntry[] {
  const entries: LedgerEntry[] = []
  for (const _ of daySteps(stage, request, (more) => entries.push(...more)));
  return entries
}

type Sink = (entries: readonly LedgerEntry[]) => void

/** The same, one instant at a time: whoever walks it may pause between two. Returns what the day leaves to the next. */
export function* daySteps(
  stage: Stage,
  { seed, pace, day, setUp = stage.setUp, before = null, lists = null }: DayRequest,
  sink: (entries: readonly LedgerEntry[]) => void,
): Generator<void, CarriedOver> {
  const zeroMs = startOfDayMs(day, setUp.timeZone)
  // The seed stands in the ledger: in the name of its floor.
  const floorId = `d${day.replaceAll('-', '')}-${seed}`
  const keeper = createKeeper()
  const take = (entries: readonly LedgerEntry[]) => {
    for (const entry of entries) keeper.add(entry)
    sink(entries)
  }
  const opened = openFloor(floorId, setUp, zeroMs)
  take([opened])
  const state = floorOf(opened)
  if (before !== null) take(takeUp(state, before, { atMs: zeroMs }).entries)
  const callsAt = lists === null ? null : stage.rhythm.callsAt(weekdayOf(day), pace)
  const world = createWorld(stage, {
    seed: seedFor(seed, day),
    pace,
    plays: setUp.agents.filter((a) => a.role === 'agent').map((a) => a.id),
    day: { kind: 'calendar', day },
    worksCampaigns: callsAt !== null,
  })
  const calling =
    lists === null || callsAt === null
      ? null
      : {
          lists,
          dialer: createDialer({ seed: seedFor(seed, `dialer ${day}`), tickMs: TICK_MS }),
          fromMs: zeroMs + callsAt.fromMs,
          toMs: zeroMs + callsAt.toMs,
        }
  world.begin(state, zeroMs)
  yield* steps(state, world, zeroMs + stage.rhythm.hoursOf(weekdayOf(day)).closesMs + AFTER_CLOSING_MS, take, calling)
  return keeper.leftBy(state, { from: before?.from ?? day, through: day, simulated: { seed, campaigns: lists !== null } })
}

/** Lets everything happen that is due up to and at `untilMs`; every command's entries go to `sink` in order. */
export function advance(state: FloorState, world: World, untilMs: number, sink: Sink): void {
  for (const _ of steps(state, world, untilMs, sink));
}

interface Calling {
  readonly lists: ListSourceOf
  readonly dialer: Dialer
  /** Between these people are called. */
  readonly fromMs: number
  readonly toMs: number
}

/** When people are called next; null for not any more. */
function nextTickAtMs({ dialer, fromMs, toMs }: Calling, state: FloorState): number | null {
  const atMs = dialer.nextTickAtMs(state)
  return atMs === null || atMs >= toMs ? null : Math.max(atMs, fromMs)
}

/** Everything due at one instant is a step. */
function* steps(state: FloorState, world: World, untilMs: number, sink: Sink, calling: Calling | null = null): Generator<void, void> {
  const give = (command: Command, atMs: number): string | null => {
    const decision = decideToKeep(state, command, { atMs })
    if (!decision.ok) return decision.refusal.reason
    if (decision.entries.length === 0) return null
    sink(decision.entries)
    world.observe(decision.entries, state)
    calling?.lists.observe(decision.entries)
    calling?.dialer.observe(decision.entries)
    return null
  }
  for (;;) {
    const dueAtMs = nextDueAtMs(state)
    const tickAtMs = calling === null ? null : nextTickAtMs(calling, state)
    const atMs = Math.min(world.nextAtMs() ?? Infinity, dueAtMs ?? Infinity, tickAtMs ?? Infinity)
    if (atMs > untilMs) return
    if (dueAtMs === atMs) give({ kind: 'passTime' }, atMs)
    const commands = world.takeDue(atMs, state)
    for (const command of commands ?? []) give(command, atMs)
    if (calling !== null && tickAtMs === atMs) calling.dialer.tick(state, atMs, calling.lists, (command) => give(command, atMs))
    yield
  }
}
