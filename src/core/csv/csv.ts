// CSV (RFC 4180) through Papa Parse, with the one thing the standard leaves open: what a spreadsheet would run as a formula.
import Papa from 'papaparse'

/**
 * A cell as it stands in the file: text that begins like a formula (`=`, `+`, `-`, `@`, their full-width forms, a tab, a line end)
 * gets an apostrophe in front, as does text that begins with an apostrophe, so that `bareCell` can undo it. Only a plain number
 * (`+441632960112`, `-2.5`) begins with a sign and stays as it is.
 */
export const safeCell = (text: string): string => (/^(?:['=@\t\r\n＝＋－＠]|[+-](?!\d+(?:\.\d+)?$))/.test(text) ? `'${text}` : text)

/** `safeCell` undone. An apostrophe that hides nothing belongs to the text. */
export const bareCell = (cell: string): string => (/^'['=@\t\r\n＝＋－＠+-]/.test(cell) ? cell.slice(1) : cell)

/** Lines end with CR LF, the last one too; null is an empty cell, a list or an object its JSON. */
export function toCsv(fields: readonly string[], rows: readonly (readonly unknown[])[]): string {
  const data = rows.map((row) => row.map((value) => safeCell(toCell(value))))
  return `${Papa.unparse({ fields: [...fields], data }, { newline: '\r\n' })}\r\n`
}

/** Rows alone, for a file whose heading stands already. */
export const toCsvRows = (rows: readonly (readonly unknown[])[]): string =>
  rows.length === 0
    ? ''
    : `${Papa.unparse(
        rows.map((row) => row.map((value) => safeCell(toCell(value)))),
        { newline: '\r\n' },
      )}\r\n`

function toCell(value: unknown): string {
  if (value === null || value === undefined) return ''
  return typeof value === 'object' ? JSON.stringify(value) : String(value)
}

export interface CsvRow {
  /** Where the row begins, as an editor counts lines; the heading is line 1. */
  readonly line: number
  /** Trimmed and with `safeCell` undone, by heading in lower case; '' where the row ends early. */
  readonly cells: Readonly<Record<string, string>>
  /** What is wrong with its quotes or commas. */
  readonly torn: string | null
}

export interface ReadCsv {
  readonly columns: readonly string[]
  /** Without the blank ones. */
  readonly rows: readonly CsvRow[]
}

/** Separators are found out; a byte order mark and any line end are taken. */
export function readCsv(text: string): ReadCsv {
  const clean = text.replace(/^\uFEFF/, '').replace(/\r\n?/g, '\n')
  let columns: readonly string[] | null = null
  const rows: CsvRow[] = []
  let line = 1
  let begun = 0
  Papa.parse<string[]>(clean, {
    delimiter: separatorOf(clean),
    step: ({ data, errors, meta }) => {
      const at = line
      line += clean.slice(begun, meta.cursor).split('\n').length - 1
      begun = meta.cursor
      if (columns === null) {
        columns = data.map((heading) => heading.trim().toLowerCase())
        return
      }
      if (data.every((cell) => cell.trim() === '')) return
      const tooMany = data.length > columns.length ? `There are ${data.length} cells under ${columns.length} headings` : null
      const torn = errors.find((e) => e.type === 'Quotes')?.message ?? tooMany
      rows.push({ line: at, cells: Object.fromEntries(columns.map((name, i) => [name, bareCell((data[i] ?? '').trim())])), torn })
    },
  })
  return { columns: columns ?? [], rows }
}

const SEPARATORS = [',', ';', '\t', '|']

/** By the heading alone: what is written below it may hold any of them, and more of them than there are columns. */
function separatorOf(text: string): string {
  const heading = (text.split('\n', 1)[0] ?? '').replace(/"(?:[^"]|"")*"/g, '')
  const count = (separator: string) => heading.split(separator).length
  return SEPARATORS.reduce((best, s) => (count(s) > count(best) ? s : best))
}
