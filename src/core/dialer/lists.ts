// A source of people from lists that are in memory, kept up to date by what happens on the floor: for simulated days and tests. Live, the lists have a worker
// of their own.
import type { CalledRecord, LifeEvent, ListedRecord, RecordLife } from '@/core/campaigns'
import type { CampaignId } from '@/core/ids'
import type { LedgerEntry } from '@/core/ledger'
import { type CallingList, createCallingList, inMemory, type ListRules, type Next } from '@/core/lists'
import type { RecordSource } from './source'

export interface ListSourceOf extends RecordSource {
  observe(entries: readonly LedgerEntry[]): void
  list(campaignId: CampaignId): CallingList | undefined
  lives(campaignId: CampaignId): ReadonlyMap<number, RecordLife>
}

interface Held {
  readonly list: CallingList
  readonly places: ReadonlyMap<string, number>
  readonly lives: () => ReadonlyMap<number, RecordLife>
}

export interface ListOf {
  readonly campaignId: CampaignId
  readonly rules: ListRules
  readonly records: readonly ListedRecord[]
  readonly lives?: ReadonlyMap<number, RecordLife>
}

export function createListSource(lists: readonly ListOf[], startMs: number): ListSourceOf {
  const held = new Map<CampaignId, Held>(
    lists.map(({ campaignId, rules, records, lives }) => {
      const source = inMemory(records, lives)
      return [
        campaignId,
        { list: createCallingList(source, rules, startMs), places: new Map(records.map((r, place) => [r.recordId, place])), lives: source.lives },
      ]
    }),
  )
  return {
    next(campaignId, atMs) {
      const next = held.get(campaignId)?.list.next(atMs)
      return next === undefined ? undefined : calledAs(next)
    },
    giveBack(campaignId, record, atMs) {
      const of = held.get(campaignId)
      const place = of?.places.get(record.recordId)
      if (place !== undefined) of?.list.giveBack(place, atMs)
    },
    isDone(campaignId) {
      const of = held.get(campaignId)
      if (of === undefined) return false
      const { fresh, inProgress, again, callback } = of.list.figures()
      return fresh + inProgress + again + callback === 0
    },
    observe(entries) {
      for (const { event, atMs } of entries) {
        const life = lifeEventOf(event)
        if (life === null) continue
        const of = held.get(life.campaignId)
        const place = of?.places.get(life.recordId)
        if (of !== undefined && place !== undefined) of.list.fold(place, life.event, atMs)
      }
    },
    list: (campaignId) => held.get(campaignId)?.list,
    lives: (campaignId) => held.get(campaignId)?.lives() ?? new Map(),
  }
}

export const calledAs = ({ record, number, tries }: Omit<Next, 'place'>): CalledRecord => ({
  recordId: record.recordId,
  listId: record.listId,
  key: record.key,
  person: record.person,
  number: number.number,
  zones: number.zones,
  fields: record.fields,
  tries,
})

/** What an entry of the ledger means for a record, and of whom; null for all others. */
export function lifeEventOf(event: LedgerEntry['event']): { readonly campaignId: CampaignId; readonly recordId: string; readonly event: LifeEvent } | null {
  switch (event.kind) {
    case 'attemptMade':
      return { campaignId: event.campaignId, recordId: event.record.recordId, event }
    case 'recordOffered':
      return { campaignId: event.campaignId, recordId: event.record.recordId, event }
    case 'attemptEnded':
    case 'recordReturned':
    case 'recordCoded':
    case 'recordUncoded':
    case 'recordBarred':
    case 'recordReleased':
      return { campaignId: event.campaignId, recordId: event.recordId, event }
    default:
      return null
  }
}
