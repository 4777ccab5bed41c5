import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { toAgentId } from '@/core/ids'
import { type ReadEntry, readDoNotCall, toDoNotCallCsv } from './csv'
import { type DoNotCallEntry, type DoNotCallList, evolveDoNotCall, keyOf, searchDoNotCall } from './list'

const ANN = toAgentId('agent_ann')
const withAll = (entries: readonly ReadEntry[]): DoNotCallList => {
  const list = new Map<string, DoNotCallEntry>()
  for (const [key, entry] of evolveDoNotCall(list, { kind: 'doNotCallAdded', entries, byAgentId: ANN, callId: null }, 1_000))
    if (entry !== null) list.set(key, entry)
  return list
}

describe('the list as a file', () => {
  const read = (text: string) => readDoNotCall(text, 'GB')

  test('since when, by whom and whose number it is come back; by a file it keeps the name it came with', () => {
    const listed = {
      whom: { number: '+441632960112', name: 'Ida "Idony" Holm' },
      why: '=SUM(A1)',
      sinceMs: Date.parse('2025-01-02T03:04:05Z'),
      by: 'An earlier list',
    }
    const text = toDoNotCallCsv(searchDoNotCall(withAll([listed]), '').entries, () => 'Ann')
    expect(text.split('\r\n')[1]).toBe('+441632960112,"Ida ""Idony"" Holm",\'=SUM(A1),2025-01-02T03:04:05.000Z,An earlier list')
    expect(read(text)).toEqual({ ok: true, entries: [listed] })
  })

  test('whatever is on the list is on it after a file was written and read, word for word', () => {
    const sign = fc.constantFrom('', "'", "''", '=', '+1+', '-2+3+cmd|', '@', '＝')
    const words = fc
      .tuple(sign, fc.string({ minLength: 1, unit: 'grapheme' }))
      .map(([first, rest]) => `${first}${rest}`)
      .filter((t) => t.trim() === t && !t.includes('\r'))
    const whom = fc.oneof(
      fc.record({ number: fc.integer({ min: 0, max: 999 }).map((n) => `+441632960${String(n).padStart(3, '0')}`), name: words }),
      words.map((person) => ({ person })),
    )
    const entry = fc.record({ whom, why: words, sinceMs: fc.integer({ min: 0, max: 4e12 }), by: words })
    fc.assert(
      fc.property(fc.uniqueArray(entry, { selector: (e) => keyOf(e.whom), maxLength: 20, minLength: 1 }), (entries) => {
        const back = read(toDoNotCallCsv(searchDoNotCall(withAll(entries), '').entries, () => 'Ann'))
        const byKey = (all: readonly ReadEntry[]) => new Map(all.map((e) => [keyOf(e.whom), e]))
        expect(back.ok && byKey(back.entries)).toEqual(byKey(entries))
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
    { says: 'a line after one that runs over two', text: 'number,reason\n01632 960112,"Asked\nus"\n01632,\n', problems: [/^Line 4: “01632”/] },
    { says: 'a date that is none', text: 'number,since\n01632 960112,soon\n', problems: [/^Line 2: “soon” is not a date/] },
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
  expect(searchDoNotCall(list, text)).toMatchObject({ found, entries: { length: found } })
})

test('of many the latest are shown first, and all are counted', () => {
  const list = withAll(
    Array.from({ length: 3_000 }, (_, i) => ({ whom: { number: `+33199${String(i).padStart(6, '0')}` }, why: 'Asked', sinceMs: (i * 7_919) % 1_000 })),
  )
  const all = searchDoNotCall(list, '')
  expect(all.entries.map((e) => e.sinceMs)).toEqual(all.entries.map((e) => e.sinceMs).toSorted((a, b) => b - a))
  for (const atMost of [1, 50, 2_999]) expect(searchDoNotCall(list, '', atMost)).toEqual({ found: 3_000, entries: all.entries.slice(0, atMost) })
})
