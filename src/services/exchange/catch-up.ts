// The demo's days before this one: what they promised is taken up by the floor, once. On a first visit these are the days the history shows
// as well; after days without a visit, those that are missing.
import { format, parseISO } from 'date-fns'
import { type CarriedOver, CarriedOverSchema } from '@/core/ledger'
import { type Day, dayAfter, dayAt, daysBetween, type Past, pastDaysQuery } from '@/world'

/** What was left by so many days before a day; throws when it cannot be had. */
export type FetchLeft = (query: string) => Promise<unknown>

interface Options {
  readonly fetchLeft: FetchLeft
  readonly timeZone: () => string
  readonly now: () => number
  /** When something last happened on this floor before it was opened; null on a first visit. */
  readonly lastMs: number | null
  readonly onCarried: (event: CarriedOver, says: string | null) => void
}

const MOST_DAYS = 31

/** Asked whenever a tab says hello; what failed is tried again then. Resolves when nothing is under way any more. */
export function createCatchUp({ fetchLeft, timeZone, now, lastMs, onCarried }: Options): (past: Past) => Promise<void> {
  let done = false
  return async (past) => {
    if (done) return
    const today = dayAt(now(), timeZone())
    const missing = lastMs === null ? past.days : Math.min(MOST_DAYS, daysBetween(dayAt(lastMs, timeZone()), today) - 1)
    done = true
    if (past.days === 0 || missing <= 0) return
    try {
      // Lists go on from where somebody's own days have left them: what was missed is made up for in the queues alone.
      const event = CarriedOverSchema.parse(await fetchLeft(pastDaysQuery({ ...past, days: missing, before: today, campaigns: lastMs === null })))
      onCarried(event, lastMs === null ? null : whileAway(dayAfter(today, -missing), dayAfter(today, -1)))
    } catch (error) {
      done = false
      console.error('What past days have left could not be fetched:', error)
    }
  }
}

const words = (day: Day) => format(parseISO(day), 'EEE d MMM')

function whileAway(from: Day, through: Day): string {
  const span = from === through ? `on ${words(from)}` : `from ${words(from)} to ${words(through)}`
  return `Nobody was here ${span}. The stand-ins worked on: their calls are in Results, and what they promised is in Callbacks.`
}
