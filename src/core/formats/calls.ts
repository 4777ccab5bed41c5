// Writers of the exported files of MEASURES.md: NDJSON (one JSON object a line, RFC 8259 texts) and CSV. Both carry the same fields.

import { toCsv } from '@/core/csv'
import { type CallRecord, CallRecordSchema } from '@/core/ledger'

export const toNdjson = (rows: readonly unknown[]): string => rows.map((row) => `${JSON.stringify(row)}\n`).join('')

/** Columns in the order of the call record. */
export function toCallsCsv(records: readonly CallRecord[]): string {
  const fields = Object.keys(CallRecordSchema.shape) as (keyof CallRecord)[]
  return toCsv(
    fields,
    records.map((record) => fields.map((field) => record[field])),
  )
}
