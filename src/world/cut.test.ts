import { describe, expect, test } from 'vitest'
import { type CallId, toCallId } from '@/core/ids'
import { createLedgerFolder, type LedgerEntry } from '@/core/ledger'
import { aDay } from '@/world/scenario/testing'

const FIRST_DAY = aDay('2026-11-23')

/** Events a call that is recorded begins with. */
const BEGINS: ReadonlySet<string> = new Set(['callQueued', 'callOriginated', 'internalCallOriginated', 'mailboxCalled', 'messageQueued'])

describe('a ledger whose beginning was cleared away', () => {
  const whole = createLedgerFolder()
  for (const entry of FIRST_DAY) whole.add(entry)

  test.each([50, 400, 1_000, 2_500, 4_000])('tells, from entry %i on, of every call that began after it what the whole one tells', (cut) => {
    const setUp = whole.setUp()
    const at = FIRST_DAY[cut] as LedgerEntry
    const folder = createLedgerFolder()
    for (const entry of FIRST_DAY.slice(cut - 3, cut)) folder.add(entry)
    folder.add({ ...at, event: { kind: 'storageCleared', setUp } })
    for (const entry of FIRST_DAY.slice(cut)) folder.add(entry)
    const known = new Map(whole.records().map((r) => [r.callId, r]))
    const begun = new Set(FIRST_DAY.slice(cut).flatMap(({ event }) => (BEGINS.has(event.kind) && 'callId' in event ? [event.callId as CallId] : [])))
    const later = whole.records().filter((r) => begun.has(toCallId(r.callId)))
    expect(folder.records().map((r) => r.callId)).toEqual(later.map((r) => r.callId))
    for (const record of folder.records()) expect(record).toEqual(known.get(record.callId))
    expect(folder.intervals(at.atMs + 1e8).every((i) => i.toMs > i.fromMs)).toBe(true)
  })
})
