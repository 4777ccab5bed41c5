// Rows of calling lists that are to name nobody any more, and are called by nobody; what was tried stays, because figures count it.
import { forgottenLife, lastHeardMs, type RecordLife, type RecordState } from '@/core/campaigns'
import { FORGOTTEN } from '@/core/forgotten'
import type { CampaignId, ListId } from '@/core/ids'
import type { CallingList, Place } from '@/core/lists'
import type { CampaignSetUp } from '@/core/set-up'
import { type EpochMs, localDay } from '@/core/time'
import type { KeyValue } from '@/services/storage'
import { CHUNK_ROWS, placeOfRecord, recordIdAt, withoutRows } from './chunks'
import type { Held } from './held'
import { writeChunk } from './kept'

interface Options {
  readonly store: KeyValue
  readonly held: Map<ListId, Held>
  readonly listOf: (of: Held, atMs: EpochMs) => CallingList | null
  /** undefined of one that is there no more. */
  readonly campaignOf: (id: CampaignId) => CampaignSetUp | undefined
  /** With the dialer, and nothing has been heard of them yet. */
  readonly isOut: (recordId: string) => boolean
}

/** Whoever stands here is called by nobody, as it is; once the campaign has ended, neither are those who would have been. */
const OVER: ReadonlySet<RecordState> = new Set(['final', 'never', 'invalid'])
const WAITS: ReadonlySet<RecordState> = new Set(['fresh', 'again', 'waitingForHours'])

export type Forgetting = ReturnType<typeof createForgetting>

export function createForgetting({ store, held, listOf, campaignOf, isOut }: Options) {
  const forget = async ({ meta }: Held, places: readonly Place[]): Promise<void> => {
    const byChunk = new Map<number, Place[]>()
    for (const place of places) {
      const no = Math.floor(place / CHUNK_ROWS)
      const ofChunk = byChunk.get(no)
      if (ofChunk === undefined) byChunk.set(no, [place])
      else ofChunk.push(place)
    }
    for (const [no, ofChunk] of byChunk) {
      const of = held.get(meta.id)
      const before = of?.chunks[no]
      if (of === undefined || before === undefined) continue
      const rows = ofChunk.map((place) => place % CHUNK_ROWS)
      const chunk = withoutRows(before, rows)
      await writeChunk(store, meta.id, meta.generation, no, chunk)
      for (const place of ofChunk) {
        const life = of.lives.get(place)
        if (life === undefined) continue
        of.lives.set(place, forgottenLife(life))
        of.dirty.add(no)
      }
      held.set(meta.id, { ...of, chunks: of.chunks.with(no, chunk), list: null, source: null })
    }
  }
  const isCalledNoMore = (of: Held, place: Place, life: RecordLife, beforeMs: EpochMs, atMs: EpochMs): boolean => {
    const lastMs = lastHeardMs(life)
    if (lastMs === null || lastMs >= beforeMs || isOut(recordIdAt(of.meta.id, place))) return false
    const state = listOf(of, atMs)?.stateAt(place)
    return state === undefined || OVER.has(state) || (WAITS.has(state) && hasEnded(campaignOf(of.meta.campaignId), atMs))
  }
  return {
    /** These, where they are on one of the lists. */
    async records(lists: readonly Held[], ids: readonly string[]): Promise<void> {
      for (const of of lists) {
        const places = ids.flatMap((id) => placeOfRecord(of.meta.id, id) ?? [])
        await forget(
          of,
          places.filter((place) => place < of.meta.count),
        )
      }
    },
    /** Whoever was tried, was heard of last before this, and is called no more. */
    async triedBefore(lists: readonly Held[], beforeMs: EpochMs, atMs: EpochMs): Promise<void> {
      for (const of of lists) {
        const named = [...of.lives].filter(([, { tries }]) => tries.some((t) => t.number !== FORGOTTEN))
        await forget(
          of,
          named.flatMap(([place, life]) => (isCalledNoMore(of, place, life, beforeMs, atMs) ? [place] : [])),
        )
      }
    },
  }
}

const hasEnded = (campaign: CampaignSetUp | undefined, atMs: EpochMs): boolean =>
  campaign === undefined || (campaign.toDay !== null && localDay(campaign.timeZone, atMs) > campaign.toDay)
