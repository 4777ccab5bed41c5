// Reading a set-up file: whole or not at all, and line by line what does not fit.
import { type SetUp, SetUpSchema } from '@/core/set-up'

export type ReadSetUp = { readonly ok: true; readonly setUp: SetUp } | { readonly ok: false; readonly problems: readonly string[] }

export function readSetUp(text: string): ReadSetUp {
  let stored: unknown
  try {
    stored = JSON.parse(text)
  } catch (error) {
    if (!(error instanceof SyntaxError)) throw error
    return { ok: false, problems: [`The file is not JSON: ${error.message}. Choose a file that was exported here, or one that follows the schema.`] }
  }
  const parsed = SetUpSchema.safeParse(stored)
  if (parsed.success) return { ok: true, setUp: parsed.data }
  return { ok: false, problems: parsed.error.issues.map(({ path, message }) => `${placeOf(stored, path)}${message}`) }
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

const nameOf = (item: unknown): string | null =>
  typeof item === 'object' && item !== null && 'name' in item && typeof item.name === 'string' ? item.name : null
