// What of a recording was hold and what was left out, read from the ledger.
import type { LedgerEntry } from '@/core/ledger'
import type { Span } from '@/parts/recordings'

/** Spans that fall into the recording, in the order they began. What is still open at its end ends there. */
export function spansOf(entries: readonly LedgerEntry[], startedAtMs: number, endedAtMs: number): readonly Span[] {
  const spans: Span[] = []
  const open = new Map<string, { readonly kind: Span['kind']; readonly atMs: number }>()
  const begin = (key: string, kind: Span['kind'], atMs: number) => open.set(key, { kind, atMs })
  const end = (key: string, atMs: number) => {
    const begun = open.get(key)
    if (begun === undefined) return
    open.delete(key)
    const [from, to] = [Math.max(begun.atMs, startedAtMs), Math.min(atMs, endedAtMs)]
    if (to > from) spans.push({ kind: begun.kind, fromMs: from - startedAtMs, toMs: to - startedAtMs })
  }
  for (const { event, atMs } of entries) {
    if (event.kind === 'connectionHeld') begin(event.deviceId, 'hold', atMs)
    if (event.kind === 'connectionRetrieved' || event.kind === 'connectionCleared') end(event.deviceId, atMs)
    if (event.kind !== 'recordingChanged') continue
    if (event.to === 'paused') begin('recording', 'paused', atMs)
    else end('recording', atMs)
  }
  for (const key of [...open.keys()]) end(key, endedAtMs)
  return spans.toSorted((a, b) => a.fromMs - b.fromMs)
}
