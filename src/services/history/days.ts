// Past days as they are kept: the entries as text, and the call records and agent intervals folded from them once,
// so that opening the results does not fold a week again.
import * as z from 'zod'
import { AgentIntervalSchema, CallRecordSchema, createLedgerFolder, type LedgerEntry, type LedgerFolder, parseEntry, WrittenRecordSchema } from '@/core/ledger'
import type { KeyValue } from '@/services/storage'

export const PastDaySchema = z.object({
  day: z.string(),
  setUpCentre: z.string(),
  records: z.array(CallRecordSchema),
  intervals: z.array(AgentIntervalSchema),
  /** Absent where an earlier version kept it. */
  written: z.array(WrittenRecordSchema).default([]),
})
export type PastDay = z.infer<typeof PastDaySchema>

export type Progress = { readonly done: number; readonly days: number }

const BATCHES_BETWEEN_PAUSES = 8

/** What a day's entries fold into: sent before them, so that a visitor need not wait for the folding. */
export const foldedLine = (day: PastDay, dayNo: number, days: number): string => foldedLineOf(JSON.stringify(day), dayNo, days)
/** The same from the day as it was written before, which need not be read for it. */
export const foldedLineOf = (day: string, dayNo: number, days: number): string => `{"kind":"folded","dayNo":${dayNo},"days":${days},${day.slice(1)}`
export const entriesLine = (day: string): string => JSON.stringify({ kind: 'entries', day })
const FoldedLineSchema = PastDaySchema.extend({ kind: z.literal('folded'), dayNo: z.number(), days: z.number() })
const EntriesLineSchema = z.object({ kind: z.literal('entries'), day: z.string() })

/**
 * Reads a stream of days: first what each of them folds into, which is handed on at once, then the entries of each, which are
 * kept and read when somebody follows a figure down to them. Throws on a line that is not what it should be.
 */
export async function importDays(
  store: KeyValue,
  batches: AsyncIterable<readonly string[]>,
  onDay: (day: PastDay, progress: Progress) => void,
  keep: (day: PastDay) => Promise<void>,
): Promise<void> {
  const folded = new Map<string, PastDay>()
  const writes: Promise<void>[] = []
  let current: string | null = null
  let lines: string[] = []
  const finish = () => {
    const day = current === null ? undefined : folded.get(current)
    if (day === undefined) return
    // The disk keeps up in its own time; a day counts as kept only with its entries, which are therefore first.
    const text = lines.join('\n')
    writes.push(store.set(`entries/${day.day}`, text).then(() => keep(day)))
  }
  let batchNo = 0
  for await (const batch of batches) {
    for (const line of batch) {
      if (line.startsWith('{"kind":"folded"')) {
        const { kind: _kind, dayNo, days, ...day } = FoldedLineSchema.parse(JSON.parse(line))
        folded.set(day.day, day)
        onDay(day, { done: dayNo, days })
      } else if (line.startsWith('{"kind":"entries"')) {
        finish()
        current = EntriesLineSchema.parse(JSON.parse(line)).day
        lines = []
      } else if (line !== '') lines.push(line)
    }
    // Chunks that are there already would follow each other without a pause: questions are answered in between.
    if (++batchNo % BATCHES_BETWEEN_PAUSES === 0) await new Promise((resolve) => setTimeout(resolve))
  }
  finish()
  await Promise.all(writes)
}

export function foldDay(day: string, entries: readonly LedgerEntry[]): PastDay {
  const folder = createLedgerFolder()
  for (const entry of entries) folder.add(entry)
  return foldedDay(day, folder, entries.at(-1)?.atMs ?? 0)
}

/** What a folder holds after a day's last entry. */
export function foldedDay(day: string, folder: LedgerFolder, lastMs: number): PastDay {
  const records = [...folder.records()]
  return { day, setUpCentre: folder.setUp().centre, records, intervals: [...folder.intervals(lastMs)], written: [...folder.written()] }
}

const LEGACY_PREFIX = 'day/'

/** Days as the first versions kept them, records and spells as objects: handed out to be kept as they are now. */
export async function takeLegacyDays(store: KeyValue, keys: readonly string[], keep: (day: PastDay) => Promise<void>): Promise<void> {
  for (const key of keys.filter((k) => k.startsWith(LEGACY_PREFIX)).sort()) {
    const parsed = PastDaySchema.safeParse(await store.get(key))
    if (!parsed.success) continue
    await keep(parsed.data)
    await store.remove(key)
  }
}

export const entriesOfDay = async (store: KeyValue, day: string): Promise<LedgerEntry[]> => readEntries((await ledgerOfDay(store, day)) ?? '')

/** As it is stored, NDJSON; null where it is not. */
export async function ledgerOfDay(store: KeyValue, day: string): Promise<string | null> {
  const text = z.string().safeParse(await store.get(`entries/${day}`))
  return text.success ? text.data : null
}

/** Lines that do not parse are left out: the floor has set them aside and said so. */
export const readEntries = (text: string, isMeant: (line: string) => boolean = () => true): LedgerEntry[] =>
  text.split('\n').flatMap((line) => {
    if (line === '' || !isMeant(line)) return []
    const opened = parseEntry(line)
    return opened.ok ? [opened.entry] : []
  })
