// Past days as they are kept: the entries as text, and the call records and agent intervals folded from them once,
// so that opening the results does not fold a week again.
import * as z from 'zod'
import { AgentIntervalSchema, CallRecordSchema, createLedgerFolder, type LedgerEntry, parseEntry } from '@/core/ledger'
import type { KeyValue } from '@/exchange/store'

export const PastDaySchema = z.object({
  day: z.string(),
  setUpCentre: z.string(),
  records: z.array(CallRecordSchema),
  intervals: z.array(AgentIntervalSchema),
})
export type PastDay = z.infer<typeof PastDaySchema>

const DayLineSchema = z.object({ kind: z.literal('day'), day: z.string(), dayNo: z.number(), days: z.number() })

export type Progress = { readonly done: number; readonly days: number }

/** The line after a day's header: what its entries fold into, so that a visitor need not wait for the folding. */
export const foldedLine = (day: PastDay): string => JSON.stringify({ kind: 'folded', ...day })
const FoldedLineSchema = PastDaySchema.extend({ kind: z.literal('folded') })

/**
 * Reads a stream of days: a header, what the day folds into, and its entries. A day is handed on as soon as its second line
 * is there; its entries are kept as they come, and read when somebody follows a figure down to them. Throws on a line that is
 * not what it should be.
 */
export async function importDays(store: KeyValue, batches: AsyncIterable<readonly string[]>, onDay: (day: PastDay, progress: Progress) => void): Promise<void> {
  let header: z.infer<typeof DayLineSchema> | null = null
  let folded: PastDay | null = null
  let lines: string[] = []
  const writes: Promise<void>[] = []
  const finish = () => {
    if (header === null || folded === null) return
    // The disk keeps up in its own time; a day counts as kept only with its entries, which are therefore first.
    const day = folded
    const text = lines.join('\n')
    writes.push(store.set(`entries/${day.day}`, text).then(() => store.set(`day/${day.day}`, day)))
  }
  for await (const batch of batches)
    for (const line of batch) {
      if (line.startsWith('{"kind":"day"')) {
        finish()
        header = DayLineSchema.parse(JSON.parse(line))
        folded = null
        lines = []
      } else if (header !== null && folded === null) {
        const { kind: _kind, ...day } = FoldedLineSchema.parse(JSON.parse(line))
        folded = day
        onDay(day, { done: header.dayNo, days: header.days })
      } else if (line !== '') lines.push(line)
    }
  finish()
  await Promise.all(writes)
}

export function foldDay(day: string, entries: readonly LedgerEntry[]): PastDay {
  const folder = createLedgerFolder()
  for (const entry of entries) folder.add(entry)
  const lastMs = entries.at(-1)?.atMs ?? 0
  return { day, setUpCentre: folder.setUp().centre, records: [...folder.records()], intervals: [...folder.intervals(lastMs)] }
}

export async function loadDays(store: KeyValue): Promise<PastDay[]> {
  const keys = (await store.keys()).filter((key) => key.startsWith('day/')).sort()
  const days = await Promise.all(keys.map((key) => store.get(key)))
  return days.flatMap((day) => {
    const parsed = PastDaySchema.safeParse(day)
    return parsed.success ? [parsed.data] : []
  })
}

export async function entriesOfDay(store: KeyValue, day: string): Promise<LedgerEntry[]> {
  const text = z.string().safeParse(await store.get(`entries/${day}`))
  return text.success ? readEntries(text.data) : []
}

/** Lines that do not parse are left out: the floor has set them aside and said so. */
export const readEntries = (text: string): LedgerEntry[] =>
  text.split('\n').flatMap((line) => {
    if (line === '') return []
    const opened = parseEntry(line)
    return opened.ok ? [opened.entry] : []
  })

/** Whole lines of a gzip byte stream, without their ends, as they arrive. */
export async function* linesOf(stream: ReadableStream<Uint8Array>): AsyncGenerator<readonly string[]> {
  const text = stream.pipeThrough(new DecompressionStream('gzip') as ReadableWritablePair<Uint8Array, Uint8Array>)
  const reader = text.pipeThrough(new TextDecoderStream() as ReadableWritablePair<string, Uint8Array>).getReader()
  let rest = ''
  for (;;) {
    const { done, value } = await reader.read()
    if (done) break
    const lines = (rest + value).split('\n')
    rest = lines.pop() ?? ''
    yield lines
  }
  if (rest !== '') yield [rest]
}
