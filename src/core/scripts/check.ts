// The checker of a script: what would leave an agent stuck, a page unread, or a promise unsaid. Each finding names the page, what
// is wrong and the cure. An `error` can stop a call; a `warning` may be meant.
import { type Condition, fieldsOf, type Test } from './condition'
import type { Page, Script } from './document'
import { dominance } from './dominance'
import { patternProblem } from './pattern'
import type { Question } from './question'
import { mergedNames, readingTimeMs, textOf } from './read'

export interface ScriptFinding {
  readonly grade: 'error' | 'warning'
  readonly pageId: string
  readonly kind:
    | 'unreached'
    | 'noWayOn'
    | 'choiceWithoutWay'
    | 'neverHolds'
    | 'hidden'
    | 'unknownField'
    | 'noExit'
    | 'unknownOutcome'
    | 'avoidsDisclosure'
    | 'tooLong'
    | 'badPattern'
  readonly says: string
  readonly cure: string
}

/** What conditions and merges may ask about besides answers. */
export const FACTS = [
  'caller.name',
  'caller.firstName',
  'caller.group',
  'caller.known',
  'caller.number',
  'agent.name',
  'agent.firstName',
  'call.path',
  'call.queue',
] as const

/**
 * All findings in the order of the pages. `codes` are those of the outcome set; null when the set is not known. Time is about
 * linear in pages and ways, plus the number of pages with a disclosure times the number of ends.
 */
export function checkScript(script: Script, codes: readonly string[] | null): readonly ScriptFinding[] {
  const map = new Map(script.pages.map((p) => [p.id, p]))
  const reached = reach(map, script.startPage)
  const ends = script.pages.filter((p) => p.ways.length === 0 && reached.has(p.id))
  const liesBefore = dominance(script.startPage, (id) => map.get(id)?.ways.map((w) => w.to) ?? [])
  const leadsOut = reachesEnd(script)
  const questions = new Map<string, Question[]>()
  for (const page of script.pages) for (const q of page.questions) questions.set(q.field, [...(questions.get(q.field) ?? []), q])
  return script.pages.flatMap((page) => [
    ...(reached.has(page.id) ? [] : [finding('warning', page, 'unreached', 'No way leads to this page.', 'Let a page lead here, or take it out.')]),
    ...checkWays(page, questions),
    ...(leadsOut.has(page.id)
      ? []
      : [finding('error', page, 'noExit', 'From here the pages lead round in a circle and to no end.', 'Give one of them a way to an end page.')]),
    ...patternFindings(page),
    ...checkFields(page, questions),
    ...(codes === null ? [] : checkOutcomes(page, codes)),
    ...(reached.has(page.id) ? checkDisclosures(page, ends, liesBefore) : []),
    ...checkLength(page),
  ])
}

const finding = (grade: ScriptFinding['grade'], page: Page, kind: ScriptFinding['kind'], says: string, cure: string): ScriptFinding => ({
  grade,
  pageId: page.id,
  kind,
  says,
  cure,
})

/** Every question by its field: the same may be asked on several pages. */
type Questions = ReadonlyMap<string, readonly Question[]>

function checkWays(page: Page, questions: Questions): ScriptFinding[] {
  if (page.ways.length === 0)
    return page.suggests.length > 0
      ? []
      : [finding('warning', page, 'noWayOn', 'This page ends the script and speaks for no outcome.', 'Name the outcomes it speaks for, or let it lead on.')]
  const findings: ScriptFinding[] = []
  const said = new Set<string>()
  let open = true
  for (const { when } of page.ways) {
    const text = JSON.stringify(when)
    if (!open || said.has(text))
      findings.push(finding('warning', page, 'hidden', 'A way can never be taken: one before it always is.', 'Take it out, or put it further up.'))
    else if (when !== null && neverHolds(when, questions))
      findings.push(
        finding('error', page, 'neverHolds', `A condition over ${fieldsOf(when).join(', ')} can never hold.`, 'Choose a value the question can have.'),
      )
    said.add(text)
    if (when === null) open = false
  }
  if (open) findings.push(...checkCovered(page))
  return findings
}

/** Without an “otherwise” every answer of one question of this very page must have a way; anything else cannot be told to be complete. */
function checkCovered(page: Page): ScriptFinding[] {
  const tests = page.ways.map((w) => w.when).filter((c): c is Extract<Test, { is: unknown }> => c !== null && 'is' in c)
  const field = tests[0]?.field
  const question = page.questions.find((q) => q.field === field)
  const oneQuestion = tests.length === page.ways.length && tests.every((t) => t.field === field)
  if (oneQuestion && question !== undefined && (question.kind === 'choice' || question.kind === 'yesNo')) {
    const values: readonly (string | boolean)[] = question.kind === 'yesNo' ? [true, false] : question.options.map((o) => o.value)
    const missing = values.filter((v) => !tests.some((t) => t.is === v))
    if (missing.length === 0) return []
    const names = missing.map((v) =>
      question.kind === 'choice' ? (question.options.find((o) => o.value === v)?.label ?? String(v)) : v === true ? 'Yes' : 'No',
    )
    return [finding('error', page, 'choiceWithoutWay', `“${question.label}”: ${names.join(', ')} leads nowhere.`, 'Add a way for it, or an otherwise.')]
  }
  return [finding('error', page, 'choiceWithoutWay', 'Its ways have no otherwise: with some answers nothing follows.', 'Add an otherwise as the last way.')]
}

function neverHolds(condition: Condition, questions: Questions): boolean {
  if ('all' in condition) return condition.all.some((c) => neverHolds(c, questions)) || contradicts(condition.all)
  if ('any' in condition) return condition.any.every((c) => neverHolds(c, questions))
  const asked = questions.get(condition.field)
  return asked !== undefined && !asked.some((question) => canBe(question, condition))
}

/** One field cannot be two things at once. */
const contradicts = (all: readonly Condition[]): boolean => {
  const wanted = new Map<string, unknown>()
  return all.some((c) => {
    if (!('is' in c)) return false
    const before = wanted.get(c.field)
    wanted.set(c.field, c.is)
    return before !== undefined && before !== c.is
  })
}

function canBe(question: Question, test: Test): boolean {
  if ('is' in test) {
    if (question.kind === 'choice' || question.kind === 'several') return question.options.some((o) => o.value === test.is)
    if (question.kind === 'yesNo') return typeof test.is === 'boolean'
    if (question.kind === 'disclosure') return test.is === true
    if (question.kind === 'number')
      return typeof test.is === 'number' && test.is >= (question.least ?? Number.NEGATIVE_INFINITY) && test.is <= (question.most ?? Number.POSITIVE_INFINITY)
    return typeof test.is === 'string'
  }
  if ('atLeast' in test)
    return isOrdered(question, test.atLeast) && (question.kind !== 'number' || (test.atLeast as number) <= (question.most ?? Number.POSITIVE_INFINITY))
  if ('atMost' in test)
    return isOrdered(question, test.atMost) && (question.kind !== 'number' || (test.atMost as number) >= (question.least ?? Number.NEGATIVE_INFINITY))
  return true
}

const isOrdered = (question: Question, bound: number | string): boolean =>
  question.kind === 'number' ? typeof bound === 'number' : question.kind === 'moment' && typeof bound === 'string'

function checkFields(page: Page, questions: Questions): ScriptFinding[] {
  const asked = [
    ...page.ways.flatMap((w) => (w.when === null ? [] : fieldsOf(w.when))),
    ...page.say.flatMap((s) => (typeof s === 'string' ? [] : fieldsOf(s.when))),
  ]
  const merged = page.say.flatMap((s) => mergedNames(textOf(s))).map((name) => name.replace(/^answers\./, ''))
  const unknown = [...new Set([...asked, ...merged])].filter((f) => !questions.has(f) && !(FACTS as readonly string[]).includes(f) && !isOfRecord(f))
  return unknown.map((f) =>
    finding('error', page, 'unknownField', `It speaks of “${f}”, which no page asks and nothing knows.`, 'Choose one of the fields, or ask for it on a page.'),
  )
}

/** An answer is held against the pattern on every desk: one that cannot be read takes any text, which its author did not mean. */
export const patternFindings = (page: Page): readonly ScriptFinding[] =>
  page.questions.flatMap((q) => {
    const problem = q.kind === 'text' && q.shape !== null ? patternProblem(q.shape.pattern) : null
    return problem === null
      ? []
      : [
          finding(
            'error',
            page,
            'badPattern',
            `“${q.label}”: its form ${problem}.`,
            'Write it with letters, [ ], { }, ?, + and *; look-arounds and back references are not taken.',
          ),
        ]
  })

const checkOutcomes = (page: Page, codes: readonly string[]): ScriptFinding[] =>
  page.suggests
    .filter((code) => !codes.includes(code))
    .map((code) => finding('error', page, 'unknownOutcome', `It speaks for “${code}”, which is no outcome of the set.`, 'Choose one of the outcomes.'))

/** A page with a disclosure lies on every way to an end, or somebody is told less than they must be. */
function checkDisclosures(page: Page, ends: readonly Page[], liesBefore: (a: string, b: string) => boolean): ScriptFinding[] {
  const names = page.questions.filter((q) => q.kind === 'disclosure').map((q) => q.label)
  if (names.length === 0) return []
  const end = ends.find((p) => !liesBefore(page.id, p.id))
  if (end === undefined) return []
  return [
    finding(
      'warning',
      page,
      'avoidsDisclosure',
      `“${names.join(', ')}” can be avoided: “${end.title}” is reached without this page.`,
      'Lead every way through it, or see that it is meant so.',
    ),
  ]
}

function checkLength(page: Page): ScriptFinding[] {
  const takesMs = readingTimeMs([...page.say.map(textOf), ...page.questions.flatMap((q) => (q.kind === 'disclosure' ? [q.text] : []))])
  if (page.readingMs === null || takesMs <= page.readingMs) return []
  const seconds = (ms: number) => Math.round(ms / 1_000)
  return [
    finding(
      'warning',
      page,
      'tooLong',
      `It takes ${seconds(takesMs)} s to read and should take ${seconds(page.readingMs)} s.`,
      'Say less, or allow more time.',
    ),
  ]
}

/** Pages reached from one by any ways. */
function reach(map: ReadonlyMap<string, Page>, from: string): ReadonlySet<string> {
  const seen = new Set<string>()
  const open = [from]
  for (let id = open.pop(); id !== undefined; id = open.pop()) {
    if (seen.has(id)) continue
    seen.add(id)
    for (const { to } of map.get(id)?.ways ?? []) if (!seen.has(to)) open.push(to)
  }
  return seen
}

/** Pages from which an end can be reached: the ways walked backwards from all ends at once. */
function reachesEnd(script: Script): ReadonlySet<string> {
  const before = new Map<string, string[]>()
  for (const page of script.pages)
    for (const { to } of page.ways) {
      const ids = before.get(to) ?? []
      ids.push(page.id)
      before.set(to, ids)
    }
  const seen = new Set<string>()
  const open = script.pages.filter((p) => p.ways.length === 0).map((p) => p.id)
  for (let id = open.pop(); id !== undefined; id = open.pop()) {
    if (seen.has(id)) continue
    seen.add(id)
    open.push(...(before.get(id) ?? []))
  }
  return seen
}

/** A column of a calling list: which there are is the list's to say. */
const isOfRecord = (field: string): boolean => field.startsWith('record.')
