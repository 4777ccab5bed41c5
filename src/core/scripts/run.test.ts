import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { toCallId, toScriptId } from '@/core/ids'
import {
  type AnswerValue,
  checkAnswer,
  checkScript,
  evolveRun,
  nextPage,
  pageOf,
  pendingPages,
  previousPage,
  type Question,
  type Script,
  type ScriptEvent,
  type ScriptRun,
  ScriptSchema,
  seenPage,
  splitAnswers,
} from '@/core/scripts'

const CALL = toCallId('call_t_1')
const opened = (script: Script): ScriptRun =>
  evolveRun(null, { kind: 'scriptStarted', callId: CALL, scriptId: toScriptId('script_t'), version: 1, pageId: script.startPage }, 0)
const answer = (run: ScriptRun, field: string, value: AnswerValue | null, atMs = 0) =>
  evolveRun(run, { kind: 'scriptAnswered', callId: CALL, field, value }, atMs)
const show = (run: ScriptRun, pageId: string, direction: Extract<ScriptEvent, { kind: 'scriptPageShown' }>['direction'], atMs = 0) =>
  evolveRun(run, { kind: 'scriptPageShown', callId: CALL, pageId, direction }, atMs)
const onward = (script: Script, run: ScriptRun, atMs = 0) => {
  const next = nextPage(script, run, {})
  if (!next.ok) throw new Error(next.refusal.reason)
  return show(run, next.value, 'next', atMs)
}

const page = (id: string, more: object = {}) => ({ id, title: id, say: ['Well.'], direction: null, questions: [], ways: [], suggests: [], ...more })
const yesNo = (field: string) => ({ field, label: field, kind: 'yesNo' })
const FORK = ScriptSchema.parse({
  id: 'script_t',
  version: 1,
  name: 'Fork',
  startPage: 'start',
  pages: [
    page('start', {
      questions: [yesNo('booked')],
      ways: [
        { when: { field: 'booked', is: true }, to: 'found' },
        { when: null, to: 'new' },
      ],
    }),
    page('found', { questions: [{ field: 'reference', label: 'Reference', kind: 'text', shape: null }], ways: [{ when: null, to: 'terms' }] }),
    page('new', { questions: [{ field: 'people', label: 'People', kind: 'number', least: 1, most: 60, unit: '' }], ways: [{ when: null, to: 'terms' }] }),
    page('terms', { questions: [{ field: 'read', label: 'Terms', kind: 'disclosure', text: 'These.' }], ways: [{ when: null, to: 'end' }] }),
    page('end', { suggests: ['done'] }),
  ],
})

describe('an answer that is changed', () => {
  const found = () => answer(onward(FORK, answer(opened(FORK), 'booked', true)), 'reference', 'FL-204816')

  test('leaves what it led to aside, unreported and unlost, and it counts again when it is changed back', () => {
    const run = show(found(), 'start', 'back')
    expect(splitAnswers(FORK, run, {}).applying).toEqual({ booked: true, reference: 'FL-204816' })
    const other = answer(onward(FORK, answer(run, 'booked', false)), 'people', 4)
    expect(splitAnswers(FORK, other, {})).toEqual({ applying: { booked: false, people: 4 }, aside: { reference: 'FL-204816' } })
    const again = answer(show(other, 'start', 'back'), 'booked', true)
    expect(splitAnswers(FORK, again, {})).toEqual({ applying: { booked: true, reference: 'FL-204816' }, aside: { people: 4 } })
  })

  test('is on the page that is open: that page’s answers count wherever the way leads', () => {
    const run = answer(show(found(), 'start', 'back'), 'booked', false)
    expect(splitAnswers(FORK, show(run, 'found', 'jump'), {}).applying).toMatchObject({ reference: 'FL-204816' })
  })
})

test('the same question on two pages counts when one of them is on the way', () => {
  const both = ScriptSchema.parse({
    ...FORK,
    pages: FORK.pages.map((p) =>
      p.id === 'new' ? { ...p, questions: [...p.questions, { field: 'reference', label: 'Reference', kind: 'text', shape: null }] } : p,
    ),
  })
  const run = answer(answer(opened(both), 'booked', true), 'reference', 'FL-204816')
  expect(splitAnswers(both, answer(run, 'booked', false), {}).applying).toEqual({ booked: false, reference: 'FL-204816' })
})

describe('pages', () => {
  test('a page that was seen is one press away, others are not; Back comes from there', () => {
    const run = onward(FORK, answer(opened(FORK), 'booked', true))
    expect(seenPage(run, 'start')).toEqual({ ok: true, value: 'start' })
    expect(seenPage(run, 'end')).toMatchObject({ ok: false, refusal: { reason: 'pageNotSeen' } })
    expect(previousPage(show(run, 'start', 'jump'))).toEqual({ ok: true, value: 'found' })
    expect(previousPage(opened(FORK))).toMatchObject({ ok: false, refusal: { reason: 'firstPage' } })
  })

  test('a disclosure is confirmed before the way goes on', () => {
    const run = onward(FORK, onward(FORK, answer(opened(FORK), 'booked', true)))
    expect(nextPage(FORK, run, {})).toMatchObject({ ok: false, refusal: { reason: 'answerMissing', field: 'read' } })
    expect(nextPage(FORK, answer(run, 'read', true), {})).toEqual({ ok: true, value: 'end' })
  })

  test('a page whose answers lead nowhere says so, and a page that waits for an answer says which', () => {
    const oneWay = ScriptSchema.parse({
      ...FORK,
      startPage: 'only',
      pages: [page('only', { questions: [yesNo('wants')], ways: [{ when: { field: 'wants', is: true }, to: 'end' }] }), page('end')],
    })
    expect(nextPage(oneWay, opened(oneWay), {})).toMatchObject({ ok: false, refusal: { reason: 'answerMissing', field: 'wants' } })
    expect(nextPage(oneWay, answer(opened(oneWay), 'wants', false), {})).toMatchObject({ ok: false, refusal: { reason: 'noWayOn', page: 'only' } })
  })

  test('what is not finished is marked, and no longer once the way avoids it', () => {
    const run = onward(FORK, onward(FORK, answer(opened(FORK), 'booked', true)))
    expect(pendingPages(FORK, run, {})).toEqual(['found', 'terms'])
    expect(pendingPages(FORK, answer(run, 'reference', 'x'), {})).toEqual(['terms'])
    expect(pendingPages(FORK, answer(run, 'booked', false), {})).toEqual(['terms'])
  })

  test('time is kept per page, visits added up', () => {
    const first = onward(FORK, answer(opened(FORK), 'booked', true), 4_000)
    const back = show(first, 'start', 'back', 10_000)
    expect(onward(FORK, back, 11_000).spentMs).toEqual({ start: 5_000, found: 6_000 })
  })

  test('a value of the wrong kind is refused with what is wanted', () => {
    expect(checkAnswer(FORK, 'people', '0', 'GB')).toMatchObject({
      ok: false,
      refusal: { reason: 'answerWrongKind', label: 'People', expected: 'a number from 1 to 60' },
    })
    expect(checkAnswer(FORK, 'colour', 'red', 'GB')).toMatchObject({ ok: false, refusal: { reason: 'unknownField' } })
  })
})

// Random documents: a handful of pages with questions and ways of every kind, some sound and some not.
const N = 6
const pageId = (n: number) => `page${n}`
const target = fc.nat(N - 1).map(pageId)
const questionFor = (n: number): fc.Arbitrary<object> => {
  const asked = { field: `field${n}`, label: `Field ${n}` }
  return fc.constantFrom<object>(
    { ...asked, kind: 'yesNo' },
    { ...asked, kind: 'choice', options: ['a', 'b', 'c'].map((value) => ({ value, label: value })) },
    { ...asked, kind: 'number', least: 0, most: 10, unit: '' },
    { ...asked, kind: 'several', options: ['a', 'b'].map((value) => ({ value, label: value })) },
  )
}
const test1 = fc.oneof(
  fc.record({ field: fc.nat(N - 1).map((n) => `field${n}`), is: fc.constantFrom<string | boolean | number>(true, false, 'a', 'b', 'c', 3) }),
  fc.record({ field: fc.nat(N - 1).map((n) => `field${n}`), isNot: fc.constantFrom<string | boolean>(true, 'a') }),
  fc.record({ field: fc.nat(N - 1).map((n) => `field${n}`), atLeast: fc.nat(12) }),
  fc.record({ field: fc.nat(N - 1).map((n) => `field${n}`), answered: fc.boolean() }),
)
const condition = fc.oneof(
  { weight: 4, arbitrary: test1 },
  fc.record({ all: fc.array(test1, { minLength: 1, maxLength: 2 }) }),
  fc.record({ any: fc.array(test1, { minLength: 1, maxLength: 2 }) }),
)
const ways = fc
  .tuple(fc.array(fc.record({ when: condition, to: target }), { maxLength: 3 }), fc.option(target))
  .map(([some, otherwise]) => [...some, ...(otherwise === null ? [] : [{ when: null, to: otherwise }])])
const documents: fc.Arbitrary<Script> = fc
  .tuple(
    ...Array.from({ length: N }, (_, n) => fc.record({ questions: fc.option(questionFor(n)).map((q) => (q === null ? [] : [q])), ways, ends: fc.boolean() })),
  )
  .map((pages) =>
    ScriptSchema.parse({
      id: 'script_t',
      version: 1,
      name: 'Random',
      startPage: pageId(0),
      pages: pages.map(({ questions, ways: onwards, ends }, n) => page(pageId(n), { questions, ways: ends && n > 0 ? [] : onwards, suggests: ['done'] })),
    }),
  )

function someValue(question: Question, n: number): AnswerValue {
  if (question.kind === 'choice') return (question.options[n % question.options.length] as { value: string }).value
  if (question.kind === 'several') return question.options.slice(0, 1 + (n % question.options.length)).map((o) => o.value)
  return question.kind === 'number' ? n % 11 : n % 2 === 0
}

test('whatever the document and the answers: nobody is stuck unless the checker said so of that page', () => {
  let ends = 0
  let stuck = 0
  fc.assert(
    fc.property(documents, fc.array(fc.nat(99), { minLength: 24, maxLength: 24 }), (script, picks) => {
      const warned = new Set(checkScript(script, null).flatMap((f) => (f.grade === 'error' ? [f.pageId] : [])))
      let run = opened(script)
      for (const pick of picks) {
        for (const question of pageOf(script, run.pageId).questions) run = answer(run, question.field, someValue(question, pick))
        const next = nextPage(script, run, {})
        if (!next.ok) {
          if (next.refusal.reason === 'lastPage') ends++
          else {
            stuck++
            expect(warned).toContain(run.pageId)
          }
          return
        }
        run = show(run, next.value, 'next')
      }
    }),
    { numRuns: 3_000, seed: 20261125 },
  )
  // Both happen, and often: otherwise this would prove little.
  expect(Math.min(ends, stuck)).toBeGreaterThan(200)
})

test('going back and forth returns the same answers, and a document is the same after it was written and read', () => {
  fc.assert(
    fc.property(documents, fc.array(fc.nat(99), { minLength: 8, maxLength: 8 }), (script, picks) => {
      expect(ScriptSchema.parse(JSON.parse(JSON.stringify(script)))).toEqual(script)
      let run = opened(script)
      for (const pick of picks) {
        for (const question of pageOf(script, run.pageId).questions)
          if (run.answers[question.field] === undefined) run = answer(run, question.field, someValue(question, pick))
        const next = nextPage(script, run, {})
        if (!next.ok) break
        run = show(run, next.value, 'next')
      }
      const { answers } = run
      const before = splitAnswers(script, run, {})
      const { pageId: last, trail } = run
      let back = run
      for (let previous = previousPage(back); previous.ok; previous = previousPage(back)) back = show(back, previous.value, 'back')
      expect(back.pageId).toBe(script.startPage)
      for (const id of [...trail.slice(1), ...(trail.length > 0 ? [last] : [])]) back = show(back, id, 'next')
      expect(back.answers).toEqual(answers)
      expect(back.pageId).toBe(last)
      expect(splitAnswers(script, back, {})).toEqual(before)
    }),
    { numRuns: 500, seed: 7 },
  )
})
