// Reading a file: whole or not at all, and line by line what does not fit.
import { findNodeAtLocation, type Node, type ParseError, parseTree, printParseErrorCode } from 'jsonc-parser'
import type * as z from 'zod'
import { type SetUp, SetUpSchema } from '@/core/set-up'
import { type FileKind, wrongKind, wrongText } from './file-kind'
import { closest, sentenceOf } from './import-words'

export type ReadJson<T> = { readonly ok: true; readonly value: T } | { readonly ok: false; readonly problems: readonly string[] }

export type ReadSetUp = { readonly ok: true; readonly setUp: SetUp } | { readonly ok: false; readonly problems: readonly string[] }

/** Nothing here is nested deeper; readers that follow a file inwards would run out of stack long after. */
const DEEPEST = 60
/** Nobody reads more of them; what is wrong once in a file is often wrong everywhere. */
const MOST_NAMED = 40

export function readSetUp(text: string): ReadSetUp {
  const read = readJson(text, SetUpSchema, 'setUp')
  return read.ok ? { ok: true, setUp: read.value } : read
}

/** A file as its schema has it, or what does not fit, each with its line and its place. */
export function readJson<T>(text: string, schema: z.ZodType<T>, meant: FileKind): ReadJson<T> {
  const clean = text.replace(/^\uFEFF/, '')
  const tooDeep = offsetOfDepth(clean, DEEPEST + 1)
  if (tooDeep !== null)
    return refused(`Line ${lineIn(clean)(tooDeep)}: Brackets are nested more than ${DEEPEST} deep here, and nothing needs that. Simplify what is inside.`)
  const stored = parsed(clean)
  if (stored === undefined) return refused(wrongText(clean, meant) ?? notJson(clean))
  const wrong = wrongKind(stored, meant)
  if (wrong !== null) return refused(wrong)
  const read = schema.safeParse(stored)
  if (read.success) return { ok: true, value: read.data }
  const tree = parseTree(clean)
  const lineOf = lineIn(clean)
  const issues = read.error.issues.map(closest)
  const problems = issues.slice(0, MOST_NAMED).map((issue) => {
    const line = lineOf(tree === undefined ? 0 : offsetOf(tree, issue.path))
    return `Line ${line}: ${placeOf(stored, issue.path)}${sentenceOf(issue, valueAt(stored, issue.path))}`
  })
  const more = issues.length - problems.length
  return refused(...problems, ...(more > 0 ? [`And ${more} more of the kind. Correct these, then bring it in again.`] : []))
}

/** A document that is being written, as its schema has it, or the first that keeps it from being whole, in the words of a file's problems. */
export function readWhole<T>(
  document: unknown,
  schema: z.ZodType<T>,
): { readonly ok: true; readonly value: T } | { readonly ok: false; readonly lack: string } {
  const read = schema.safeParse(document)
  if (read.success) return { ok: true, value: read.data }
  const [first] = read.error.issues.map(closest)
  return { ok: false, lack: first === undefined ? '' : `${placeOf(document, first.path)}${sentenceOf(first, valueAt(document, first.path))}` }
}

const refused = (...problems: string[]) => ({ ok: false as const, problems })

/** What stands in the text; undefined, which JSON cannot say, when it is not JSON. */
function parsed(text: string): unknown {
  try {
    return JSON.parse(text)
  } catch (error) {
    if (error instanceof SyntaxError) return undefined
    throw error
  }
}

function notJson(text: string): string {
  const errors: ParseError[] = []
  parseTree(text, errors, { disallowComments: true, allowTrailingComma: false })
  const first = errors[0]
  const where = first === undefined ? '' : `Line ${lineIn(text)(first.offset)}: ${syntaxWords(printParseErrorCode(first.error))}. `
  return `${where}The file is not JSON. Choose a file that was exported here, or one that follows the schema.`
}

/** `CloseBraceExpected` as words. */
const syntaxWords = (code: string): string => {
  const words = code.replace(/([a-z])([A-Z])/g, '$1 $2').toLowerCase()
  return words.charAt(0).toUpperCase() + words.slice(1)
}

/** Where brackets first stand `depth` deep; null when they never do. Those within texts do not count. */
function offsetOfDepth(text: string, depth: number): number | null {
  let open = 0
  for (const { 0: part, index } of text.matchAll(/"(?:[^"\\]|\\.)*"|[[{\]}]/gs)) {
    if (part === '[' || part === '{') open++
    else if (part === ']' || part === '}') open--
    if (open === depth) return index
  }
  return null
}

/** The line of an offset, found without counting from the top each time. */
function lineIn(text: string): (offset: number) => number {
  const starts = [0, ...[...text.matchAll(/\n/g)].map((m) => m.index + 1)]
  return (offset) => {
    let [low, high] = [0, starts.length]
    while (high - low > 1) {
      const middle = (low + high) >> 1
      if ((starts[middle] ?? 0) <= offset) low = middle
      else high = middle
    }
    return low + 1
  }
}

/** Where the value stands, or the nearest thing around it when it is missing. */
function offsetOf(tree: Node, path: readonly PropertyKey[]): number {
  for (let depth = path.length; depth >= 0; depth--) {
    const node = findNodeAtLocation(
      tree,
      path.slice(0, depth).map((key) => (typeof key === 'symbol' ? String(key) : key)),
    )
    if (node !== undefined) return node.offset
  }
  return 0
}

const valueAt = (stored: unknown, path: readonly PropertyKey[]): unknown =>
  path.reduce<unknown>((at, key) => (typeof at === 'object' && at !== null ? (at as Record<PropertyKey, unknown>)[key] : undefined), stored)

/** `queues Sailings, serviceLevelMs: `: items are named where they have a name, and counted where not. */
function placeOf(stored: unknown, path: readonly PropertyKey[]): string {
  if (path.length === 0) return ''
  const words: string[] = []
  for (const [i, key] of path.entries()) {
    if (typeof key === 'number') words.push(`${words.pop() ?? 'item'} ${nameOf(valueAt(stored, path.slice(0, i + 1))) ?? key + 1}`)
    else words.push(String(key))
  }
  return `${words.join(', ')}: `
}

const nameOf = (item: unknown): string | null => {
  if (typeof item !== 'object' || item === null) return null
  for (const key of ['name', 'title', 'label'] as const) {
    const name = (item as Record<string, unknown>)[key]
    if (typeof name === 'string' && name !== '') return name
  }
  return null
}
