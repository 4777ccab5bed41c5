// The floor's end of the calling lists: people are asked for ahead of time, so that the dialer has them when it needs them, and go back when they were not
// called. The lists have a worker of their own; where it is not there, nobody is at hand and nothing is dialled.
import type { Attempt, CalledRecord, RecordState } from '@/core/campaigns'
import type { RecordSource } from '@/core/dialer'
import type { CampaignId } from '@/core/ids'
import type { LedgerEntry } from '@/core/ledger'
import type { FloorState } from '@/core/state'
import { get } from '@/core/table'
import { MINUTE } from '@/core/time'

/** The lists, as they are called across a port. */
export interface ListsEnd {
  /** Of this worker: another one begins anew with whom it has taken out. */
  run(): Promise<string>
  next(campaignId: CampaignId, atMost: number, atMs: number): Promise<readonly CalledRecord[]>
  giveBack(recordIds: readonly string[], atMs: number): Promise<void>
  /** Whoever of a campaign's lists has this number; of several, who was called last. */
  whose(campaignId: CampaignId, number: string): Promise<CalledRecord | null>
}

/** What is answered over the port. */
export const LISTS_END = ['run', 'next', 'giveBack', 'whose'] as const satisfies readonly (keyof ListsEnd)[]

/** How many of a campaign's records stand where. */
export interface Left {
  readonly loaded: number
  readonly states: Readonly<Record<RecordState, number>>
  readonly nextAtMs: number | null
}

export interface ListFeed extends RecordSource {
  attach(end: ListsEnd): Promise<void>
  figuresAre(figures: readonly (Left & { readonly campaignId: CampaignId })[]): void
  left(campaignId: CampaignId): Left | null
  /** Whoever has this number on a campaign's lists; null when nobody has, or the lists do not say. */
  whose(campaignId: CampaignId, number: string): Promise<CalledRecord | null>
  /** The number that was last rung in vain; it is given once. */
  missed(campaignId: CampaignId): string | null
  /** Who was called lately is not called again before the lists have heard of it. */
  observe(entries: readonly LedgerEntry[]): void
  /** Sees to it that people are at hand for every campaign that is worked, and for no other. */
  tend(state: FloorState, atMs: number): void
}

const REMEMBERS_MS = 2 * MINUTE

/** `underWay`: attempts of a floor that is opened again, made before anything is heard here. */
export function createListFeed(onMore: () => void, underWay: Iterable<Pick<Attempt, 'id' | 'record'>>): ListFeed {
  const atHand = new Map<CampaignId, CalledRecord[]>()
  const asking = new Set<CampaignId>()
  const lately = new Map<string, number>()
  const left = new Map<CampaignId, Left>()
  const numbers = new Map<string, string>([...underWay].map(({ id, record }) => [id, record.number]))
  const missed = new Map<CampaignId, string>()
  let end: ListsEnd | null = null
  let run = ''

  const giveBack = (records: readonly CalledRecord[], atMs: number) => {
    if (records.length > 0)
      void end
        ?.giveBack(
          records.map((r) => r.recordId),
          atMs,
        )
        .catch(() => {})
  }

  const ask = async (campaignId: CampaignId, atMost: number, atMs: number) => {
    if (end === null || asking.has(campaignId)) return
    const asked = end
    asking.add(campaignId)
    try {
      const records = await asked.next(campaignId, atMost, atMs)
      if (asked !== end) return
      const fresh = records.filter((r) => (lately.get(r.recordId) ?? 0) < atMs - REMEMBERS_MS)
      const hand = atHand.get(campaignId) ?? []
      const wasEmpty = hand.length === 0
      hand.push(...fresh)
      atHand.set(campaignId, hand)
      if (wasEmpty && fresh.length > 0) onMore()
    } catch {
      // A worker that has gone: another one is introduced by the next tab.
      if (asked === end) end = null
    } finally {
      asking.delete(campaignId)
    }
  }

  return {
    async attach(its) {
      const name = await its.run()
      if (name === run && end !== null) return
      run = name
      end = its
      // Whoever another worker had taken out it has forgotten.
      atHand.clear()
      onMore()
    },
    figuresAre(figures) {
      left.clear()
      for (const { campaignId, ...its } of figures) left.set(campaignId, its)
      onMore()
    },
    left: (campaignId) => left.get(campaignId) ?? null,
    next: (campaignId) => atHand.get(campaignId)?.shift(),
    async whose(campaignId, number) {
      try {
        return (await end?.whose(campaignId, number)) ?? null
      } catch {
        return null
      }
    },
    missed(campaignId) {
      const number = missed.get(campaignId) ?? null
      missed.delete(campaignId)
      return number
    },
    giveBack: (_campaignId, record, atMs) => giveBack([record], atMs),
    isDone(campaignId) {
      const states = left.get(campaignId)?.states
      if (end === null || states === undefined || (atHand.get(campaignId)?.length ?? 0) > 0 || asking.has(campaignId)) return false
      return states.fresh + states.inProgress + states.again + states.callback === 0
    },
    observe(entries) {
      for (const { event, atMs } of entries) {
        if (event.kind === 'attemptEnded') {
          const number = numbers.get(event.attemptId)
          numbers.delete(event.attemptId)
          if (event.result === 'noAnswer' && number !== undefined) missed.set(event.campaignId, number)
        }
        if (event.kind !== 'attemptMade') continue
        numbers.set(event.attemptId, event.record.number)
        lately.set(event.record.recordId, atMs)
        for (const [id, ms] of lately) {
          if (ms > atMs - REMEMBERS_MS) break
          lately.delete(id)
        }
      }
    },
    tend(state, atMs) {
      for (const { id, lines, retired } of state.setUp.campaigns) {
        let agents = 0
        for (const agent of state.agents.values()) if (agent.shift?.campaignId === id) agents++
        const hand = atHand.get(id) ?? []
        if (retired || agents === 0 || get(state.campaigns, id)?.state !== 'running') {
          giveBack(hand.splice(0), atMs)
          continue
        }
        const wanted = Math.min(lines, 2 * agents + 4)
        if (hand.length < wanted / 2) void ask(id, wanted - hand.length, atMs)
      }
    },
  }
}
