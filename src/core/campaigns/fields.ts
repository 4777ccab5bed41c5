// Columns of a calling list under the names scripts know them by. Knows no schema, because the reading pane asks for it.

import type { Customer } from '@/core/calls'
import type { CalledRecord } from './attempt'

/** `Old sailing` is `record.oldSailing`. */
export function fieldName(column: string): string {
  const words = column
    .normalize('NFKD')
    .replace(/[^\p{L}\p{N}]+/gu, ' ')
    .trim()
    .split(' ')
    .filter((word) => word !== '')
  const camel = words.map((word, i) => (i === 0 ? word.toLowerCase() : word.slice(0, 1).toUpperCase() + word.slice(1).toLowerCase())).join('')
  return `record.${camel.replace(/[^\w]/g, '')}`
}

/** As the desk shows whoever is called: further columns are what is known of them. */
export const customerOf = ({ person, fields }: Pick<CalledRecord, 'person' | 'fields'>): Customer => ({
  name: person,
  group: fields.Group ?? '',
  facts: Object.entries(fields).flatMap(([label, value]) => (label === 'Group' ? [] : [{ label, value }])),
})

export const recordValues = (fields: Readonly<Record<string, string>>): Readonly<Record<string, string>> =>
  Object.fromEntries(Object.entries(fields).map(([column, value]) => [fieldName(column), value]))
