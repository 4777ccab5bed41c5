import fc from 'fast-check'
import { expect, test } from 'vitest'
import { dominance } from './dominance'

test('a page lies before another when no way leads there without it', () => {
  const graph = fc.integer({ min: 1, max: 9 }).chain((n) => fc.array(fc.array(fc.nat(n - 1), { maxLength: 4 }), { minLength: n, maxLength: n }))
  fc.assert(
    fc.property(graph, (ways) => {
      const onward = (id: string) => (ways[Number(id)] ?? []).map(String)
      const reached = (without: string | null) => {
        const seen = new Set<string>()
        const walk = (id: string) => {
          if (id === without || seen.has(id)) return
          seen.add(id)
          onward(id).forEach(walk)
        }
        walk('0')
        return seen
      }
      const liesBefore = dominance('0', onward)
      const all = reached(null)
      for (const a of all) {
        const around = reached(a)
        for (const b of all) expect(liesBefore(a, b)).toBe(!around.has(b))
      }
      for (const id of ways.keys()) if (!all.has(String(id))) expect(liesBefore('0', String(id))).toBe(false)
    }),
    { seed: 11, numRuns: 500 },
  )
})
