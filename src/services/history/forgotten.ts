// Whoever is forgotten stands in no block and in no past day any more, while every figure stays what it was.
import { type IsOffered, offeredBy } from '@/core/forgotten'
import { forgottenCall, forgottenWritten, type LedgerEntry, namesOf, parseEntry, toLine } from '@/core/ledger'
import { type Found, foundInLines, mergeFound, putTogether, type Sought, takeApart } from '@/core/personal'
import type { SetUp } from '@/core/set-up'
import type { EpochMs } from '@/core/time'
import type { KeyValue } from '@/services/storage'
import { hashOf, idAt, packCalls, recordsOf, rowsOf } from './columns'
import { ledgerOfDay } from './days'
import { type Kept, rangeOf } from './kept'

/** The block as it is once these are forgotten; null where it is about none of them. Its sums are what they were. */
export function withoutThem(kept: Kept, about: ReadonlySet<string>, setUp: SetUp): Kept | null {
  const { calls, written = [] } = kept
  const hasCalls = [...about].some((id) => rowsOf(calls.byId, hashOf(id)).some((row) => idAt(calls, row) === id))
  if (!hasCalls && !written.some(({ record }) => about.has(record.workId))) return null
  return without(kept, (id) => about.has(id), setUp)
}

/** The same of everything that was over before an instant. */
export function withoutBefore(kept: Kept, beforeMs: EpochMs, setUp: SetUp): Kept | null {
  const { calls, written = [] } = kept
  if (rangeOf(kept).fromMs >= beforeMs || (calls.count === 0 && written.length === 0)) return null
  return without(kept, (_, endedAtMs) => endedAtMs !== null && endedAtMs < beforeMs, setUp)
}

function without(kept: Kept, isMeant: (id: string, endedAtMs: EpochMs | null) => boolean, setUp: SetUp): Kept {
  const [isOffered, isOurs] = [offeredBy(setUp), namesOf(setUp)]
  return {
    ...kept,
    calls: packCalls(recordsOf(kept.calls).map((r) => (isMeant(r.callId, r.endedAtMs) ? forgottenCall(r, isOffered, isOurs) : r))),
    written: (kept.written ?? []).map((one) =>
      isMeant(one.record.workId, one.record.endedAtMs) ? { ...one, record: forgottenWritten(one.record, isOffered) } : one,
    ),
  }
}

/** Entries of days that are kept as they were fetched. */
export interface PastDays {
  about(sought: Sought): Promise<readonly Found[]>
  /** Drops what is personal of what is meant. */
  forget(isMeant: (about: string) => boolean, mayBe: (line: string) => boolean): Promise<void>
}

export function pastDaysOf(store: KeyValue, days: () => Iterable<string>, isOffered: () => IsOffered): PastDays {
  const each = async (tell: (day: string, lines: string[]) => Promise<void>) => {
    for (const day of days()) {
      const text = await ledgerOfDay(store, day)
      if (text !== null) await tell(day, text.split('\n'))
      // Questions are answered between two days.
      await new Promise((resolve) => setTimeout(resolve))
    }
  }
  return {
    async about(sought) {
      const found: Found[] = []
      await each(async (_, lines) => {
        found.push(...foundInLines(lines, sought, isOffered()))
      })
      return mergeFound(found)
    },
    forget: (isMeant, mayBe) =>
      each(async (day, lines) => {
        let changed = false
        for (const [i, line] of lines.entries()) {
          const entry = mayBe(line) ? entryOf(line) : null
          const left = entry === null ? null : withoutAbout(entry, isMeant, isOffered())
          if (left === null) continue
          lines[i] = toLine(left)
          changed = true
        }
        if (changed) await store.set(`entries/${day}`, lines.join('\n'))
      }),
  }
}

function entryOf(line: string): LedgerEntry | null {
  const opened = line === '' ? null : parseEntry(line)
  return opened?.ok === true ? opened.entry : null
}

/** null where it says nothing of what is meant. */
function withoutAbout(entry: LedgerEntry, isMeant: (about: string) => boolean, isOffered: IsOffered): LedgerEntry | null {
  const { bare, parts } = takeApart(entry.event, isOffered)
  if (![...parts.keys()].some(isMeant)) return null
  const left = [...parts].flatMap(([about, personal]) => (isMeant(about) ? [] : personal))
  return { ...entry, event: putTogether(bare, left) as LedgerEntry['event'] }
}
