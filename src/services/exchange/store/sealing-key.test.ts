// A key of an entry about several things: what is forgotten cannot be opened any more, and all others as before.
import fc from 'fast-check'
import { expect, test } from 'vitest'
import { aboutOf, keyOfEntry, keyOfThing, openedBy, type SealingKey, SealingKeySchema, sealedBy, withoutThings } from './sealing-key'

const things = fc.uniqueArray(fc.record({ about: fc.string({ minLength: 1 }), says: fc.uint8Array({ minLength: 1, maxLength: 200 }) }), {
  minLength: 2,
  maxLength: 20,
  selector: ({ about }) => about,
})

test('things are forgotten one after the other, in any order, and only they', () => {
  fc.assert(
    fc.property(things, fc.integer({ min: 1, max: 1e9 }), fc.infiniteStream(fc.nat()), (all, seq, draws) => {
      const key = keyOfEntry(
        seq,
        all.map(({ about, says }) => ({ about, length: says.length })),
      )
      const sealed = sealedBy(key, seq, Uint8Array.from(all.flatMap(({ says }) => [...says])))
      let now: SealingKey | null = key
      let left = all
      while (now !== null) {
        expect(SealingKeySchema.parse(structuredClone(now))).toEqual(now)
        expect(openedBy(now, seq, sealed)).toEqual(left.map(({ says }) => says))
        expect(aboutOf(now)).toEqual(left.map(({ about }) => about))
        const next = left[draws.next().value % left.length]
        const before: SealingKey = now
        now = withoutThings(before, (about) => about === next?.about)
        left = left.filter((thing) => thing !== next)
        if (now !== null) {
          // Nothing there gives the stream at another place than theirs.
          expect('key' in now).toBe(false)
          expect('stretches' in now ? now.stretches.map(({ stream }) => stream.length) : null).toEqual(left.map(({ says }) => says.length))
        }
      }
      expect(left).toEqual([])
    }),
  )
})

test('a key of one thing goes whole; what is not meant stays the same key; a changed byte is found', () => {
  const one = keyOfThing('call_1')
  const both = keyOfEntry(7, [
    { about: 'call_1', length: 2 },
    { about: 'call_2', length: 1 },
  ])
  for (const key of [one, both]) expect(withoutThings(key, (about) => about === 'call_3')).toBe(key)
  expect(withoutThings(one, (about) => about === 'call_1')).toBeNull()
  const sealed = sealedBy(both, 7, Uint8Array.of(1, 2, 3))
  for (let at = 0; at < sealed.length; at++) {
    const changed = sealed.slice()
    changed[at] = (changed[at] ?? 0) ^ 1
    expect(() => openedBy(both, 7, changed), `byte ${at}`).toThrow()
  }
  expect(() => openedBy(both, 8, sealed)).toThrow()
})
