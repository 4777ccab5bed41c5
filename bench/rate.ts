// How many commands a second the floor decides and folds, for few agents and for many; and how fast its events alone are folded, by the floor and by a
// plain reducer that copies what it changes. Runs under Node and, bundled, in Chromium.
import { createFloor, evolve, type FloorState } from '@/core/state'
import { aBusyFloor, keepBusy } from './busy-floor'
import { median, timed } from './statistics'

export interface Rates {
  readonly agents: number
  readonly commandsPerSecond: number
}

const COMMANDS = 24_000

export function commandRates(): Rates[] {
  return [15, 60, 1_000].map((agents) => {
    const floor = aBusyFloor(agents)
    keepBusy(floor, COMMANDS / 4)
    const spent = timed(5, () => {
      floor.entries.length = 0
      keepBusy(floor, COMMANDS)
    })
    return { agents, commandsPerSecond: Math.round((COMMANDS / median(spent)) * 1000) }
  })
}

/** Events folded a second: in place, and by a reducer that gives a new floor for each, its tables copied. */
export function foldRates(): { readonly inPlace: number; readonly copying: number } {
  const floor = aBusyFloor(60)
  keepBusy(floor, 4_000)
  const { entries } = floor
  const perSecond = (spent: readonly number[]) => Math.round((entries.length / median(spent)) * 1000)
  const begin = () => createFloor('bench', floor.state.setUp)
  const inPlace = timed(5, () => {
    const state = begin()
    for (const { event, atMs } of entries) evolve(state, event, atMs)
  })
  const copying = timed(3, () => {
    let state = begin()
    for (const { event, atMs } of entries) {
      state = copied(state)
      evolve(state, event, atMs)
    }
  })
  return { inPlace: perSecond(inPlace), copying: perSecond(copying) }
}

const copied = (state: FloorState): FloorState => ({
  ...state,
  agents: new Map(state.agents),
  calls: new Map(state.calls),
  work: new Map(state.work),
  due: new Map(state.due),
})
