// Entries of one call, out of the floor's ledger or a day's.
import type { LedgerEntry } from '@/core/ledger'
import type { Feed } from './asked'
import { readEntries } from './days'

export async function ownEntries(feed: Feed | null, callId: string, firstSeq: number, lastSeq: number): Promise<LedgerEntry[]> {
  return feed === null ? [] : ofCall(readEntries(await feed.read(firstSeq - 1, lastSeq)), callId)
}

/** What was consulted about the call is part of what happened on it. */
export function ofCall(entries: readonly LedgerEntry[], callId: string): LedgerEntry[] {
  const ids = new Set<string>([callId])
  for (const { event } of entries) if (event.kind === 'consultationOriginated' && event.consultFor === callId) ids.add(event.callId)
  return entries.filter((e) => 'callId' in e.event && e.event.callId !== null && ids.has(e.event.callId))
}
