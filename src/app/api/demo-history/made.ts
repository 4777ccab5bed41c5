// Past days that were made. A day takes seconds to simulate and is the same for everybody who asks with its seed: it is made once,
// in slices, one day at a time whoever asks, and kept compressed as long as there is room.
import { promisify } from 'node:util'
import { gzip } from 'node:zlib'
import { LRUCache } from 'lru-cache'
import pLimit from 'p-limit'
import { createLedgerFolder, type LedgerEntry, toLine } from '@/core/ledger'
import { utcDay } from '@/core/time'
import { foldedDay, type PastDay } from '@/exchange/archive/days'
import { type DayRequest, daySteps } from '@/world'
import { inSlices } from './slices'

export interface MadeDay {
  /** A `PastDay` as JSON, gzip. */
  readonly folded: Buffer
  /** Its ledger as NDJSON, gzip. */
  readonly entries: Buffer
}

const SLICE_MS = 12
const ROOM_BYTES = 128 * 2 ** 20

const kept = new LRUCache<string, MadeDay>({ maxSize: ROOM_BYTES, sizeCalculation: ({ folded, entries }) => folded.length + entries.length })
const making = new Map<string, Promise<MadeDay>>()
const oneAtATime = pLimit(1)
const compress = promisify(gzip)

export async function madeDay(request: DayRequest): Promise<MadeDay> {
  const key = `${request.seed} ${request.pace} ${request.midnightMs}`
  const known = kept.get(key) ?? making.get(key)
  if (known !== undefined) return known
  const made = oneAtATime(() => make(request)).then((day) => {
    kept.set(key, day)
    return day
  })
  making.set(key, made)
  return made.finally(() => making.delete(key))
}

async function make(request: DayRequest): Promise<MadeDay> {
  const entries: LedgerEntry[] = []
  await inSlices(
    daySteps(request, (more) => entries.push(...more)),
    SLICE_MS,
    () => {},
  )
  const folder = createLedgerFolder()
  const lines: string[] = []
  await inSlices(entries, SLICE_MS, (entry) => {
    folder.add(entry)
    lines.push(`${toLine(entry)}\n`)
  })
  const day: PastDay = foldedDay(utcDay(request.midnightMs), folder, entries.at(-1)?.atMs ?? 0)
  return { folded: await compress(JSON.stringify(day)), entries: await compress(lines.join('')) }
}
