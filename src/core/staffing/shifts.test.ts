import fc from 'fast-check'
import highs from 'highs'
import { describe, expect, test } from 'vitest'
import { layShifts, type ShiftKind, type ShiftWish, type SolveProgram } from './shifts'

const solver = await highs()
const solve: SolveProgram = (program) => {
  const { Status, ObjectiveValue, Columns } = solver.solve(program, { mip_rel_gap: 0 })
  return {
    objective: ObjectiveValue,
    isOptimal: Status === 'Optimal',
    values: Object.fromEntries(Object.entries(Columns).map(([name, c]) => [name, 'Primal' in c ? c.Primal : 0])),
  }
}

const FULL: ShiftKind = {
  name: 'Full',
  quarters: 32,
  breaks: [
    { quarters: 1, from: 6, to: 9 },
    { quarters: 2, from: 14, to: 18 },
    { quarters: 1, from: 23, to: 27 },
  ],
}
const SHORT: ShiftKind = { name: 'Short', quarters: 16, breaks: [{ quarters: 1, from: 6, to: 10 }] }
const TINY: ShiftKind = { name: 'Tiny', quarters: 3, breaks: [{ quarters: 1, from: 1, to: 1 }] }

const day = (of: (q: number) => number) => Array.from({ length: 96 }, (_, q) => of(q))
const sum = (values: readonly number[]) => values.reduce((a, b) => a + b, 0)

describe('plans that can be counted by hand', () => {
  test.each<{ says: string; wish: ShiftWish; shifts: number; missing: number; cost: number }>([
    { says: 'nothing is needed', wish: { need: day(() => 0), kinds: [FULL], agents: 9, beginEvery: 2 }, shifts: 0, missing: 0, cost: 0 },
    { says: 'nobody is there', wish: { need: day((q) => (q < 4 ? 2 : 0)), kinds: [FULL], agents: 0, beginEvery: 2 }, shifts: 0, missing: 8, cost: 8 * 33 },
    { says: 'there is no kind of shift', wish: { need: day((q) => (q < 4 ? 2 : 0)), kinds: [], agents: 5, beginEvery: 2 }, shifts: 0, missing: 8, cost: 8 },
    // Two in turn cover each other's break, a third is not needed.
    {
      says: 'breaks are taken in turn',
      wish: { need: day((q) => (q >= 32 && q < 64 ? 1 : 0)), kinds: [FULL], agents: 9, beginEvery: 2 },
      shifts: 2,
      missing: 0,
      cost: 64,
    },
    // One of two has a break in any case, and it can be where nobody is needed.
    {
      says: 'a break lies where little is needed',
      wish: { need: day((q) => (q === 47 ? 0 : q >= 40 && q < 56 ? 1 : 0)), kinds: [SHORT], agents: 9, beginEvery: 1 },
      shifts: 1,
      missing: 0,
      cost: 16,
    },
    {
      says: 'one is too few for a break',
      wish: { need: day((q) => (q >= 40 && q < 56 ? 1 : 0)), kinds: [SHORT], agents: 1, beginEvery: 1 },
      shifts: 1,
      missing: 1,
      cost: 16 + 17,
    },
  ])('$says', ({ wish, shifts, missing, cost }) => {
    const plan = layShifts(wish, solve)
    expect({ shifts: plan.shifts.length, missing: sum(plan.missing), cost: plan.cost }).toEqual({ shifts, missing, cost })
  })

  test.each([
    { says: 'half an agent', wish: { agents: 1.5 }, names: /agents is 1.5/ },
    { says: 'a need below 0', wish: { need: [0, -1] }, names: /quarter 1/ },
    {
      says: 'breaks that overlap',
      wish: {
        kinds: [
          {
            ...FULL,
            breaks: [
              { quarters: 2, from: 4, to: 6 },
              { quarters: 1, from: 7, to: 8 },
            ],
          },
        ],
      },
      names: /before the one before/,
    },
    { says: 'a break beyond the end', wish: { kinds: [{ ...SHORT, breaks: [{ quarters: 2, from: 4, to: 15 }] }] }, names: /after its shift/ },
    { says: 'a shift without length', wish: { kinds: [{ ...SHORT, quarters: 0 }] }, names: /at least one/ },
  ])('$says is refused', ({ wish, names }) => {
    expect(() => layShifts({ need: [], kinds: [], agents: 1, beginEvery: 1, ...wish }, solve)).toThrow(names)
  })
})

test('every plan keeps to its shifts, breaks and number of agents, costs what it says and no less than its bound', () => {
  const need = fc.array(fc.integer({ min: 0, max: 4 }), { minLength: 20, maxLength: 40 })
  const kinds = fc.subarray([SHORT, TINY], { minLength: 1 })
  fc.assert(
    fc.property(need, kinds, fc.integer({ min: 0, max: 9 }), fc.constantFrom(1, 2), (need, kinds, agents, beginEvery) => {
      const plan = layShifts({ need, kinds, agents, beginEvery }, solve)
      expect(plan.shifts.length).toBeLessThanOrEqual(agents)
      const there = need.map(() => 0)
      for (const { kind, from, to, breaks } of plan.shifts) {
        expect(from % beginEvery).toBe(0)
        expect(to - from).toBe(kind.quarters)
        expect(breaks.map((b) => b.to - b.from)).toEqual(kind.breaks.map((b) => b.quarters))
        for (const [i, b] of breaks.entries()) {
          expect(b.from - from).toBeGreaterThanOrEqual(kind.breaks[i]?.from ?? Infinity)
          expect(b.from - from).toBeLessThanOrEqual(kind.breaks[i]?.to ?? -1)
        }
        for (let q = from; q < to; q++) if (!breaks.some((b) => b.from <= q && q < b.to)) there[q] = (there[q] ?? 0) + 1
      }
      expect(plan.atWork).toEqual(there)
      const missing = need.map((n, q) => Math.max(0, n - (there[q] ?? 0)))
      expect(plan.missing).toEqual(missing)
      const longest = Math.max(...kinds.map((k) => k.quarters))
      expect(plan.cost).toBe(sum(plan.shifts.map((s) => s.to - s.from)) + sum(missing) * (longest + 1))
      expect(plan.bound).toBe(plan.cost)
      // A solver that was stopped has found as much and proven less.
      const stopped = layShifts({ need, kinds, agents, beginEvery }, (program) => ({ ...solve(program), isOptimal: false }))
      expect(stopped.cost).toBe(plan.cost)
      expect(stopped.bound).toBeLessThanOrEqual(plan.cost)
    }),
    { numRuns: 60 },
  )
})

test('with few quarters nothing is cheaper than what was laid: every plan was tried', () => {
  const possible = (length: number) => Array.from({ length: length - 2 }, (_, from) => [from, from + 2])
  fc.assert(
    fc.property(fc.array(fc.integer({ min: 0, max: 2 }), { minLength: 3, maxLength: 6 }), fc.integer({ min: 0, max: 3 }), (need, agents) => {
      const costOf = (chosen: readonly (readonly number[])[]) =>
        3 * chosen.length + 4 * sum(need.map((n, q) => Math.max(0, n - chosen.filter((at) => at.includes(q)).length)))
      const all = (left: number): readonly (readonly (readonly number[])[])[] =>
        left === 0 ? [[]] : [[], ...possible(need.length).flatMap((one) => all(left - 1).map((rest) => [one, ...rest]))]
      expect(layShifts({ need, kinds: [TINY], agents, beginEvery: 1 }, solve).cost).toBe(Math.min(...all(agents).map(costOf)))
    }),
    { numRuns: 60 },
  )
})
