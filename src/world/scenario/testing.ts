// Days of the demo that tests read: each is simulated once for all files that ask for it. Nobody changes what they are given.
import type { LedgerEntry } from '@/core/ledger'
import { type Day, type Pace, simulateDay } from '@/world'
import { FENNHOLM_STAGE } from './index'

const made = new Map<string, readonly LedgerEntry[]>()

export function aDay(day: Day, pace: Pace = 'ordinary'): readonly LedgerEntry[] {
  const key = `${day} ${pace}`
  const entries = made.get(key) ?? Object.freeze(simulateDay(FENNHOLM_STAGE, { seed: 7, pace, day }))
  made.set(key, entries)
  return entries
}
