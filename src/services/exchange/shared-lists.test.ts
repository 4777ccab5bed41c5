import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { watch } from '@/core/state'
import { aCrowdedFloor, MANY, steps, toCommand } from '@/core/testing'
import { NO_LISTS, withChanges } from './lists'
import type { SharedLists } from './protocol'
import { createSharedView } from './shared-lists'
import { concerns, selectMe, selectMine } from './views'

const NOTHING = { left: null, reasons: null }

/** What a tab would be shown that asks for everything now. */
const anew = (state: Parameters<typeof createSharedView>[0]): SharedLists => {
  const view = createSharedView(state, () => NOTHING)
  view.refresh()
  return withChanges(NO_LISTS, view.whole())
}

describe('what is shown of a floor', () => {
  test('changes replayed on a tab’s copy are its view, whatever happens in whatever order', () => {
    let sent = 0
    let whole = 0
    fc.assert(
      fc.property(steps(160), (sequence) => {
        const floor = aCrowdedFloor()
        const shared = createSharedView(floor.state(), () => NOTHING)
        shared.refresh()
        let tab = withChanges(NO_LISTS, structuredClone(shared.whole()))
        for (const [wanted, inMs] of sequence) {
          floor.give(toCommand(floor, wanted), inMs)
          const { lists } = shared.refresh()
          if (lists !== null) {
            const before = tab
            // What crosses to a tab is a copy.
            tab = withChanges(tab, structuredClone(lists))
            for (const name of Object.keys(before) as (keyof SharedLists)[]) if (lists[name] === undefined) expect(tab[name]).toBe(before[name])
            sent += lists.seats?.rows.length ?? 0
            whole += floor.state().setUp.agents.length
          }
          expect(tab).toEqual(anew(floor.state()))
        }
      }),
      { numRuns: 14, seed: 5, endOnFailure: true },
    )
    // The change of a seat is not the change of all of them.
    expect(sent).toBeGreaterThan(100)
    expect(sent).toBeLessThan(whole / 4)
  })

  test('nobody’s own view changes without it being known that it may', () => {
    let changed = 0
    let spared = 0
    fc.assert(
      fc.property(steps(160), (sequence) => {
        const floor = aCrowdedFloor()
        const state = floor.state()
        const own = (agentId: (typeof MANY)[number]) => JSON.stringify([selectMe(state, agentId), selectMine(state, agentId)])
        const take = watch(state)
        take()
        for (const [wanted, inMs] of sequence) {
          const asked = toCommand(floor, wanted)
          const before = MANY.map(own)
          floor.give(asked, inMs)
          const keys = take()
          // Another set-up is everybody's matter, always.
          if (asked.kind === 'changeSetUp' || keys === null) continue
          for (const [i, agentId] of MANY.entries()) {
            const differs = own(agentId) !== before[i]
            const known = concerns(state, agentId, keys)
            if (differs) expect(known, `${agentId} after ${JSON.stringify(asked)}`).toBe(true)
            changed += differs ? 1 : 0
            spared += known ? 0 : 1
          }
        }
      }),
      { numRuns: 18, seed: 9, endOnFailure: true },
    )
    expect(changed).toBeGreaterThan(300)
    expect(spared).toBeGreaterThan(10 * changed)
  })
})
