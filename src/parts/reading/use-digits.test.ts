import { expect, test } from 'vitest'
import type { Question } from '@/core/scripts'
import { answerByDigit, firstUnanswered } from './use-digits'

const options = ['a', 'b', 'c'].map((value) => ({ value, label: value }))
const CHOICE: Question = { field: 'choice', label: 'Choice', kind: 'choice', options }
const SEVERAL: Question = { field: 'several', label: 'Several', kind: 'several', options }
const YES: Question = { field: 'yes', label: 'Yes', kind: 'yesNo' }
const TEXT: Question = { field: 'text', label: 'Text', kind: 'text', shape: null }

test.each([
  [CHOICE, null, 2, 'b'],
  [CHOICE, 'a', 4, undefined],
  [YES, null, 1, true],
  [YES, null, 2, false],
  [YES, null, 3, undefined],
  [SEVERAL, null, 1, ['a']],
  [SEVERAL, ['a'], 3, ['a', 'c']],
  [SEVERAL, ['a', 'c'], 1, ['c']],
  [TEXT, null, 1, undefined],
] as const)('%o, answered %o, digit %i', (question, before, digit, value) => {
  expect(answerByDigit(question, before, digit)).toEqual(value)
})

test('digits answer the first question of options that has no answer', () => {
  const page = [TEXT, CHOICE, YES]
  expect(firstUnanswered(page, {})).toBe('choice')
  expect(firstUnanswered(page, { choice: 'a' })).toBe('yes')
  expect(firstUnanswered(page, { choice: 'a', yes: false })).toBe(null)
})
