import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { MINUTE } from '@/core/time'
import { againstPlan } from './against-plan'
import { type Spell, sessionsOf, timeSums } from './sessions'

const reason = (name: string, paid: boolean, plannedMs: number | null) => ({ name, paid, plannedMs, givenByFloor: false })
const REASONS = [reason('Break', true, 15 * MINUTE), reason('Lunch', false, 30 * MINUTE), reason('Training', true, null)]
const STATES = ['ready', 'onCall', 'wrapUp', 'notReady', 'listening'] as const

/** Spells one after the other, with gaps where somebody was home. */
const days = fc.array(
  fc.record({
    state: fc.constantFrom(...STATES),
    reason: fc.constantFrom('Break', 'Lunch', 'Training', 'Somebody retired this one'),
    lastsMs: fc.integer({ min: 1, max: 90 * MINUTE }),
    gapMs: fc.oneof({ weight: 5, arbitrary: fc.constant(0) }, { weight: 1, arbitrary: fc.integer({ min: 1, max: 60 * MINUTE }) }),
  }),
  { maxLength: 40 },
)
const spellsOf = (steps: readonly { state: Spell['state']; reason: string; lastsMs: number; gapMs: number }[]): readonly Spell[] => {
  let atMs = 1_000_000
  return steps.map(({ state, reason: why, lastsMs, gapMs }) => {
    const fromMs = atMs + gapMs
    atMs = fromMs + lastsMs
    return { state, reason: state === 'notReady' ? why : null, fromMs, toMs: atMs }
  })
}

test('sessions hold every spell once and are gapless within; what each adds up to is what the whole does', () => {
  fc.assert(
    fc.property(days, fc.integer({ min: 0, max: 7 }), (steps, turn) => {
      const spells = spellsOf(steps)
      const mixed = [...spells.slice(turn), ...spells.slice(0, turn)]
      const sessions = sessionsOf(mixed)
      expect(sessions.flatMap((s) => s.spells)).toEqual(spells)
      for (const { fromMs, toMs, spells: own } of sessions) {
        expect([own[0]?.fromMs, own.at(-1)?.toMs]).toEqual([fromMs, toMs])
        for (const [i, s] of own.entries()) expect(s.fromMs).toBe(i === 0 ? fromMs : own[i - 1]?.toMs)
      }
      expect(sessions).toHaveLength(spells.length === 0 ? 0 : 1 + steps.slice(1).filter((s) => s.gapMs > 0).length)
      const sums = timeSums(spells, REASONS)
      expect(sums.onShiftMs).toBe(sessions.reduce((sum, s) => sum + s.toMs - s.fromMs, 0))
      expect(Object.values(sums.byState).reduce((a, b) => a + b, 0)).toBe(sums.onShiftMs)
      expect(Object.values(sums.byReason).reduce((a, b) => a + b, 0)).toBe(sums.byState.notReady ?? 0)
    }),
  )
})

describe('reasons', () => {
  const spell = (why: string, minutes: number, fromMs = 0): Spell => ({ state: 'notReady', reason: why, fromMs, toMs: fromMs + minutes * MINUTE })
  test.each<{ says: string; spells: readonly Spell[]; unpaid: number; over: number; times: number }>([
    { says: 'within the plan', spells: [spell('Break', 15)], unpaid: 0, over: 0, times: 0 },
    { says: 'beyond it, each by itself', spells: [spell('Break', 20), spell('Break', 16), spell('Break', 5)], unpaid: 0, over: 6, times: 2 },
    { says: 'unpaid, and beyond', spells: [spell('Lunch', 40)], unpaid: 40, over: 10, times: 1 },
    { says: 'without a plan', spells: [spell('Training', 300)], unpaid: 0, over: 0, times: 0 },
    { says: 'of one that is gone', spells: [spell('Yoga', 300)], unpaid: 0, over: 0, times: 0 },
  ])('$says', ({ spells, unpaid, over, times }) => {
    expect(timeSums(spells, REASONS)).toMatchObject({ unpaidMs: unpaid * MINUTE, overPlanMs: over * MINUTE, overPlanCount: times })
  })
})

describe('a shift against its plan', () => {
  const H = 3_600_000
  const planned = { fromMs: 8 * H, toMs: 16 * H }
  test.each([
    { says: 'as planned', sessions: [[8, 16]], now: 20, is: { lateMs: 0, earlyMs: 0, missedMs: 0 } },
    { says: 'before it and beyond it', sessions: [[7, 17]], now: 20, is: { lateMs: 0, earlyMs: 0, missedMs: 0 } },
    {
      says: 'late, away in the middle, gone early',
      sessions: [
        [8.5, 12],
        [13, 15],
      ],
      now: 20,
      is: { lateMs: 0.5 * H, earlyMs: H, missedMs: 2.5 * H },
    },
    {
      says: 'a session before it that is none of it',
      sessions: [
        [6, 8],
        [9, 16],
      ],
      now: 20,
      is: { lateMs: H, earlyMs: 0, missedMs: H },
    },
    { says: 'not at all', sessions: [[17, 18]], now: 20, is: { lateMs: null, earlyMs: null, missedMs: 8 * H } },
    { says: 'going on', sessions: [[8, 12]], now: 12, is: { lateMs: 0, earlyMs: null, missedMs: 0 } },
    { says: 'not begun', sessions: [], now: 7, is: { lateMs: null, earlyMs: null, missedMs: 0 } },
    { says: 'not come yet', sessions: [], now: 9, is: { lateMs: null, earlyMs: null, missedMs: H } },
  ])('$says', ({ sessions, now, is }) => {
    const spans = sessions.map(([from = 0, to = 0]) => ({ fromMs: from * H, toMs: to * H }))
    expect(againstPlan(planned, spans, now * H)).toEqual(is)
  })
})
