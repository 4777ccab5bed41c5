import { describe, expect, test } from 'vitest'
import { latestSheets, type Sheet, SheetSchema } from '@/core/reviews'
import type { SetUp } from '@/core/set-up'
import { SMALL } from '@/core/testing'
import { addSheet, moved, newQuestion, withoutQuestion, withQuestion, withSheet } from './edit'

const question = (id: string) => ({ ...newQuestion(), id, label: id })
const SHEET: Sheet = { id: 'sheet_calls', version: 2, name: 'Calls', questions: [question('a'), question('b'), question('c')], retired: false }
const inUse: readonly Sheet[] = [{ ...SHEET, version: 1, name: 'Calls of before' }, SHEET]
const setUp: SetUp = { ...SMALL, reviewSheets: inUse }

describe('a review sheet that is changed', () => {
  test('leaves every version in use as it is, and is one further version however often it is changed', () => {
    const once = withSheet(setUp, inUse, { ...SHEET, name: 'Once' })
    const [latest] = latestSheets(once.reviewSheets)
    const twice = withSheet(once, inUse, { ...(latest as Sheet), name: 'Twice' })
    expect(twice.reviewSheets).toEqual([...inUse, { ...SHEET, version: 3, name: 'Twice' }])
  })

  test('one that is new is version 1 until it is put into use, with an id and a name nobody has', () => {
    const first = addSheet(setUp, inUse)
    const second = addSheet(first.setUp, inUse)
    expect(first.id).not.toBe(second.id)
    const made = latestSheets(second.setUp.reviewSheets).filter((s) => s.id !== 'sheet_calls')
    expect(made.map((s) => s.version)).toEqual([1, 1])
    expect(new Set(made.map((s) => s.name)).size).toBe(2)
    for (const sheet of made) expect(SheetSchema.parse(sheet)).toEqual(sheet)
  })

  test('questions are added under an id of their own, changed in their place, moved and taken out', () => {
    const added = withQuestion(SHEET, newQuestion(), { ...newQuestion(), label: 'A!', weight: 2 })
    expect(added.questions.map((q) => q.id)).toEqual(['a', 'b', 'c', 'a-2'])
    expect(withQuestion(added, question('b'), { ...question('b'), label: 'B', id: 'other' }).questions[1]).toMatchObject({ id: 'b', label: 'B' })
    expect(moved(SHEET, 'c', -1).questions.map((q) => q.id)).toEqual(['a', 'c', 'b'])
    expect(moved(SHEET, 'a', -1)).toEqual(SHEET)
    expect(moved(SHEET, 'c', 1)).toEqual(SHEET)
    expect(withoutQuestion(SHEET, 'b').questions.map((q) => q.id)).toEqual(['a', 'c'])
  })
})
