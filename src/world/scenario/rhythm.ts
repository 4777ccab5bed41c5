// How busy Fennholm Line is: arrivals per queue as a rate that varies over the day and the week, set so that fourteen seats are comfortably
// busy on an ordinary day and not on a storm day.
import type { Written } from '@/core/channels'
import type { QueueId } from '@/core/ids'
import { HOUR, MINUTE } from '@/core/time'
import type { Hours, Pace, Rhythm } from '@/world'
import { ASSISTANCE, DISRUPTION, FREIGHT, SAILINGS } from './people'

const WEEKDAY: Hours = { opensMs: 8 * HOUR, closesMs: 18 * HOUR, load: 1, seats: null }
const BY_WEEKDAY: readonly Hours[] = [
  { opensMs: 10 * HOUR, closesMs: 15 * HOUR, load: 0.36, seats: 9 },
  // What was left over the weekend comes on Monday.
  { ...WEEKDAY, load: 1.04 },
  WEEKDAY,
  WEEKDAY,
  WEEKDAY,
  { ...WEEKDAY, load: 1.02 },
  { opensMs: 9 * HOUR, closesMs: 16 * HOUR, load: 0.6, seats: 11 },
]

/** A gale closes two routes at this time of a storm day. */
const GALE_MS = 11 * HOUR
const GALE_PEAK_PER_HOUR = 190
const GALE_DECAY_MS = 2.5 * HOUR

/** Calls an hour for each hour of a weekday from 08:00. */
const ORDINARY_BY_HOUR = [51, 88, 94, 84, 64, 72, 82, 76, 58, 35]
const SHARES: readonly (readonly [QueueId, number])[] = [
  [SAILINGS, 0.62],
  [FREIGHT, 0.14],
  [DISRUPTION, 0.14],
  [ASSISTANCE, 0.1],
]

function arrivalsPerHour(pace: Pace, queueId: QueueId, timeOfDayMs: number, { opensMs, closesMs, load }: Hours): number {
  if (pace === 'quiet' || timeOfDayMs < opensMs || timeOfDayMs >= closesMs) return 0
  const hour = ORDINARY_BY_HOUR[Math.floor((timeOfDayMs - WEEKDAY.opensMs) / HOUR)] ?? 0
  const share = SHARES.find(([id]) => id === queueId)?.[1] ?? 0
  const gale =
    pace === 'storm' && queueId === DISRUPTION && timeOfDayMs >= GALE_MS ? GALE_PEAK_PER_HOUR * Math.exp(-(timeOfDayMs - GALE_MS) / GALE_DECAY_MS) : 0
  return (hour * share + gale) * load
}

/** When the lists are called, Sunday first, in hours: not at the same time every day, so that it is learnt when people are at home. */
const CALLS_AT: readonly (readonly [from: number, to: number] | null)[] = [null, [9, 12], [14.5, 17.5], [9.5, 12.5], [14.5, 17.5], [11, 14], [10, 13]]

/** Most people ring; some write, more of them when a gale blows. */
const WRITTEN_PER_HOUR: Readonly<Record<Written, number>> = { chat: 7, mail: 4, text: 2 }

export const RHYTHM: Rhythm = {
  writtenPerHour(pace, queueId, channel) {
    if (pace === 'quiet') return 0
    return WRITTEN_PER_HOUR[channel] * (queueId === SAILINGS ? 1 : queueId === DISRUPTION && pace === 'storm' ? 3 : 0.4)
  },
  hoursOf: (weekday) => (weekday === null ? WEEKDAY : (BY_WEEKDAY[weekday] ?? WEEKDAY)),
  arrivalsPerHour,
  callsAt(weekday, pace) {
    const at = CALLS_AT[weekday] ?? null
    return at === null || pace !== 'ordinary' ? null : { fromMs: at[0] * HOUR, toMs: at[1] * HOUR }
  },
  mostPerHour: 400,
  /** Mid-morning, or just before the gale. */
  liveStartOfDayMs: (pace) => (pace === 'storm' ? GALE_MS - MINUTE : 9 * HOUR + 30 * MINUTE),
}
