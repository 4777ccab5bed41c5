// What differs between two versions of a script, page by page and part by part, in the words of an author.
import { diffArrays } from 'diff'
import type { Condition, Test } from './condition'
import type { Page, Script } from './document'
import { textOf } from './read'

export interface PageChange {
  readonly pageId: string
  readonly title: string
  readonly what: 'added' | 'removed' | 'changed'
  readonly parts: readonly PartChange[]
}

export interface PartChange {
  readonly part: string
  readonly before: string
  readonly after: string
}

/** Pages in the order of the later version, those that are gone last; empty when both say the same. */
export function compareScripts(before: Script, after: Script): readonly PageChange[] {
  const was = new Map(before.pages.map((p) => [p.id, p]))
  const is = new Set(after.pages.map((p) => p.id))
  const start: PartChange[] = before.startPage === after.startPage ? [] : [{ part: 'Starts at', before: before.startPage, after: after.startPage }]
  const changed = after.pages.flatMap((page): PageChange[] => {
    const former = was.get(page.id)
    const parts = [...(page.id === after.startPage ? start : []), ...(former === undefined ? partsOf(null, page) : partsOf(former, page))]
    if (former !== undefined && parts.length === 0) return []
    return [{ pageId: page.id, title: page.title, what: former === undefined ? 'added' : 'changed', parts }]
  })
  const gone = before.pages.filter((p) => !is.has(p.id)).map((p): PageChange => ({ pageId: p.id, title: p.title, what: 'removed', parts: partsOf(p, null) }))
  return [...changed, ...gone]
}

const PARTS: readonly (readonly [part: string, text: (page: Page) => string])[] = [
  ['Title', (p) => p.title],
  ['Says', (p) => p.say.map((s) => (typeof s === 'string' ? s : `${textOf(s)} (when ${conditionWords(s.when)})`)).join('\n')],
  ['For the agent', (p) => p.direction ?? ''],
  ['Asks', (p) => p.questions.map(questionWords).join('\n')],
  ['Leads on', (p) => p.ways.map((w) => `${w.when === null ? 'otherwise' : conditionWords(w.when)} → ${w.to}`).join('\n')],
  ['Speaks for', (p) => p.suggests.join(', ')],
  ['Sensitive', (p) => (p.sensitive ? 'yes: the recording pauses' : '')],
  ['Reading time', (p) => (p.readingMs === null ? '' : `${Math.round(p.readingMs / 1000)} s`)],
]

function partsOf(before: Page | null, after: Page | null): PartChange[] {
  return PARTS.flatMap(([part, text]) => {
    const [was, is] = [before === null ? '' : text(before), after === null ? '' : text(after)]
    return was === is ? [] : [{ part, ...differing(was, is) }]
  })
}

/** The lines that differ: what both say is left out. */
function differing(before: string, after: string): Pick<PartChange, 'before' | 'after'> {
  const pieces = diffArrays(before.split('\n'), after.split('\n'))
  const lines = (of: 'removed' | 'added') => pieces.flatMap((piece) => (piece[of] ? piece.value : [])).join('\n')
  return { before: lines('removed'), after: lines('added') }
}

const questionWords = ({ kind, field, label, ...rest }: Page['questions'][number]): string => {
  const more = Object.entries(rest).map(([name, value]) => `${name} ${JSON.stringify(value)}`)
  return [`${label} [${field}], ${kind}`, ...more].join('; ')
}

/** A condition as it is read: `speaking is booker and weight is at least 12`. `label` may put better words for fields and values. */
export function conditionWords(condition: Condition, label: (field: string, value?: unknown) => string = plain): string {
  if ('all' in condition) return condition.all.map((c) => part(c, label)).join(' and ')
  if ('any' in condition) return condition.any.map((c) => part(c, label)).join(' or ')
  return testWords(condition, label)
}

const part = (condition: Condition, label: (field: string, value?: unknown) => string): string =>
  'all' in condition || 'any' in condition ? `(${conditionWords(condition, label)})` : conditionWords(condition, label)

function testWords(test: Test, label: (field: string, value?: unknown) => string): string {
  const field = label(test.field)
  if ('is' in test) return `${field} is ${label(test.field, test.is)}`
  if ('isNot' in test) return `${field} is not ${label(test.field, test.isNot)}`
  if ('atLeast' in test) return `${field} is at least ${test.atLeast}`
  if ('atMost' in test) return `${field} is at most ${test.atMost}`
  return `${field} is ${test.answered ? 'answered' : 'not answered'}`
}

function plain(field: string, value?: unknown): string {
  if (value === undefined) return field
  return typeof value === 'boolean' ? (value ? 'yes' : 'no') : String(value)
}
