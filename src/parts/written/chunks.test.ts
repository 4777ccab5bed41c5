import fc from 'fast-check'
import { expect, test } from 'vitest'
import { chunksOf } from './chunks'

test('joined, the parts are the text, whatever it is made of; none is long, and none begins in the middle of a character', () => {
  const words = fc.array(fc.constantFrom('boat', ' ', '\n', '🚢', 'é', 'x'.repeat(5_000)), { maxLength: 40 }).map((all) => all.join(''))
  const runs = fc.tuple(fc.constantFrom('🚢', 'w', 'ab '), fc.nat(6_000)).map(([what, times]) => what.repeat(times))
  fc.assert(
    fc.property(fc.oneof(words, runs), (text) => {
      const parts = chunksOf(text)
      expect(parts.join('')).toBe(text)
      for (const part of parts) {
        expect(part.length).toBeLessThanOrEqual(4_000)
        expect(/^[\uDC00-\uDFFF]|[\uD800-\uDBFF]$/.test(part)).toBe(false)
      }
    }),
    { numRuns: 300, seed: 1 },
  )
})
