import fc from 'fast-check'
import { expect, test } from 'vitest'
import { count, emptyTable, get, put, remove, type Table, values } from '@/core/table'

const operation = fc.oneof(
  fc.record({ op: fc.constant('put' as const), key: fc.string({ maxLength: 3 }), value: fc.integer() }),
  fc.record({ op: fc.constant('remove' as const), key: fc.string({ maxLength: 3 }), value: fc.constant(0) }),
)

test('a table behaves as a map does, and earlier versions stay as they were', () => {
  fc.assert(
    fc.property(fc.array(operation, { maxLength: 80 }), (operations) => {
      const model = new Map<string, number>()
      let table: Table<number> = emptyTable()
      for (const { op, key, value } of operations) {
        const before = table
        const frozen = JSON.stringify(before)
        if (op === 'put') {
          table = put(table, key, value)
          model.set(key, value)
        } else {
          table = remove(table, key)
          model.delete(key)
        }
        expect(JSON.stringify(before)).toBe(frozen)
        expect(get(table, key)).toBe(model.get(key))
      }
      expect(count(table)).toBe(model.size)
      expect(values(table).sort()).toEqual([...model.values()].sort())
      expect(JSON.parse(JSON.stringify(table))).toEqual(table)
    }),
  )
})
