// Past days that were made. A day takes seconds to simulate and is the same for everybody who asks with its seed: it is made once,
// in slices, one day at a time whoever asks, and kept compressed as long as there is room.
import { promisify } from 'node:util'
import { gzip } from 'node:zlib'
import { LRUCache } from 'lru-cache'
import pLimit from 'p-limit'
import type { ListedRecord, RecordLife } from '@/core/campaigns'
import { createListSource, type ListSourceOf } from '@/core/dialer'
import type { CampaignId } from '@/core/ids'
import { type CarriedOver, createLedgerFolder, type LedgerEntry, toLine } from '@/core/ledger'
import type { Place } from '@/core/lists'
import { foldedDay, type PastDay } from '@/services/history/days'
import { recordIdAt } from '@/services/lists/chunks'
import { type Day, type DayRequest, dayAfter, daySteps, type Pace, startOfDayMs } from '@/world'
import { FENNHOLM, FENNHOLM_LISTS, FENNHOLM_STAGE } from '@/world/scenario'
import { inSlices } from './slices'

/** A day of a run of days, which begins with `from` and nothing promised. */
export interface MadeRequest extends Pick<DayRequest, 'seed' | 'day' | 'pace'> {
  readonly from: Day
  /** A name for how the days of the run get their paces. */
  readonly kind: string
  readonly paceOf: (day: Day) => Pace
  /** Whether the lists of campaigns are called. */
  readonly campaigns: boolean
}

export interface MadeDay {
  /** A `PastDay` as JSON, gzip. */
  readonly folded: Buffer
  /** Its ledger as NDJSON, gzip. */
  readonly entries: Buffer
  /** What it leaves to the next day. */
  readonly left: CarriedOver
  /** What people of the lists have been through by its end; null where lists were not called. */
  readonly lives: Lives | null
}

export type Lives = ReadonlyMap<CampaignId, ReadonlyMap<Place, RecordLife>>

const SLICE_MS = 12
const ROOM_BYTES = 128 * 2 ** 20

const kept = new LRUCache<string, MadeDay>({ maxSize: ROOM_BYTES, sizeCalculation: ({ folded, entries }) => folded.length + entries.length })
const making = new Map<string, Promise<MadeDay>>()
const oneAtATime = pLimit(1)
const compress = promisify(gzip)

export async function madeDay(request: MadeRequest): Promise<MadeDay> {
  const key = `${request.seed} ${request.kind} ${request.from} ${request.day} ${request.campaigns}`
  const known = kept.get(key) ?? making.get(key)
  if (known !== undefined) return known
  const made = afterTheOneBefore(request).then((day) => {
    kept.set(key, day)
    return day
  })
  making.set(key, made)
  return made.finally(() => making.delete(key))
}

async function afterTheOneBefore(request: MadeRequest): Promise<MadeDay> {
  const { day, from, paceOf } = request
  const yesterday = dayAfter(day, -1)
  const before = day === from ? null : await madeDay({ ...request, day: yesterday, pace: paceOf(yesterday) })
  return oneAtATime(() => make(request, before))
}

async function make(request: MadeRequest, before: MadeDay | null): Promise<MadeDay> {
  const entries: LedgerEntry[] = []
  const lists = request.campaigns ? listsAfter(before?.lives ?? null, request.day) : null
  const left = await inSlices(
    daySteps(FENNHOLM_STAGE, { ...request, before: before?.left ?? null, lists }, (more) => entries.push(...more)),
    SLICE_MS,
  )
  const folder = createLedgerFolder()
  const lines: string[] = []
  await inSlices(
    (function* () {
      for (const entry of entries) {
        folder.add(entry)
        lines.push(`${toLine(entry)}\n`)
        yield
      }
    })(),
    SLICE_MS,
  )
  const day: PastDay = foldedDay(request.day, folder, entries.at(-1)?.atMs ?? 0)
  return { folded: await compress(JSON.stringify(day)), entries: await compress(lines.join('')), left, lives: lists === null ? null : livesOf(lists) }
}

/** The people of the demo's lists: the same on every day. */
let listed: readonly { readonly campaignId: CampaignId; readonly records: readonly ListedRecord[] }[] | null = null

function listsAfter(lives: Lives | null, day: Day): ListSourceOf {
  listed ??= FENNHOLM_LISTS.map(({ id, campaignId, records }) => ({
    campaignId,
    records: Array.from(records(), (record, place) => ({ ...record, recordId: recordIdAt(id, place), listId: id })),
  }))
  const at = listed.flatMap(({ campaignId, records }) => {
    const rules = FENNHOLM.campaigns.find((c) => c.id === campaignId)
    return rules === undefined ? [] : [{ campaignId, rules, records, lives: lives?.get(campaignId) ?? new Map() }]
  })
  return createListSource(at, startOfDayMs(day, FENNHOLM.timeZone))
}

const livesOf = (lists: ListSourceOf): Lives => new Map(FENNHOLM_LISTS.map(({ campaignId }) => [campaignId, lists.lives(campaignId)]))
