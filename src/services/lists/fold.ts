// What the floor's ledger says of lists, folded into them entry by entry. An entry that was folded in before changes nothing.
import { isPutBackBy, type PutBack } from '@/core/campaigns'
import { lifeEventOf } from '@/core/dialer'
import type { CampaignId } from '@/core/ids'
import { type LedgerEntry, parseEntry } from '@/core/ledger'
import type { CallingList, Place } from '@/core/lists'
import type { EpochMs } from '@/core/time'
import { placeOfRecord } from './chunks'
import type { Forgetting } from './forgetting'
import type { Held } from './held'

type ListOf = (of: Held, atMs: EpochMs) => CallingList | null

const OURS =
  /"kind":"(?:attemptMade|attemptEnded|recordOffered|recordReturned|recordCoded|recordUncoded|recordBarred|recordReleased|recordsPutBack|setUpChanged|carriedOver|personForgotten|detailsForgotten)"/
const SEQ = /"seq":(\d+)/

/** Lines of a ledger: most are no business of a list and are passed over without being read, with null in their place; so is what cannot be read. */
export function* entriesIn(text: string, afterSeq: number): Generator<{ readonly seq: number; readonly entry: LedgerEntry | null }> {
  let seq = afterSeq
  for (const line of text.split('\n')) {
    if (line === '') continue
    const opened = OURS.test(line) ? parseEntry(line) : null
    const entry = opened?.ok === true ? opened.entry : null
    // The floor says what it left out; what comes after it is of the lists all the same.
    seq = entry?.seq ?? Number(SEQ.exec(line)?.[1] ?? seq + 1)
    yield { seq, entry }
  }
}

export function heldBy(lists: Iterable<Held>, recordId: string): { readonly of: Held; readonly place: Place } | null {
  for (const of of lists) {
    const place = placeOfRecord(of.meta.id, recordId)
    if (place !== null && place < of.meta.count) return { of, place }
  }
  return null
}

/** Whoever would be put back: only who was tried can be. */
export function* meantBy(lists: Iterable<Held>, listOf: ListOf, campaignId: CampaignId, which: PutBack, atMs: EpochMs) {
  for (const of of lists) {
    const list = of.meta.campaignId === campaignId ? listOf(of, atMs) : null
    if (list === null) continue
    for (const [place, life] of of.lives) {
      const state = list.stateAt(place)
      if (state !== undefined && isPutBackBy(which, life, state, atMs)) yield { list, place }
    }
  }
}

/** Folds an entry into these lists. `nowMs`: by which a list is set up that was not asked for yet. */
export async function foldIn({ event, atMs }: LedgerEntry, lists: readonly Held[], listOf: ListOf, forgetting: Forgetting, nowMs: EpochMs): Promise<void> {
  if (event.kind === 'personForgotten') return forgetting.records(lists, event.about)
  if (event.kind === 'detailsForgotten') return event.what === 'attempts' ? forgetting.triedBefore(lists, event.beforeMs, atMs) : undefined
  if (event.kind === 'recordsPutBack')
    for (const { list, place } of [...meantBy(lists, listOf, event.campaignId, event.which, atMs)]) list.fold(place, { kind: 'recordPutBack' }, atMs)
  const life = lifeEventOf(event)
  const at = life === null ? null : heldBy(lists, life.recordId)
  if (life !== null && at !== null) listOf(at.of, nowMs)?.fold(at.place, life.event, atMs)
}
