// People as CSV: out under our own headings, in from any, whose columns are matched to what they hold.
import { readCsv, toCsv } from '@/core/csv'
import { type Contact, type ContactText, EMPTY_CONTACT, MOST_NUMBERS, NUMBER_KINDS, type NumberKind } from '@/core/people'
import type { ReadCard } from './vcard'

export const PEOPLE_FIELDS = ['name', 'company', 'group', 'email', 'note', ...NUMBER_KINDS] as const
export type PeopleField = (typeof PEOPLE_FIELDS)[number]

/** Which column holds what; a field without one stays empty. */
export type Matching = Partial<Readonly<Record<PeopleField, string>>>

/** Numbers of one kind in one cell. */
const BETWEEN = ' / '

export function toPeopleCsv(contacts: readonly Pick<Contact, keyof ContactText>[]): string {
  const numbersOf = (contact: Pick<Contact, 'numbers'>, kind: NumberKind) =>
    contact.numbers
      .filter((n) => n.kind === kind)
      .map((n) => n.number)
      .join(BETWEEN)
  return toCsv(
    PEOPLE_FIELDS,
    contacts.map((c) => [c.name, c.company, c.group, c.email, c.note, ...NUMBER_KINDS.map((kind) => numbersOf(c, kind))]),
  )
}

/** What columns are usually called, in lower case. */
const USUAL: Readonly<Record<PeopleField, RegExp>> = {
  name: /^(?:(?:full|display|contact|person)[ _-]?)?name$|^person$|^contact$|^who$/,
  company: /^compan(?:y|ies)|^organi[sz]ation|^org$|^firm$|^employer$/,
  group: /^group|^categor|^department|^team|^label|^tag/,
  email: /e-?mail|^mail$/,
  note: /^note|^remark|^comment|^about$/,
  work: /^(?:work|office|business|phone|telephone|tel|number|main|landline)(?:[ _-]?(?:phone|tel|telephone|number|no\.?|1))?$/,
  mobile: /mobile|cell|handy/,
  home: /^home|^private/,
  other: /^other|^second|^fax|alternat|[ _-]2$/,
}

/** The first column that is called so, for each field. A column is given to one field. */
export function matchColumns(columns: readonly string[]): Matching {
  const taken = new Set<string>()
  const found: { [K in PeopleField]?: string } = {}
  for (const field of PEOPLE_FIELDS) {
    const column = columns.find((c) => c === field && !taken.has(c)) ?? columns.find((c) => USUAL[field].test(c) && !taken.has(c))
    if (column === undefined) continue
    found[field] = column
    taken.add(column)
  }
  return found
}

export const readPeopleCsv = readCsv

/** Every row as a person, each with what is wrong with it where it is none. */
export function contactsOf({ rows }: ReturnType<typeof readCsv>, matching: Matching): readonly ReadCard[] {
  return rows.map(({ line, cells, torn }): ReadCard => {
    if (torn !== null) return { line, contact: null, problem: torn }
    const cell = (field: PeopleField) => (matching[field] === undefined ? '' : (cells[matching[field]] ?? ''))
    const numbers = NUMBER_KINDS.flatMap((kind) =>
      cell(kind)
        .split(/\s+[/;|]\s+|[;|\n]/)
        .flatMap((number) => (number.trim() === '' ? [] : [{ kind, number: number.trim() }])),
    )
    const name = cell('name') || cell('company')
    if (name === '') return { line, contact: null, problem: 'The row has no name.' }
    const company = cell('name') === '' ? '' : cell('company')
    const contact = { ...EMPTY_CONTACT, name, company, group: cell('group'), email: cell('email'), note: cell('note') }
    return { line, contact: { ...contact, numbers: numbers.slice(0, MOST_NUMBERS) }, problem: null }
  })
}
