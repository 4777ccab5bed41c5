import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { toAgentId } from '@/core/ids'
import { readDoNotCall, toDoNotCallCsv } from './csv'
import { emptyDoNotCall, evolveDoNotCall, keyOf, searchDoNotCall } from './list'

const ANN = toAgentId('agent_ann')
const withAll = (entries: readonly { whom: { number: string } | { person: string }; why: string }[]) =>
  evolveDoNotCall(emptyDoNotCall(), { kind: 'doNotCallAdded', entries, byAgentId: ANN, callId: null }, 1_000)

describe('the list as a file', () => {
  const read = (text: string) => readDoNotCall(text, 'GB')

  test('what is written is read back', () => {
    const entries = [
      { whom: { number: '+441632960112' }, why: 'Asked us, twice' },
      { whom: { person: 'Ida "Idony" Holm' }, why: '=SUM(A1)' },
    ]
    const text = toDoNotCallCsv(searchDoNotCall(withAll(entries), ''), () => 'Ann')
    expect(text.split('\r\n')[1]).toContain('+441632960112')
    // What a spreadsheet would run as a formula is text, and marked so.
    expect(text).toContain("'=SUM(A1)")
    const back = read(text)
    expect(back.ok && back.entries.map((e) => e.whom)).toEqual(entries.map((e) => e.whom))
  })

  test('whatever is on the list is on it after a file was written and read', () => {
    const whom = fc.oneof(
      fc.integer({ min: 0, max: 999 }).map((n) => ({ number: `+441632960${String(n).padStart(3, '0')}` })),
      fc
        .string({ minLength: 1, unit: 'grapheme' })
        .filter((t) => t.trim() === t && !/^[=@+\-\t\r']/.test(t) && !/[\r\n]/.test(t))
        .map((person) => ({ person })),
    )
    const entry = fc.record({ whom, why: fc.string({ minLength: 1 }).filter((t) => !/[\r\n]/.test(t)) })
    fc.assert(
      fc.property(fc.uniqueArray(entry, { selector: (e) => keyOf(e.whom), maxLength: 20, minLength: 1 }), (entries) => {
        const back = read(toDoNotCallCsv(searchDoNotCall(withAll(entries), ''), () => 'Ann, "the" one'))
        expect(back.ok && back.entries.map((e) => keyOf(e.whom)).sort()).toEqual(entries.map((e) => keyOf(e.whom)).sort())
      }),
      { seed: 5 },
    )
  })

  test.each([
    { says: 'numbers in any form', text: 'Number,Reason\n(01632) 960-112,Asked\n+33 1 99 00 11 22,\n', then: ['+441632960112', '+33199001122'] },
    { says: 'people, blank lines, strange columns', text: 'person;since;reason\nIda Holm;2020;Asked\n\n;;\n', then: ['Ida Holm'] },
  ])('reads $says', ({ text, then }) => {
    const back = read(text)
    expect(back.ok && back.entries.map((e) => Object.values(e.whom)[0])).toEqual(then)
  })

  test.each([
    { says: 'no heading that is known', text: 'telephone\n01632 960112\n', problems: [/^Line 1: there is no column/] },
    { says: 'half a number', text: 'number\n01632 960112\n01632\n', problems: [/^Line 3: “01632”/] },
    { says: 'a line without anybody', text: 'number,reason\n,Asked\n', problems: [/^Line 2: neither/] },
    { says: 'the same twice, and the line that has it', text: 'number\n01632 960112\n\n+44 1632 960112\n', problems: [/^Line 4: the same as line 2/] },
    { says: 'several at once', text: 'number\nx1\n\ny2\n', problems: [/^Line 2/, /^Line 4/] },
    { says: 'a quote that never ends', text: 'number,reason\n01632 960112,"Asked\n', problems: [/^Line 2: .*quote/i] },
    { says: 'nothing but a heading', text: 'number\n', problems: [/no line besides/] },
  ])('refuses $says, and reads nothing', ({ text, problems }) => {
    const back = read(text)
    expect(back.ok).toBe(false)
    if (back.ok) return
    expect(back.problems).toHaveLength(problems.length)
    for (const [i, expected] of problems.entries()) expect(back.problems[i]).toMatch(expected)
  })
})

test.each([
  { text: '', found: 3 },
  { text: 'ida', found: 1 },
  { text: 'asked', found: 2 },
  { text: '01632 960 112', found: 1 },
  { text: '+44 1632', found: 2 },
  { text: 'nobody', found: 0 },
])('“$text” finds $found', ({ text, found }) => {
  const list = withAll([
    { whom: { number: '+441632960112' }, why: 'Asked us' },
    { whom: { number: '+441632960113' }, why: 'Of the court' },
    { whom: { person: 'Ida Holm' }, why: 'Asked us' },
  ])
  expect(searchDoNotCall(list, text)).toHaveLength(found)
})
