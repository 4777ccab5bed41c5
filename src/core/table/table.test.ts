import fc from 'fast-check'
import { expect, test } from 'vitest'
import { count, emptyTable, get, put, remove, type Table, values } from '@/core/table'

const operation = (key: fc.Arbitrary<string>) =>
  fc.oneof(
    { weight: 3, arbitrary: fc.record({ op: fc.constant('put' as const), key, value: fc.integer() }) },
    { weight: 1, arbitrary: fc.record({ op: fc.constant('remove' as const), key, value: fc.constant(0) }) },
  )

/** Few keys that are written again and again; many; and many whose hash is the same. */
const KEYS: readonly [string, fc.Arbitrary<string>][] = [
  ['few', fc.string({ maxLength: 3 })],
  ['many', fc.nat(4_000).map((n) => `call_${n}`)],
  ['of one hash', fc.array(fc.constantFrom('Aa', 'BB'), { minLength: 7, maxLength: 7 }).map((parts) => parts.join(''))],
]

test.each(KEYS)('with %s keys a table behaves as a map does, and earlier versions stay as they were', (_says, key) => {
  fc.assert(
    fc.property(fc.array(operation(key), { maxLength: 400, size: 'max' }), (operations) => {
      const model = new Map<string, number>()
      let table: Table<number> = emptyTable()
      for (const [i, { op, key: at, value }] of operations.entries()) {
        const before = table
        const frozen = i % 40 === 0 ? JSON.stringify(before) : null
        if (op === 'put') {
          table = put(table, at, value)
          model.set(at, value)
        } else {
          table = remove(table, at)
          model.delete(at)
        }
        if (frozen !== null) expect(JSON.stringify(before)).toBe(frozen)
        expect(get(table, at)).toBe(model.get(at))
      }
      for (const [at, value] of model) expect(get(table, at)).toBe(value)
      expect(count(table)).toBe(model.size)
      expect(values(table).sort((a, b) => a - b)).toEqual([...model.values()].sort((a, b) => a - b))
      expect(JSON.parse(JSON.stringify(table))).toEqual(table)
    }),
    { numRuns: 40, seed: 3 },
  )
})

test('of a hundred thousand entries each is found over few and short lists', () => {
  let table: Table<number> = emptyTable()
  for (let i = 0; i < 100_000; i++) table = put(table, `+4416329${i}`, i)
  expect(count(table)).toBe(100_000)
  const lists: number[] = []
  const walk = (part: readonly unknown[], depth: number) => {
    expect(depth).toBeLessThan(8)
    if (Array.isArray(part[0])) for (const inner of part) walk(inner as readonly unknown[], depth + 1)
    else lists.push(part.length)
  }
  walk(table, 0)
  // What a change copies: one list and the nodes above it.
  expect(Math.max(...lists)).toBeLessThanOrEqual(32)
  expect(get(table, '+441632999999')).toBe(99_999)
})
