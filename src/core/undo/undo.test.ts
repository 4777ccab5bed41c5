import fc from 'fast-check'
import { expect, test } from 'vitest'
import { beginHistory, change, type History, redo, undo } from '@/core/undo'

const step = fc.record({ value: fc.integer(), of: fc.constantFrom('title', 'say', null) })
const typed = (steps: readonly { value: number; of: string | null }[]): History<number> =>
  steps.reduce((history, { value, of }) => change(history, value, of), beginHistory(0))

test('undoing everything gives the beginning, redoing everything the end', () => {
  fc.assert(
    fc.property(fc.array(step, { maxLength: 60 }), (steps) => {
      const end = typed(steps)
      let history = end
      while (history.past.length > 0) history = undo(history)
      expect(history.present).toBe(0)
      while (history.future.length > 0) history = redo(history)
      expect(history.present).toBe(end.present)
    }),
    { seed: 11 },
  )
})

test('letters typed into one field are one step, and those into another the next', () => {
  const history = typed([
    { value: 1, of: 'title' },
    { value: 2, of: 'title' },
    { value: 3, of: 'say' },
  ])
  expect(undo(history).present).toBe(2)
  expect(undo(undo(history)).present).toBe(0)
  expect(change(undo(history), 9, null).future).toEqual([])
})

test('nothing to undo or redo changes nothing', () => {
  const history = beginHistory(1)
  expect(undo(history)).toEqual(history)
  expect(redo(history)).toEqual(history)
  expect(change(history, 1, 'title')).toBe(history)
})
