// The rows of a file, a part at a time: CSV with whatever stands between its cells, or a JSON object a line. Lines are counted as an editor counts them.
import Papa from 'papaparse'
import type { Encoding } from './encoding'

export interface Row {
  readonly line: number
  readonly cells: readonly string[]
}

export type Shape = { readonly is: 'csv'; readonly delimiter: string } | { readonly is: 'ndjson' }

/** What a file cannot be read for, and what to do. */
export class Unreadable extends Error {}

export function shapeOf(sample: string): Shape {
  if (sample.trimStart().startsWith('{')) return { is: 'ndjson' }
  const { delimiter } = Papa.parse(sample, { preview: 20, skipEmptyLines: 'greedy' }).meta
  return { is: 'csv', delimiter: delimiter === '' ? ',' : delimiter }
}

export interface Table {
  readonly columns: readonly string[]
  /** Rows below the heading, many at a time. */
  parts(): AsyncGenerator<readonly Row[]>
}

/** Reads on in the file as its rows are asked for; `onBytes` hears how far. Throws Unreadable, naming the line, on what cannot be read to its end. */
export async function openTable(file: Blob, encoding: Encoding, shape: Shape, onBytes: (done: number) => void = () => {}): Promise<Table> {
  const rows = shape.is === 'csv' ? csvRows(texts(file, encoding, onBytes), shape.delimiter) : jsonRows(texts(file, encoding, onBytes))
  const first = await rows.next()
  if (first.done === true || first.value.length === 0) throw new Unreadable('The file has no rows. Choose another file.')
  const [heading, ...rest] = first.value as [Row, ...Row[]]
  return {
    columns: heading.cells.map((cell, i) => (cell.trim() === '' ? `Column ${i + 1}` : cell.trim())),
    async *parts() {
      if (rest.length > 0) yield rest
      yield* rows
    },
  }
}

async function* texts(file: Blob, encoding: Encoding, onBytes: (done: number) => void): AsyncGenerator<string> {
  const decoder = new TextDecoder(encoding)
  const reader = file.stream().getReader()
  let done = 0
  let held = ''
  for (;;) {
    const { value, done: isOver } = await reader.read()
    const text = held + (value === undefined ? decoder.decode() : decoder.decode(value, { stream: true }))
    done += value?.length ?? 0
    onBytes(done)
    // Half a line end waits for its other half.
    held = !isOver && text.endsWith('\r') ? '\r' : ''
    const whole = held === '' ? text : text.slice(0, -1)
    if (whole !== '') yield whole.includes('\r') ? whole.replace(/\r\n?/g, '\n') : whole
    if (isOver) return
  }
}

async function* csvRows(parts: AsyncGenerator<string>, delimiter: string): AsyncGenerator<readonly Row[]> {
  const parser = new Papa.Parser({ delimiter, newline: '\n' })
  let text = ''
  let line = 1
  const rowsOf = (isLast: boolean): Row[] => {
    const { data, errors, meta } = parser.parse(text, 0, !isLast) as Papa.ParseResult<string[]>
    text = text.slice(meta.cursor)
    const rows: Row[] = []
    for (const cells of data) {
      const at = line
      line++
      for (const cell of cells) if (cell.includes('\n')) line += cell.split('\n').length - 1
      if (cells.length > 1 || cells[0] !== '') rows.push({ line: at, cells })
    }
    if (isLast && errors.some((e) => e.code === 'MissingQuotes'))
      throw new Unreadable(
        `The file ends in the middle of a quoted cell, which begins before line ${line}. It may have been cut off: fetch it again, or correct its quotes.`,
      )
    return rows
  }
  for await (const part of parts) {
    text += part
    const rows = rowsOf(false)
    if (rows.length > 0) yield rows
  }
  if (text !== '') {
    const rows = rowsOf(true)
    if (rows.length > 0) yield rows
  }
}

/** The columns are those of the first object. */
async function* jsonRows(parts: AsyncGenerator<string>): AsyncGenerator<readonly Row[]> {
  let columns: readonly string[] | null = null
  let text = ''
  let line = 0
  const rowOf = (source: string): Row[] => {
    line++
    if (source.trim() === '') return []
    const value = objectOf(source, line)
    const rows: Row[] = []
    if (columns === null) {
      columns = Object.keys(value)
      rows.push({ line, cells: columns })
    }
    rows.push({ line, cells: columns.map((c) => cellOf(value[c])) })
    return rows
  }
  for await (const part of parts) {
    text += part
    const lines = text.split('\n')
    text = lines.pop() ?? ''
    const rows = lines.flatMap(rowOf)
    if (rows.length > 0) yield rows
  }
  const rows = rowOf(text)
  if (rows.length > 0) yield rows
}

function objectOf(source: string, line: number): Record<string, unknown> {
  try {
    const value: unknown = JSON.parse(source)
    if (typeof value === 'object' && value !== null && !Array.isArray(value)) return value as Record<string, unknown>
  } catch (error) {
    if (!(error instanceof SyntaxError)) throw error
  }
  throw new Unreadable(`Line ${line} is no JSON object. Each line has to be one object, such as {"name": "…", "number": "…"}.`)
}

const cellOf = (value: unknown): string =>
  value === null || value === undefined ? '' : typeof value === 'string' ? value : typeof value === 'object' ? JSON.stringify(value) : String(value)
