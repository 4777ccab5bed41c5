import { describe, expect, test } from 'vitest'
import { checkScript, type Page, readingTimeMs, type Script, ScriptSchema, spansOf } from '@/core/scripts'

const page = (id: string, more: Partial<Record<keyof Page, unknown>> = {}) => ({
  id,
  title: id,
  say: ['Well.'],
  direction: null,
  questions: [],
  ways: [],
  suggests: [],
  ...more,
})
const script = (...pages: object[]): Script => ScriptSchema.parse({ id: 'script_t', version: 1, name: 'T', startPage: 'start', pages })
const yesNo = (field: string) => ({ field, label: `Ask ${field}`, kind: 'yesNo' })
const to = (target: string) => ({ when: null, to: target })
const END = page('end', { suggests: ['done'] })
const found = (s: Script) => checkScript(s, ['done', 'later']).map((f) => `${f.pageId} ${f.kind}`)

describe('the checker of a script', () => {
  test.each<{ says: string; pages: object[]; finds: string[] }>([
    { says: 'a sound one', pages: [page('start', { ways: [to('end')] }), END], finds: [] },
    {
      says: 'a choice with a way for each answer',
      pages: [
        page('start', {
          questions: [yesNo('go')],
          ways: [
            { when: { field: 'go', is: true }, to: 'end' },
            { when: { field: 'go', is: false }, to: 'end' },
          ],
        }),
        END,
      ],
      finds: [],
    },
    {
      says: 'a choice without a way for one answer',
      pages: [page('start', { questions: [yesNo('go')], ways: [{ when: { field: 'go', is: true }, to: 'end' }] }), END],
      finds: ['start choiceWithoutWay'],
    },
    {
      says: 'ways over an answer of another page need an otherwise',
      pages: [
        page('start', { questions: [yesNo('go')], ways: [to('mid')] }),
        page('mid', {
          ways: [
            { when: { field: 'go', is: true }, to: 'end' },
            { when: { field: 'go', is: false }, to: 'end' },
          ],
        }),
        END,
      ],
      finds: ['mid choiceWithoutWay'],
    },
    { says: 'a page nobody reaches', pages: [page('start', { ways: [to('end')] }), page('lost', { ways: [to('end')] }), END], finds: ['lost unreached'] },
    { says: 'an end that speaks for nothing', pages: [page('start')], finds: ['start noWayOn'] },
    {
      says: 'a circle',
      pages: [page('start', { ways: [to('round')] }), page('round', { ways: [to('start')] }), END],
      finds: ['start noExit', 'round noExit', 'end unreached'],
    },
    {
      says: 'a circle with a way out is none',
      pages: [
        page('start', { questions: [yesNo('go')], ways: [{ when: { field: 'go', is: true }, to: 'end' }, to('again')] }),
        page('again', { ways: [to('start')] }),
        END,
      ],
      finds: [],
    },
    {
      says: 'what an otherwise hides',
      pages: [page('start', { questions: [yesNo('go')], ways: [to('end'), { when: { field: 'go', is: true }, to: 'end' }] }), END],
      finds: ['start hidden'],
    },
    {
      says: 'the same condition twice',
      pages: [
        page('start', {
          questions: [yesNo('go')],
          ways: [{ when: { field: 'go', is: true }, to: 'end' }, { when: { field: 'go', is: true }, to: 'end' }, to('end')],
        }),
        END,
      ],
      finds: ['start hidden'],
    },
    {
      says: 'a value the question cannot have',
      pages: [page('start', { questions: [yesNo('go')], ways: [{ when: { field: 'go', is: 'maybe' }, to: 'end' }, to('end')] }), END],
      finds: ['start neverHolds'],
    },
    {
      says: 'a bound beyond the range',
      pages: [
        page('start', {
          questions: [{ field: 'weight', label: 'W', kind: 'number', least: 0, most: 60, unit: 't' }],
          ways: [{ when: { field: 'weight', atLeast: 61 }, to: 'end' }, to('end')],
        }),
        END,
      ],
      finds: ['start neverHolds'],
    },
    {
      says: 'one field that is two things',
      pages: [
        page('start', {
          questions: [yesNo('go')],
          ways: [
            {
              when: {
                all: [
                  { field: 'go', is: true },
                  { field: 'go', is: false },
                ],
              },
              to: 'end',
            },
            to('end'),
          ],
        }),
        END,
      ],
      finds: ['start neverHolds'],
    },
    {
      says: 'a field nobody asks, in a condition and in the words',
      pages: [
        page('start', {
          say: ['Hello {answers.nickname|there}, {caller.name|dear caller}.'],
          ways: [{ when: { field: 'mood', is: 'good' }, to: 'end' }, to('end')],
        }),
        END,
      ],
      finds: ['start unknownField', 'start unknownField'],
    },
    { says: 'an outcome of another set', pages: [page('start', { suggests: ['done', 'sung'] })], finds: ['start unknownOutcome'] },
    {
      says: 'a disclosure that a way goes round',
      pages: [
        page('start', { questions: [yesNo('go')], ways: [{ when: { field: 'go', is: true }, to: 'terms' }, to('end')] }),
        page('terms', { questions: [{ field: 'read', label: 'Terms', kind: 'disclosure', text: 'These are they.' }], ways: [to('end')] }),
        END,
      ],
      finds: ['terms avoidsDisclosure'],
    },
    {
      says: 'more words than there is time for',
      pages: [page('start', { say: ['one two three four five six seven eight nine ten'], readingMs: 3_000, suggests: ['done'] })],
      finds: ['start tooLong'],
    },
  ])('$says', ({ pages, finds }) => {
    expect(found(script(...pages))).toEqual(finds)
  })

  test('every finding has a sentence and a cure', () => {
    const findings = checkScript(script(page('start', { ways: [{ when: { field: 'x', is: 'y' }, to: 'start' }] })), [])
    expect(findings.length).toBeGreaterThan(2)
    for (const { says, cure } of findings) for (const text of [says, cure]) expect(text).toMatch(/\.$/)
  })
})

test.each([
  { text: 'Take *great* care.', spans: ['plain Take ', 'stressed great', 'plain  care.'] },
  { text: 'One moment.[pause]There.', spans: ['plain One moment.', 'pause ', 'plain There.'] },
  { text: '2 * 3 * 4 is twenty-four', spans: ['plain 2 * 3 * 4 is twenty-four'] },
])('“$text” is read with its marks', ({ text, spans }) => {
  expect(spansOf(text).map((s) => `${s.is} ${s.text}`)).toEqual(spans)
})

test('150 words take a minute, and a pause a second', () => {
  expect(readingTimeMs(Array.from({ length: 15 }, () => 'a b c d e f g h i j'))).toBe(60_000)
  expect(readingTimeMs(['a b c d e[pause]'])).toBe(3_000)
})
