// Reads a do-not-call file beside the page: a hundred thousand numbers take seconds, in which an agent goes on working. What was read is
// handed over in parts.
import * as Comlink from 'comlink'
import { type ReadEntry, type ReadList, readDoNotCall } from '@/core/do-not-call'

let entries: readonly ReadEntry[] = []

const api = {
  read(text: string, homeCountry: string): { readonly ok: true; readonly count: number } | Extract<ReadList, { ok: false }> {
    const list = readDoNotCall(text, homeCountry)
    if (!list.ok) return list
    entries = list.entries
    return { ok: true, count: entries.length }
  },
  part: (from: number, count: number): readonly ReadEntry[] => entries.slice(from, from + count),
}
export type ListReaderApi = typeof api

Comlink.expose(api)
