// The do-not-call list as CSV (RFC 4180) with the columns number, person, reason, since, by. Read whole or not at all, and line by
// line what does not fit.
import Papa from 'papaparse'
import { readNumber } from '@/core/directory'
import type { Whom } from './event'
import { type DoNotCallEntry, keyOf } from './list'

export interface ReadEntry {
  readonly whom: Whom
  readonly why: string
}

export type ReadList = { readonly ok: true; readonly entries: readonly ReadEntry[] } | { readonly ok: false; readonly problems: readonly string[] }

/**
 * Numbers may be in any form that is read when dialling; without a prefix as of `homeCountry`. Columns besides number, person and
 * reason are left aside; a line needs a number or a person. Lines are counted as an editor counts them, the heading being line 1.
 */
export function readDoNotCall(text: string, homeCountry: string): ReadList {
  const { data, errors, meta } = Papa.parse<Record<string, string>>(text.replace(/^\uFEFF/, ''), {
    header: true,
    transformHeader: (heading) => heading.trim().toLowerCase(),
  })
  const columns = meta.fields ?? []
  if (!columns.includes('number') && !columns.includes('person'))
    return { ok: false, problems: ['Line 1: there is no column “number” and none “person”. Name at least one of them in the first line of the file.'] }
  const problems: string[] = []
  const entries: ReadEntry[] = []
  const seen = new Map<string, number>()
  for (const [i, row] of data.entries()) {
    const line = i + 2
    if (Object.values(row).every((cell) => String(cell).trim() === '')) continue
    // The reader counts the heading for quotes and not for fields; a line that ends early is none to complain of.
    const torn = errors.find((e) => (e.type === 'Quotes' ? e.row === i + 1 : e.code === 'TooManyFields' && e.row === i))
    const entry = torn === undefined ? readRow(row, homeCountry) : `${torn.message}. Check its quotes and commas.`
    const before = typeof entry === 'string' ? undefined : seen.get(keyOf(entry.whom))
    if (typeof entry === 'string') problems.push(`Line ${line}: ${entry}`)
    else if (before !== undefined) problems.push(`Line ${line}: the same as line ${before}. Take one of them out.`)
    else {
      seen.set(keyOf(entry.whom), line)
      entries.push(entry)
    }
  }
  if (problems.length > 0) return { ok: false, problems }
  return entries.length === 0 ? { ok: false, problems: ['The file has no line besides its heading.'] } : { ok: true, entries }
}

function readRow(row: Record<string, string>, homeCountry: string): ReadEntry | string {
  const number = (row.number ?? '').trim()
  const person = (row.person ?? '').trim()
  const why = (row.reason ?? '').trim() || 'From a file'
  if (number === '' && person === '') return 'neither a number nor a person. Fill in one of them.'
  if (number === '') return { whom: { person }, why }
  const reading = readNumber(number, homeCountry)
  return reading.ok
    ? { whom: { number: reading.number.e164 }, why }
    : `“${number}” is not a whole telephone number. Correct it, or begin with + and the country code.`
}

export const toDoNotCallCsv = (entries: readonly DoNotCallEntry[], nameOf: (agentId: DoNotCallEntry['byAgentId']) => string): string =>
  `${Papa.unparse(
    {
      fields: ['number', 'person', 'reason', 'since', 'by'],
      data: entries.map(({ whom, why, sinceMs, byAgentId }) => [
        'number' in whom ? whom.number : '',
        'person' in whom ? whom.person : '',
        why,
        new Date(sinceMs).toISOString(),
        nameOf(byAgentId),
      ]),
    },
    // A cell that begins like a formula would be run by a spreadsheet; a telephone number begins with + and must stay one.
    { escapeFormulae: /^[=@\t\r]|^[+-](?!\d)/, newline: '\r\n' },
  )}\r\n`
