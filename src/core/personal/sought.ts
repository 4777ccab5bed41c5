// Whatever is kept about somebody, found by their numbers, addresses and names in entries of a ledger. What is found is what the entry is about: with a call
// that a number has rung goes all that was said in it.
import * as z from 'zod'
import type { IsOffered } from '@/core/forgotten'
import { type FloorEvent, type LedgerEntry, parseEntry } from '@/core/ledger'
import { takeApart } from './parts'

/** Of each kind, and letters of one. */
export const MOST_SOUGHT = 20
export const LONGEST_SOUGHT = 300

export const SoughtSchema = z
  .object({
    /** In E.164. */
    numbers: z.array(z.string().min(4).max(20)).max(MOST_SOUGHT).readonly(),
    /** Mail addresses, in lower case. */
    addresses: z.array(z.string().min(4).max(LONGEST_SOUGHT)).max(MOST_SOUGHT).readonly(),
    /** Whole names, in lower case and single spaces. */
    names: z.array(z.string().min(2).max(LONGEST_SOUGHT)).max(MOST_SOUGHT).readonly(),
  })
  .readonly()
export type Sought = z.infer<typeof SoughtSchema>

/** As names and addresses are compared. */
export const plain = (text: string): string => text.trim().toLowerCase().replace(/\s+/g, ' ')

export const soughtOf = (given: Sought): Sought => ({
  numbers: given.numbers.filter((n) => n !== ''),
  addresses: given.addresses.map(plain).filter((a) => a !== ''),
  names: given.names.map(plain).filter((n) => n !== ''),
})

/** Whether something is about nothing but one of them: an entry of the do-not-call list, a caller who was turned away. */
export const isListedAs =
  ({ numbers, names }: Sought) =>
  (about: string): boolean =>
    numbers.some((n) => about === `number ${n}` || about === `turned away ${n}`) ||
    (about.startsWith('person ') && names.includes(plain(about.slice('person '.length))))

export interface Found {
  readonly about: string
  /** Names, numbers and addresses that stand there, as they are written: two people share a number or a name, and one of them may not be meant. */
  readonly names: readonly string[]
}

/** Not as the beginning of a longer one. */
function hasNumber(text: string, number: string): boolean {
  for (let at = text.indexOf(number); at >= 0; at = text.indexOf(number, at + 1)) if (!/\d/.test(text.charAt(at + number.length))) return true
  return false
}

/** A line without any of them is not taken apart: so many are read that it must cost no more than looking for a few words. */
export function mayBeIn(line: string, sought: Sought): boolean {
  if (sought.numbers.some((n) => hasNumber(line, n))) return true
  if (sought.addresses.length + sought.names.length === 0) return false
  const lower = line.toLowerCase()
  return written(sought).some((words) => words.every((word) => lower.includes(word)))
}

/** Words of names and addresses as they stand in a line of JSON. Whatever is between the words of a name, they are all there. */
function written(sought: Sought): readonly (readonly string[])[] {
  const known = asWritten.get(sought)
  if (known !== undefined) return known
  const made = [...sought.addresses, ...sought.names].map((text) => text.split(' ').map((word) => JSON.stringify(word).slice(1, -1)))
  asWritten.set(sought, made)
  return made
}
const asWritten = new WeakMap<Sought, readonly (readonly string[])[]>()

const NAMING: ReadonlySet<string> = new Set(['name', 'person', 'customer', 'number', 'address', 'email'])

/** What of an entry is about somebody who is sought. Names are whole names of people, not words of what was said. */
export function foundIn({ event }: Pick<LedgerEntry, 'event'>, sought: Sought, isOffered: IsOffered): readonly Found[] {
  const found: Found[] = []
  for (const [about, personal] of takeApart(event as FloorEvent, isOffered).parts) {
    const names: string[] = []
    let isThem = false
    for (const [path, value] of personal)
      each(
        value,
        (text, key) => {
          if (NAMING.has(key)) names.push(text)
          isThem ||= sought.numbers.some((n) => hasNumber(text, n))
          const lower = plain(text)
          isThem ||= sought.addresses.some((a) => lower.includes(a)) || sought.names.includes(lower)
        },
        String(path.at(-1)),
      )
    if (isThem) found.push({ about, names: [...new Set(names)] })
  }
  return found
}

/** The same of lines of a ledger; those that cannot be read are passed over: the floor has set them aside. */
export function foundInLines(lines: readonly string[], sought: Sought, isOffered: IsOffered): readonly Found[] {
  return lines.flatMap((line) => {
    const opened = line !== '' && mayBeIn(line, sought) ? parseEntry(line) : null
    return opened?.ok ? foundIn(opened.entry, sought, isOffered) : []
  })
}

/** What is found in several places about one thing, once. */
export function mergeFound(found: readonly Found[]): readonly Found[] {
  const names = new Map<string, Set<string>>()
  for (const one of found) names.set(one.about, new Set([...(names.get(one.about) ?? []), ...one.names]))
  return [...names].map(([about, its]) => ({ about, names: [...its] }))
}

function each(value: unknown, tell: (text: string, key: string) => void, key = ''): void {
  if (typeof value === 'string') tell(value, key)
  else if (Array.isArray(value)) for (const item of value) each(item, tell, key)
  else if (typeof value === 'object' && value !== null) for (const [k, item] of Object.entries(value)) each(item, tell, k)
}
