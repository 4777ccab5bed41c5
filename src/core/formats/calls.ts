// Writers of the exported files of MEASURES.md: NDJSON (one JSON object a line, RFC 8259 texts) and CSV (RFC 4180,
// through Papa Parse). Both carry the same fields; in CSV, lists and objects are JSON in their cell.
import Papa from 'papaparse'
import { type CallRecord, CallRecordSchema } from '@/core/ledger'

export const toNdjson = (rows: readonly unknown[]): string => rows.map((row) => `${JSON.stringify(row)}\n`).join('')

/** Columns in the order of the call record; text that a spreadsheet would run as a formula is quoted with `'`. */
export function toCallsCsv(records: readonly CallRecord[]): string {
  const fields = Object.keys(CallRecordSchema.shape)
  const data = records.map((record) => fields.map((field) => toCell(record[field as keyof CallRecord])))
  return Papa.unparse({ fields, data }, { newline: '\r\n', escapeFormulae: /^[=@\t\r]|^[+-](?!\d)/ })
}

function toCell(value: unknown): string {
  if (value === null) return ''
  return typeof value === 'object' ? JSON.stringify(value) : String(value)
}
