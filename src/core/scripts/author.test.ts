import fc from 'fast-check'
import { fromMarkdown } from 'mdast-util-from-markdown'
import { toString as wordsOf } from 'mdast-util-to-string'
import { describe, expect, test } from 'vitest'
import { toScriptId } from '@/core/ids'
import {
  addPage,
  checkScript,
  compareScripts,
  conditionWords,
  copyScript,
  freeField,
  removePage,
  type Script,
  spansOf,
  toMarkdown,
  withPage,
} from '@/core/scripts'
import { SMALL } from '@/core/testing'

const SMALL_SCRIPT = SMALL.scripts[0] as Script
const page = (script: Script, id: string) => script.pages.find((p) => p.id === id) as Script['pages'][number]

describe('editing', () => {
  test('a page added after an end is led to; after any other the author leads to it', () => {
    const afterEnd = addPage(SMALL_SCRIPT, 'end')
    expect(page(afterEnd.script, 'end').ways).toEqual([{ when: null, to: afterEnd.pageId }])
    const afterHello = addPage(SMALL_SCRIPT, 'hello')
    expect(page(afterHello.script, 'hello')).toEqual(page(SMALL_SCRIPT, 'hello'))
    expect(afterHello.script.pages.map((p) => p.id)).toEqual(['hello', 'page', 'end', 'sorry'])
    expect(checkScript(afterHello.script, null).map((f) => f.kind)).toContain('unreached')
    expect(addPage(afterHello.script, 'hello').pageId).toBe('page2')
  })

  test('a page taken out takes the ways to it along, and the start with it', () => {
    const without = removePage(SMALL_SCRIPT, 'end')
    expect(without.pages.flatMap((p) => p.ways.map((w) => w.to))).toEqual(['sorry'])
    expect(removePage(SMALL_SCRIPT, 'hello').startPage).toBe('end')
    const last = removePage(removePage(SMALL_SCRIPT, 'hello'), 'sorry')
    expect(removePage(last, 'end')).toBe(last)
  })

  test('a new question gets a field of its own', () => {
    const questions = SMALL_SCRIPT.pages.flatMap((p) => p.questions)
    expect(freeField(questions, 'wish')).toBe('wish2')
    expect(freeField(questions, 'colour')).toBe('colour')
  })

  test('a copy is another script that says the same', () => {
    const copy = copyScript(SMALL_SCRIPT, toScriptId('script_other'), 'Other')
    expect(copy).toMatchObject({ id: 'script_other', name: 'Other', version: 1 })
    expect(compareScripts(SMALL_SCRIPT, copy)).toEqual([])
  })
})

describe('comparing', () => {
  test('says which pages came, went and changed, and in which parts', () => {
    const changed = withPage(removePage(addPage(SMALL_SCRIPT, 'end').script, 'sorry'), { ...page(SMALL_SCRIPT, 'hello'), say: ['Good morning'] })
    const changes = compareScripts(SMALL_SCRIPT, changed)
    expect(changes.map((c) => [c.pageId, c.what])).toEqual([
      ['hello', 'changed'],
      ['end', 'changed'],
      ['page', 'added'],
      ['sorry', 'removed'],
    ])
    expect(changes[0]?.parts).toEqual([{ part: 'Says', before: 'Hello {caller.name|there}', after: 'Good morning' }])
    expect(changes[1]?.parts).toEqual([{ part: 'Leads on', before: '', after: 'otherwise → page' }])
  })

  test('of a part of several lines only those that differ are named', () => {
    const hello = page(SMALL_SCRIPT, 'hello')
    const before = withPage(SMALL_SCRIPT, { ...hello, say: ['One', 'Two', 'Three'] })
    const after = withPage(SMALL_SCRIPT, { ...hello, say: ['One', 'Second', 'And a half', 'Three'] })
    expect(compareScripts(before, after)[0]?.parts).toEqual([{ part: 'Says', before: 'Two', after: 'Second\nAnd a half' }])
    expect(compareScripts(before, withPage(before, { ...hello, say: ['One', 'Two', 'Two', 'Three'] }))[0]?.parts[0]?.after).toBe('Two')
    // What stands between two changes is not one.
    const apart = withPage(SMALL_SCRIPT, { ...hello, say: ['First', 'Two', 'Third'] })
    expect(compareScripts(before, apart)[0]?.parts).toEqual([{ part: 'Says', before: 'One\nThree', after: 'First\nThird' }])
  })

  test('a script compared with itself differs in nothing', () => expect(compareScripts(SMALL_SCRIPT, SMALL_SCRIPT)).toEqual([]))
})

test.each([
  { when: { field: 'speaking', is: true }, says: 'speaking is yes' },
  { when: { field: 'weight', atLeast: 12 }, says: 'weight is at least 12' },
  {
    when: {
      all: [
        { field: 'a', isNot: 'x' },
        {
          any: [
            { field: 'b', answered: false },
            { field: 'c', atMost: 3 },
          ],
        },
      ],
    },
    says: 'a is not x and (b is not answered or c is at most 3)',
  },
])('$says', ({ when, says }) => expect(conditionWords(when)).toBe(says))

test('as Markdown a script is read page by page; what an author wrote is never taken for a mark', () => {
  const script = withPage(SMALL_SCRIPT, { ...page(SMALL_SCRIPT, 'hello'), title: '# 1 <b>', say: ['*Hello* [pause] there'], sensitive: true })
  const text = toMarkdown(script)
  expect(text).toContain('## \\# 1 \\<b\\>')
  expect(text).toContain('> *Hello* (pause) there')
  expect(text).toContain('- **Wish**: Go / Stay')
  expect(text).toContain('- If speaking is yes: go to “End”')
  expect(text).toContain('Sensitive: a recording pauses')
  expect(text).toContain('Outcome: done')
})

test('whatever is read aloud, directed or asked: a reader of Markdown shows these words, as one paragraph', () => {
  const mark = fc.constantFrom(
    '*',
    '_',
    '`',
    '~~',
    '# ',
    '- ',
    '+ ',
    '1. ',
    '2) ',
    '> ',
    '<b>',
    '&amp;',
    '![x](y)',
    '[a]: b',
    '|',
    '---',
    '===',
    '    ',
    '\n\n',
    '\\',
  )
  const words = fc.array(fc.oneof(mark, fc.string({ maxLength: 4 })), { minLength: 1, maxLength: 5 }).map((parts) => parts.join(''))
  const plain = (text: string) => text.replace(/\s+/g, ' ').trim()
  fc.assert(
    fc.property(words, words, (said, direction) => {
      fc.pre(plain(said) !== '' && plain(direction) !== '')
      const text = toMarkdown(withPage(SMALL_SCRIPT, { ...page(SMALL_SCRIPT, 'hello'), say: [said], direction }))
      const parts = fromMarkdown(text).children
      const quote = parts.findIndex((p) => p.type === 'blockquote')
      const heard = spansOf(said).map((s) => (s.is === 'pause' ? '(pause)' : s.text))
      expect(plain(wordsOf(parts[quote]))).toBe(plain(heard.join('')))
      expect(plain(wordsOf(parts[quote + 1]))).toBe(plain(`For the agent: ${direction}`))
    }),
    { seed: 3, numRuns: 500 },
  )
})
