import { expect, test } from 'vitest'
import { writeThrough } from './durable'

test('what is written waits for the disk, what is read does not, and who asks for something else has it', () => {
  const asked: unknown[] = []
  class Database {
    transaction(...args: unknown[]) {
      asked.push(args)
      return this as never
    }
  }
  writeThrough(Database.prototype as never)
  const database = new Database()
  expect(database.transaction('floor', 'readwrite')).toBe(database)
  database.transaction('floor', 'readonly')
  database.transaction(['floor'], 'readwrite', { durability: 'relaxed' })
  expect(asked).toEqual([
    ['floor', 'readwrite', { durability: 'strict' }],
    ['floor', 'readonly', undefined],
    [['floor'], 'readwrite', { durability: 'relaxed' }],
  ])
})
