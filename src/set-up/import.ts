// Reading a file: whole or not at all, and line by line what does not fit.
import { findNodeAtLocation, type Node, type ParseError, parseTree, printParseErrorCode } from 'jsonc-parser'
import type * as z from 'zod'
import { type SetUp, SetUpSchema } from '@/core/set-up'

export type ReadJson<T> = { readonly ok: true; readonly value: T } | { readonly ok: false; readonly problems: readonly string[] }

export type ReadSetUp = { readonly ok: true; readonly setUp: SetUp } | { readonly ok: false; readonly problems: readonly string[] }

export function readSetUp(text: string): ReadSetUp {
  const read = readJson(text, SetUpSchema)
  return read.ok ? { ok: true, setUp: read.value } : read
}

/** A file as its schema has it, or what does not fit, each with its line and its place. */
export function readJson<T>(text: string, schema: z.ZodType<T>): ReadJson<T> {
  const errors: ParseError[] = []
  const tree = parseTree(text, errors, { disallowComments: true, allowTrailingComma: false })
  if (errors.length > 0 || tree === undefined) {
    const first = errors[0]
    const where = first === undefined ? '' : `Line ${lineOf(text, first.offset)}: ${SYNTAX_WORDS(printParseErrorCode(first.error))}. `
    return { ok: false, problems: [`${where}The file is not JSON. Choose a file that was exported here, or one that follows the schema.`] }
  }
  const stored: unknown = JSON.parse(text)
  const parsed = schema.safeParse(stored)
  if (parsed.success) return { ok: true, value: parsed.data }
  return {
    ok: false,
    problems: parsed.error.issues.map(({ path, message }) => `Line ${lineOf(text, offsetOf(tree, path))}: ${placeOf(stored, path)}${message}`),
  }
}

/** `CloseBraceExpected` as words. */
const SYNTAX_WORDS = (code: string): string => {
  const words = code.replace(/([a-z])([A-Z])/g, '$1 $2').toLowerCase()
  return words.charAt(0).toUpperCase() + words.slice(1)
}

const lineOf = (text: string, offset: number): number => text.slice(0, offset).split('\n').length

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

/** `queues Sailings, serviceLevelMs: `: items are named where they have a name, and counted where not. */
function placeOf(stored: unknown, path: readonly PropertyKey[]): string {
  if (path.length === 0) return ''
  const words: string[] = []
  let at = stored
  for (const key of path) {
    at = typeof at === 'object' && at !== null ? (at as Record<PropertyKey, unknown>)[key] : undefined
    if (typeof key !== 'number') words.push(String(key))
    else words[words.length - 1] = `${words.at(-1)} ${nameOf(at) ?? key + 1}`
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
