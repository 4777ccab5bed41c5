// A first look at a file: what it is, its first rows, and what its columns seem to stand for. Nothing is taken yet.
import { guessRoles, type Role } from './columns'
import { type Encoding, encodingOf, isBinary } from './encoding'
import { openTable, type Shape, shapeOf, Unreadable } from './rows'

export interface Looked {
  readonly encoding: Encoding
  readonly shape: Shape
  readonly columns: readonly string[]
  readonly sample: readonly (readonly string[])[]
  readonly roles: readonly Role[]
}

export type Look = { readonly ok: true; readonly looked: Looked } | { readonly ok: false; readonly says: string }

const SAMPLE_BYTES = 64 * 1024
const SAMPLE_ROWS = 50

export async function lookAt(file: Blob): Promise<Look> {
  const bytes = new Uint8Array(await file.slice(0, SAMPLE_BYTES).arrayBuffer())
  if (bytes.length === 0) return { ok: false, says: 'The file is empty. Choose another file.' }
  const encoding = encodingOf(bytes)
  if (isBinary(bytes, encoding)) return { ok: false, says: 'That is no table: it is not a text. Save the workbook as CSV, or choose another file.' }
  const sample = new TextDecoder(encoding).decode(bytes)
  const shape = shapeOf(sample)
  try {
    const table = await openTable(file, encoding, shape)
    const rows: (readonly string[])[] = []
    for await (const part of table.parts()) {
      rows.push(...part.slice(0, SAMPLE_ROWS - rows.length).map((r) => r.cells))
      if (rows.length >= SAMPLE_ROWS) break
    }
    if (table.columns.length < 2 && shape.is === 'csv' && !/\d{6}/.test(sample))
      return { ok: false, says: 'That is no table: no line has more than one cell, and none has a number. Choose a CSV or NDJSON file.' }
    if (rows.length === 0) return { ok: false, says: 'The file has headings and no row below them. Choose another file.' }
    return { ok: true, looked: { encoding, shape, columns: table.columns, sample: rows, roles: guessRoles(table.columns, rows) } }
  } catch (error) {
    if (error instanceof Unreadable) return { ok: false, says: error.message }
    throw error
  }
}
