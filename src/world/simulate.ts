// Runs a floor and a world together as fast as they go: past days for the demo, tests and the bench. The same
// decide and the same world as live, with the agenda as the clock.
import { seedFor } from '@/core/chance'
import { type Command, decide, openFloor, takeUp } from '@/core/floor'
import type { CarriedOver, LedgerEntry } from '@/core/ledger'
import type { SetUp } from '@/core/set-up'
import { createKeeper, type FloorState, floorOf, nextDueAtMs } from '@/core/state'
import { MINUTE } from '@/core/time'
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
}

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
  { seed, pace, day, setUp = stage.setUp, before = null }: DayRequest,
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
  const world = createWorld(stage, {
    seed: seedFor(seed, day),
    pace,
    plays: setUp.agents.filter((a) => a.role === 'agent').map((a) => a.id),
    day: { kind: 'calendar', day },
  })
  world.begin(state, zeroMs)
  yield* steps(state, world, zeroMs + stage.rhythm.hoursOf(weekdayOf(day)).closesMs + AFTER_CLOSING_MS, take)
  return keeper.leftBy(state, { from: before?.from ?? day, through: day })
}

/** Lets everything happen that is due up to and at `untilMs`; every command's entries go to `sink` in order. */
export function advance(state: FloorState, world: World, untilMs: number, sink: Sink): void {
  for (const _ of steps(state, world, untilMs, sink));
}

/** Everything due at one instant is a step. */
function* steps(state: FloorState, world: World, untilMs: number, sink: Sink): Generator<void, void> {
  const give = (command: Command, atMs: number) => {
    const decision = decide(state, command, { atMs })
    if (!decision.ok || decision.entries.length === 0) return
    sink(decision.entries)
    world.observe(decision.entries, state)
  }
  for (;;) {
    const dueAtMs = nextDueAtMs(state)
    const atMs = Math.min(world.nextAtMs() ?? Infinity, dueAtMs ?? Infinity)
    if (atMs > untilMs) return
    if (dueAtMs === atMs) give({ kind: 'passTime' }, atMs)
    const commands = world.takeDue(atMs, state)
    for (const command of commands ?? []) give(command, atMs)
    yield
  }
}
