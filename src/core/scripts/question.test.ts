import { describe, expect, test } from 'vitest'
import { type AnswerValue, type Condition, holds, type Known } from '@/core/scripts'
import { QuestionSchema, takeAnswer } from './question'

const OPTIONS = [
  { value: 'go', label: 'Go' },
  { value: 'stay', label: 'Stay' },
  { value: 'wait', label: 'Wait' },
]
const ask = (kind: string, more: object = {}) => QuestionSchema.parse({ field: 'it', label: 'It', kind, ...more })

describe('what a question takes', () => {
  test.each<{ says: string; question: ReturnType<typeof ask>; value: AnswerValue | null; kept?: AnswerValue | null; wants?: RegExp }>([
    { says: 'a choice that is offered', question: ask('choice', { options: OPTIONS }), value: 'go', kept: 'go' },
    { says: 'a choice that is not', question: ask('choice', { options: OPTIONS }), value: 'fly', wants: /one of Go, Stay, Wait/ },
    { says: 'several, in the order of the options', question: ask('several', { options: OPTIONS }), value: ['wait', 'go'], kept: ['go', 'wait'] },
    { says: 'one of several', question: ask('several', { options: OPTIONS }), value: 'stay', kept: ['stay'] },
    { says: 'several with a stranger', question: ask('several', { options: OPTIONS }), value: ['go', 'fly'], wants: /some of Go/ },
    { says: 'none of several takes the answer back', question: ask('several', { options: OPTIONS }), value: [], kept: null },
    { says: 'yes', question: ask('yesNo'), value: true, kept: true },
    { says: 'a word for yes', question: ask('yesNo'), value: 'yes', wants: /yes or no/ },
    { says: 'text, trimmed', question: ask('text', { shape: null }), value: '  a dog ', kept: 'a dog' },
    { says: 'blanks take the answer back', question: ask('text', { shape: null }), value: '   ', kept: null },
    { says: 'text of another shape', question: ask('text', { shape: { pattern: 'FL-\\d{6}', example: 'FL-204816' } }), value: 'FL-20', wants: /FL-204816/ },
    { says: 'a number as typed', question: ask('number', { least: 0, most: 60, unit: 't' }), value: ' 16,5 ', kept: 16.5 },
    { says: 'a number out of range', question: ask('number', { least: 0, most: 60, unit: 't' }), value: '61', wants: /a number from 0 to 60 \(t\)/ },
    { says: 'no number', question: ask('number', { least: 1, most: null, unit: '' }), value: 'many', wants: /a number of 1 or more/ },
    { says: 'a date', question: ask('moment', { of: 'date' }), value: '2026-11-30', kept: '2026-11-30' },
    { says: 'a day no calendar has', question: ask('moment', { of: 'date' }), value: '2026-11-31', wants: /a date such as/ },
    { says: 'a time', question: ask('moment', { of: 'time' }), value: '24:10', wants: /a time such as 14:30/ },
    { says: 'a date and time', question: ask('moment', { of: 'dateTime' }), value: '2026-12-01T09:40', kept: '2026-12-01T09:40' },
    { says: 'a telephone number, as pasted', question: ask('telephone'), value: '(01632) 960-112', kept: '+441632960112' },
    { says: 'half a telephone number', question: ask('telephone'), value: '0163', wants: /whole telephone number/ },
    { says: 'an address', question: ask('email'), value: ' a.b@example.com', kept: 'a.b@example.com' },
    { says: 'no address', question: ask('email'), value: 'a.b at example', wants: /name@example\.com/ },
    { says: 'a disclosure that was read', question: ask('disclosure', { text: 'Terms.' }), value: true, kept: true },
    { says: 'a disclosure that was not', question: ask('disclosure', { text: 'Terms.' }), value: false, kept: null },
    { says: 'nothing takes any answer back', question: ask('number', { least: 0, most: 9, unit: '' }), value: null, kept: null },
  ])('$says', ({ question, value, kept, wants }) => {
    const taken = takeAnswer(question, value, 'GB')
    if (wants === undefined) expect(taken).toEqual({ ok: true, value: kept })
    else expect(taken.ok ? '' : taken.expected).toMatch(wants)
  })
})

describe('what a condition holds of', () => {
  const known: Known = { route: 'skarvey', agreed: true, weight: 18, day: '2026-12-01', extras: ['dog', 'car'], 'caller.group': 'Visitor', gone: null }
  test.each<{ condition: Condition; holds: boolean }>([
    { condition: { field: 'route', is: 'skarvey' }, holds: true },
    { condition: { field: 'route', isNot: 'skarvey' }, holds: false },
    { condition: { field: 'nothing', isNot: 'skarvey' }, holds: true },
    { condition: { field: 'extras', is: 'dog' }, holds: true },
    { condition: { field: 'extras', isNot: 'cat' }, holds: true },
    { condition: { field: 'weight', atLeast: 18 }, holds: true },
    { condition: { field: 'weight', atMost: 17.9 }, holds: false },
    { condition: { field: 'weight', atLeast: '18' }, holds: false },
    { condition: { field: 'day', atLeast: '2026-11-30' }, holds: true },
    { condition: { field: 'gone', answered: true }, holds: false },
    { condition: { field: 'gone', answered: false }, holds: true },
    { condition: { field: 'caller.group', is: 'Visitor' }, holds: true },
    {
      condition: {
        all: [
          { field: 'agreed', is: true },
          {
            any: [
              { field: 'route', is: 'tarn' },
              { field: 'weight', atMost: 20 },
            ],
          },
        ],
      },
      holds: true,
    },
    {
      condition: {
        all: [
          { field: 'agreed', is: true },
          { field: 'route', is: 'tarn' },
        ],
      },
      holds: false,
    },
  ])('$condition: $holds', ({ condition, holds: expected }) => {
    expect(holds(condition, known)).toBe(expected)
  })
})
