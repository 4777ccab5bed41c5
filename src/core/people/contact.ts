// What is made of somebody in the book of people. Apart from the schema they are kept by, so that pages which only compare names do not carry the schema library.
import { MOST_NUMBERS } from './numbers'
import type { Contact } from './schema'

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
