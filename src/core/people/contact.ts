// Somebody in the book of people: shared by everybody, or one agent's own. Knows nothing of colleagues, who are accounts.
import * as z from 'zod'
import { AgentIdSchema, ContactIdSchema } from '@/core/ids'

export const NUMBER_KINDS = ['work', 'mobile', 'home', 'other'] as const
export type NumberKind = (typeof NUMBER_KINDS)[number]

/** Of a person in the book; more is refused before it is kept. */
export const MOST_NUMBERS = 12
const line = (longest: number) => z.string().trim().max(longest)

export const ContactNumberSchema = z.object({ kind: z.enum(NUMBER_KINDS), number: line(40).min(1) }).readonly()
export type ContactNumber = z.infer<typeof ContactNumberSchema>

export const ContactSchema = z
  .object({
    id: ContactIdSchema,
    name: line(120).min(1),
    company: line(120).default(''),
    /** By which people are listed together: a port, a trade, a department. */
    group: line(60).default(''),
    email: line(200).default(''),
    note: z.string().trim().max(2_000).default(''),
    /** E.164 where it could be read, otherwise as it was written. */
    numbers: z.array(ContactNumberSchema).max(MOST_NUMBERS).readonly().default([]),
    /** null: everybody's. */
    ownerId: AgentIdSchema.nullable().default(null),
    /** Counts the changes: whoever changes an older one is told so. */
    revision: z.number().int().nonnegative().default(0),
  })
  .readonly()
export type Contact = z.infer<typeof ContactSchema>

/** What somebody writes of a person; who they are and whose is added to it. */
export type ContactText = Omit<Contact, 'id' | 'ownerId' | 'revision'>

export const EMPTY_CONTACT: ContactText = { name: '', company: '', group: '', email: '', note: '', numbers: [] }

/** Two of a person as one: the first one's name and group, everything either knows, no number twice. The first keeps its id and owner. */
export function mergeContacts(first: Contact, second: Contact): Contact {
  const notes = [first.note, second.note].filter((n, i, all) => n !== '' && all.indexOf(n) === i)
  const also = first.name === second.name ? [] : [`Also known as ${second.name}.`]
  const numbers = [...first.numbers, ...second.numbers.filter((n) => !first.numbers.some((f) => f.number === n.number))]
  return {
    ...first,
    company: first.company || second.company,
    group: first.group || second.group,
    email: first.email || second.email,
    note: [...notes, ...also].join('\n').slice(0, 2_000),
    numbers: numbers.slice(0, MOST_NUMBERS),
  }
}

/** Whom of the book this may be already: anybody with one of the numbers, or of the same name and company. */
export function duplicatesOf(contact: Pick<Contact, 'name' | 'company' | 'numbers'>, book: Iterable<Contact>): readonly Contact[] {
  const numbers = new Set(contact.numbers.map((n) => n.number))
  const name = folded(contact.name)
  const company = folded(contact.company)
  const found: Contact[] = []
  for (const other of book)
    if (other.numbers.some((n) => numbers.has(n.number)) || (folded(other.name) === name && folded(other.company) === company)) found.push(other)
  return found
}

/** Upper and lower case, and letters with and without marks, are one and the same to whoever looks for somebody. */
export const folded = (text: string): string =>
  text.normalize('NFD').replace(/\p{M}/gu, '').toLowerCase().replace(/ø/g, 'o').replace(/æ/g, 'ae').replace(/ß/g, 'ss')

/**
 * Whether every word that was typed (folded) is in a folded text, or in a number's digits. A number is found also as it is dialled at home, with a
 * nought instead of the country.
 */
export function hasWords(words: readonly string[], text: string, number: string | null): boolean {
  const digits = (number ?? '').replace(/\D/g, '')
  return words.every((word) => text.includes(word) || (/^[+\d()-]+$/.test(word) && digits.includes(word.replace(/\D/g, '').replace(/^0+/, ''))))
}
