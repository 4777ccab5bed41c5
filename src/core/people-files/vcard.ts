// People as vCards: written in version 4.0 (RFC 6350), read in 4.0 and 3.0 (RFC 2426), through ical.js.
import ICAL from 'ical.js'
import { type Contact, type ContactText, EMPTY_CONTACT, MOST_NUMBERS, type NumberKind } from '@/core/people'

export interface ReadCard {
  /** Where in the file it begins, counted from 1. */
  readonly line: number
  readonly contact: ContactText | null
  /** Why there is none; null of a card that was read. */
  readonly problem: string | null
}

const TYPES: Readonly<Record<NumberKind, string | null>> = { work: 'work', home: 'home', mobile: 'cell', other: null }

/** One card for each, in their order. Lines end with CR LF and are folded at 75 octets, as the standard asks. */
export const toVCards = (contacts: readonly Pick<Contact, keyof ContactText>[]): string => contacts.map((c) => `${toCard(c)}\r\n`).join('')

function toCard({ name, company, group, email, note, numbers }: Pick<Contact, keyof ContactText>): string {
  const card = new ICAL.Component(['vcard', [], []])
  const add = (property: string, value: string | string[], parameters: Readonly<Record<string, string>> = {}) => {
    const made = new ICAL.Property(property, card)
    made.setValue(value)
    for (const [key, is] of Object.entries(parameters)) made.setParameter(key, is)
    card.addProperty(made)
  }
  add('version', '4.0')
  add('fn', name)
  for (const { kind, number } of numbers) {
    const type = TYPES[kind]
    const typed = type === null ? {} : { type }
    // Only a whole number is a link; anything else is text.
    if (/^\+\d+$/.test(number)) add('tel', `tel:${number}`, { ...typed, value: 'uri' })
    else add('tel', number, { ...typed, value: 'text' })
  }
  if (email !== '') add('email', email)
  // A structured value of one part: the semicolons in it are its own.
  if (company !== '') add('org', [company])
  if (group !== '') add('categories', group)
  if (note !== '') add('note', note)
  return card.toString()
}

/** Every card of a file, each with what is wrong with it where it cannot be read: one that is torn does not take the others with it. */
export function fromVCards(text: string): readonly ReadCard[] {
  const lines = text.replace(/^\uFEFF/, '').split(/\r\n|\n|\r/)
  const found: ReadCard[] = []
  let from: number | null = null
  for (const [i, line] of lines.entries()) {
    const said = line.trim().toUpperCase()
    if (said === 'BEGIN:VCARD') {
      if (from !== null) found.push({ line: from + 1, contact: null, problem: 'The card has no end.' })
      from = i
    } else if (said === 'END:VCARD' && from !== null) {
      found.push({ line: from + 1, ...read(lines.slice(from, i + 1).join('\r\n')) })
      from = null
    }
  }
  if (from !== null) found.push({ line: from + 1, contact: null, problem: 'The card has no end.' })
  return found
}

function read(text: string): Pick<ReadCard, 'contact' | 'problem'> {
  try {
    const parsed: unknown = ICAL.parse(text)
    return isJCard(parsed) ? contactOf(new ICAL.Component(parsed)) : { contact: null, problem: 'It is no card.' }
  } catch (error) {
    // The library says what it stumbled over as an error, of a class of its own or of none.
    return { contact: null, problem: error instanceof Error ? error.message : String(error) }
  }
}

/** As RFC 7095 writes a card: its name, its properties, and what is inside it. */
const isJCard = (parsed: unknown): parsed is [string, unknown[], unknown[]] => Array.isArray(parsed) && typeof parsed[0] === 'string'

function contactOf(card: ICAL.Component): Pick<ReadCard, 'contact' | 'problem'> {
  const version = textOf(card, 'version')
  if (version !== '4.0' && version !== '3.0') return { contact: null, problem: `It is a vCard of version ${version || 'unknown'}; 3.0 and 4.0 can be read.` }
  const name = textOf(card, 'fn') || nameOf(card)
  const company = textOf(card, 'org')
  if (name === '' && company === '') return { contact: null, problem: 'It has no name.' }
  const numbers = card.getAllProperties('tel').flatMap((tel) => {
    const number = String(tel.getFirstValue() ?? '').replace(/^tel:/i, '')
    return number.trim() === '' ? [] : [{ kind: kindOf(tel), number: number.trim() }]
  })
  const contact: ContactText = {
    ...EMPTY_CONTACT,
    name: name || company,
    company: name === '' ? '' : company,
    group: textOf(card, 'categories'),
    email: textOf(card, 'email').replace(/^mailto:/i, ''),
    note: textOf(card, 'note'),
    numbers: numbers.slice(0, MOST_NUMBERS),
  }
  return { contact, problem: null }
}

/** The first value, a structured one joined: `Harbour;Office` is “Harbour, Office”. */
function textOf(card: ICAL.Component, property: string): string {
  const value: unknown = card.getFirstPropertyValue(property)
  const parts = Array.isArray(value) ? value.flat() : [value]
  return parts
    .map((part) => String(part ?? '').trim())
    .filter((part) => part !== '')
    .join(', ')
}

/** Family name first in the card, last on the screen. */
function nameOf(card: ICAL.Component): string {
  const value: unknown = card.getFirstPropertyValue('n')
  const [family = '', given = ''] = Array.isArray(value) ? value.map(String) : [String(value ?? '')]
  return [given, family].filter((part) => part.trim() !== '').join(' ')
}

function kindOf(tel: ICAL.Property): NumberKind {
  const said: unknown = tel.getParameter('type')
  const types = (Array.isArray(said) ? said : [said]).map((type) => String(type ?? '').toLowerCase())
  if (types.includes('cell')) return 'mobile'
  if (types.includes('home')) return 'home'
  return types.includes('work') ? 'work' : 'other'
}
