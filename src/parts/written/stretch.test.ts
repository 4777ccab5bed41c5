import fc from 'fast-check'
import { expect, test } from 'vitest'
import { STRETCH, shownOf, withEarlier, withLater } from './stretch'

const HELD = 60
const lines = (from: number, to: number) => Array.from({ length: Math.max(0, to - from + 1) }, (_, i) => ({ no: from + i }))

test('turned to and fro while more is written, what is on the page is one stretch without a gap, never long, and everything can be reached', () => {
  const step = fc.oneof(fc.constantFrom('earlier', 'later', 'end' as const), fc.nat(90))
  fc.assert(
    fc.property(fc.integer({ min: 1, max: 2_000 }), fc.array(step, { maxLength: 60 }), (written, steps) => {
      let count = written
      let read: readonly { no: number }[] | null = null
      const held = () => lines(Math.max(1, count - HELD + 1), count)
      const shown = () => shownOf(read, held())
      const turn = (to: 'earlier' | 'later') => {
        const [first, last] = [shown()[0]?.no ?? 1, shown().at(-1)?.no ?? count]
        read =
          to === 'earlier' ? withEarlier(shown(), lines(Math.max(1, first - 200), first - 1)) : withLater(shown(), lines(last + 1, Math.min(count, last + 100)))
      }
      for (const one of steps) {
        if (typeof one === 'number') count += one
        else if (one === 'end') read = null
        else turn(one)
        const now = shown().map((l) => l.no)
        expect(now).toEqual(lines(now[0] ?? 1, (now[0] ?? 1) + now.length - 1).map((l) => l.no))
        expect(now.length).toBeLessThanOrEqual(STRETCH + HELD)
      }
      for (let i = 0; i < 20 && (shown()[0]?.no ?? 1) > 1; i++) turn('earlier')
      expect(shown()[0]?.no).toBe(1)
      for (let i = 0; i < 60 && shown().at(-1)?.no !== count; i++) turn('later')
      expect(shown().at(-1)?.no).toBe(count)
    }),
    { numRuns: 300, seed: 2 },
  )
})
