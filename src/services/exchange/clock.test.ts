import { describe, expect, test } from 'vitest'
import { createFloorClock } from './clock'

const HOUR = 3_600_000
function aComputer(startMs = 1_000 * HOUR) {
  let wallMs = startMs
  let elapsedMs = 5
  const clock = createFloorClock({ wall: () => wallMs, elapsed: () => elapsedMs }, 0)
  return {
    clock,
    pass(ms: number) {
      wallMs += ms
      elapsedMs += ms
    },
    set(byMs: number) {
      wallMs += byMs
    },
  }
}

describe('the floor’s clock', () => {
  test('is the computer’s while that is left alone', () => {
    const { clock, pass } = aComputer()
    const from = clock.now()
    expect(from).toBe(1_000 * HOUR)
    pass(1_234)
    expect(clock.now() - from).toBe(1_234)
    expect(clock.takeJump()).toBe(0)
  })

  test('set back, goes on with the time that passes, and says so once', () => {
    const { clock, pass, set } = aComputer()
    const from = clock.now()
    set(-2 * HOUR)
    pass(4_000)
    expect(clock.now() - from).toBe(4_000)
    expect(clock.takeJump()).toBe(-2 * HOUR)
    expect(clock.takeJump()).toBe(0)
    // Set right again, nothing leaps.
    set(2 * HOUR)
    pass(1_000)
    expect(clock.now() - from).toBe(5_000)
    expect(clock.takeJump()).toBe(2 * HOUR)
  })

  test('set ahead, or after sleep, the time in between has passed', () => {
    const { clock, pass, set } = aComputer()
    const from = clock.now()
    set(8 * HOUR)
    pass(10)
    expect(clock.now() - from).toBe(8 * HOUR + 10)
    expect(clock.takeJump()).toBe(8 * HOUR)
  })

  test('never goes back behind the ledger, whatever the computer says on opening', () => {
    const clock = createFloorClock({ wall: () => 5, elapsed: () => 1 }, 900)
    expect(clock.now()).toBe(900)
  })
})
