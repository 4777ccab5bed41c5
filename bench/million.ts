// A year or two of a busy centre: storm days as they are simulated, one after the other under other dates and ids, until there are so many calls.
import type { AgentInterval, CallRecord } from '@/core/ledger'
import { createLedgerFolder } from '@/core/ledger'
import { DAY } from '@/core/time'
import { type Kept, keepDay } from '@/services/history/kept'
import { rulesOf } from '@/services/history/rules'
import { dayAfter, simulateDay } from '@/world'
import { FENNHOLM, FENNHOLM_STAGE } from '@/world/scenario'

export const FIRST_DAY = '2024-01-01'
const SIMULATED = 4

interface PlainDay {
  readonly records: readonly CallRecord[]
  readonly intervals: readonly AgentInterval[]
}

function simulated(seed: number): PlainDay {
  const folder = createLedgerFolder()
  const entries = simulateDay(FENNHOLM_STAGE, { seed, pace: 'storm', day: FIRST_DAY })
  for (const entry of entries) folder.add(entry)
  return { records: folder.records(), intervals: folder.intervals(entries.at(-1)?.atMs ?? 0) }
}

/** Days of records until there are at least so many calls. */
export function* daysOf(calls: number): Generator<PlainDay & { readonly day: string }> {
  const models = Array.from({ length: SIMULATED }, (_, seed) => simulated(seed + 1))
  let made = 0
  for (let no = 0; made < calls; no++) {
    const model = models[no % SIMULATED] as PlainDay
    made += model.records.length
    yield { day: dayAfter(FIRST_DAY, no), ...moved(model, no) }
  }
}

function moved({ records, intervals }: PlainDay, no: number): PlainDay {
  const ms = no * DAY
  const at = (value: number | null) => (value === null ? null : value + ms)
  const id = (text: string) => text.replace('_d', `_d${no}-`)
  return {
    records: records.map((r) => ({
      ...r,
      callId: id(r.callId),
      // The same people call again and again, and new ones with them.
      customer: r.customer === null || no % 3 === 0 ? r.customer : `${r.customer} ${no % 40}`,
      offeredAtMs: r.offeredAtMs + ms,
      answeredAtMs: at(r.answeredAtMs),
      endedAtMs: r.endedAtMs + ms,
      outcomeAtMs: at(r.outcomeAtMs),
      agents: r.agents.map((l) => ({ ...l, fromMs: l.fromMs + ms, toMs: l.toMs + ms })),
      recordings: r.recordings.map(id),
    })),
    intervals: intervals.map((i) => ({ ...i, fromMs: i.fromMs + ms, toMs: i.toMs + ms })),
  }
}

export function* keptDays(calls: number): Generator<Kept> {
  const rules = rulesOf([FENNHOLM])
  for (const { day, records, intervals } of daysOf(calls)) yield keepDay({ day, records, intervals, written: [] }, rules)
}
