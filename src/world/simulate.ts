// Runs a floor and a world together as fast as they go: past days for the demo, tests and the bench. The same
// decide and the same world as live, with the agenda as the clock.
import { type Command, createFloor, decide, evolve, type FloorState, nextDueAtMs, openFloor } from '@/core/floor'
import type { LedgerEntry } from '@/core/ledger'
import type { SetUp } from '@/core/set-up'
import { DAY } from '@/core/time'
import { FENNHOLM } from '@/world/scenario'
import { CLOSES_MS } from './pace'
import type { Pace } from './paces'
import { createWorld, type World } from './world'

export interface DayRequest {
  readonly seed: number
  readonly pace: Pace
  /** 00:00 of the day, UTC. */
  readonly midnightMs: number
  readonly setUp?: SetUp
}

/** Calls still under way this long after closing are cut short by the end of the day's ledger. */
const AFTER_CLOSING_MS = 45 * 60_000

/** One day of the floor with every seat played by stand-ins. The same request gives the same entries, byte for byte. */
export function simulateDay(request: DayRequest): readonly LedgerEntry[] {
  const entries: LedgerEntry[] = []
  for (const _ of daySteps(request, (more) => entries.push(...more)));
  return entries
}

type Sink = (entries: readonly LedgerEntry[], state: FloorState) => void

/** The same, one instant at a time: whoever walks it may pause between two. */
export function* daySteps({ seed, pace, midnightMs, setUp = FENNHOLM }: DayRequest, sink: (entries: readonly LedgerEntry[]) => void): Generator<void> {
  const day = Math.floor(midnightMs / DAY)
  const opened = openFloor(`d${day}-${seed}`, setUp, midnightMs)
  sink([opened])
  const world = createWorld({
    seed: seed + day,
    pace,
    plays: setUp.agents.filter((a) => a.role === 'agent').map((a) => a.id),
    day: { kind: 'calendar', midnightMs },
  })
  const state = evolve(createFloor(`d${day}-${seed}`, setUp), opened.event, midnightMs)
  world.begin(state, midnightMs)
  yield* steps(state, world, midnightMs + CLOSES_MS + AFTER_CLOSING_MS, sink)
}

/** Lets everything happen that is due up to and at `untilMs`; every command's entries go to `sink` in order. */
export function advance(from: FloorState, world: World, untilMs: number, sink: Sink): FloorState {
  const walk = steps(from, world, untilMs, sink)
  for (;;) {
    const step = walk.next()
    if (step.done === true) return step.value
  }
}

/** Everything due at one instant is a step. */
function* steps(from: FloorState, world: World, untilMs: number, sink: Sink): Generator<void, FloorState> {
  let state = from
  const give = (command: Command, atMs: number) => {
    const decision = decide(state, command, { atMs })
    if (!decision.ok) return
    state = decision.state
    if (decision.entries.length === 0) return
    sink(decision.entries, state)
    world.observe(decision.entries, state)
  }
  for (;;) {
    const dueAtMs = nextDueAtMs(state)
    const atMs = Math.min(world.nextAtMs() ?? Infinity, dueAtMs ?? Infinity)
    if (atMs > untilMs) return state
    if (dueAtMs === atMs) give({ kind: 'passTime' }, atMs)
    const commands = world.takeDue(atMs, state)
    for (const command of commands ?? []) give(command, atMs)
    yield
  }
}
