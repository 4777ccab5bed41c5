// The do-not-call list as CSV with the columns number, person, reason, since, by. Read whole or not at all, and line by line what
// does not fit.
import { parseISO } from 'date-fns'
import { type CsvRow, readCsv, toCsv } from '@/core/csv'
import { readNumber } from '@/core/directory'
import { type EpochMs, LAST_INSTANT_MS } from '@/core/time'
import type { Whom } from './event'
import { type DoNotCallEntry, keyOf } from './list'

export interface ReadEntry {
  readonly whom: Whom
  readonly why: string
  /** Since when and by whom it was listed, where the file says so. */
  readonly sinceMs?: EpochMs
  readonly by?: string
}

export type ReadList = { readonly ok: true; readonly entries: readonly ReadEntry[] } | { readonly ok: false; readonly problems: readonly string[] }

/**
 * Numbers may be in any form that is read when dialling; without a prefix as of `homeCountry`. Columns of other names are left
 * aside; a line needs a number or a person, and a person beside a number is whose it is. Lines are counted as an editor counts
 * them, the heading being line 1.
 */
export function readDoNotCall(text: string, homeCountry: string): ReadList {
  const { columns, rows } = readCsv(text)
  if (!columns.includes('number') && !columns.includes('person'))
    return { ok: false, problems: ['Line 1: there is no column “number” and none “person”. Name at least one of them in the first line of the file.'] }
  const problems: string[] = []
  const entries: ReadEntry[] = []
  const seen = new Map<string, number>()
  for (const row of rows) {
    const entry = row.torn === null ? readRow(row.cells, homeCountry) : `${row.torn}. Check its quotes and commas.`
    const before = typeof entry === 'string' ? undefined : seen.get(keyOf(entry.whom))
    if (typeof entry === 'string') problems.push(`Line ${row.line}: ${entry}`)
    else if (before !== undefined) problems.push(`Line ${row.line}: the same as line ${before}. Take one of them out.`)
    else {
      seen.set(keyOf(entry.whom), row.line)
      entries.push(entry)
    }
  }
  if (problems.length > 0) return { ok: false, problems }
  return entries.length === 0 ? { ok: false, problems: ['The file has no line besides its heading.'] } : { ok: true, entries }
}

function readRow({ number = '', person = '', reason = '', since = '', by = '' }: CsvRow['cells'], homeCountry: string): ReadEntry | string {
  if (number === '' && person === '') return 'neither a number nor a person. Fill in one of them.'
  const sinceMs = since === '' ? undefined : parseISO(since).getTime()
  if (sinceMs !== undefined && !(Math.abs(sinceMs) <= LAST_INSTANT_MS))
    return `“${since}” is not a date. Write it as 2026-11-25 or 2026-11-25T09:30Z, or leave it empty.`
  const more = { why: reason || 'From a file', ...(sinceMs === undefined ? {} : { sinceMs }), ...(by === '' ? {} : { by }) }
  if (number === '') return { whom: { person }, ...more }
  const reading = readNumber(number, homeCountry)
  return reading.ok
    ? { whom: { number: reading.number.e164, ...(person === '' ? {} : { name: person }) }, ...more }
    : `“${number}” is not a whole telephone number. Correct it, or begin with + and the country code.`
}

/** One line an entry, on its oldest ground that stands; `by` is whoever listed it first, here or in the file it came from. */
export const toDoNotCallCsv = (entries: readonly DoNotCallEntry[], nameOf: (agentId: DoNotCallEntry['byAgentId']) => string): string =>
  toCsv(
    ['number', 'person', 'reason', 'since', 'by'],
    entries.map(({ whom, why, sinceMs, listedBy, byAgentId }) => [
      'number' in whom ? whom.number : '',
      'number' in whom ? (whom.name ?? '') : whom.person,
      why,
      new Date(sinceMs).toISOString(),
      listedBy ?? nameOf(byAgentId),
    ]),
  )
