// When somebody may be called: in the hours of the campaign as the clock stands at their place, on its days, and where they may be in several zones in
// all of them at once.
import type { CampaignSetUp } from '@/core/set-up'
import { type EpochMs, instantAt, localDay, localMidnight, localTime, MINUTE } from '@/core/time'

export type CallingDays = Pick<CampaignSetUp, 'hours' | 'fromDay' | 'toDay' | 'leftOutDays'>

/** Further ahead than this nobody looks for the next hour that is allowed. */
const LOOKS_AHEAD_DAYS = 40
const MOST_REMEMBERED = 2_000

export interface CallingHours {
  isAllowed(zones: readonly string[], atMs: EpochMs): boolean
  /** The first instant from then on at which it is allowed; null when there is none within the next 40 days. */
  nextAllowedAtMs(zones: readonly string[], fromMs: EpochMs): EpochMs | null
}

export function createCallingHours(campaign: CallingDays): CallingHours {
  /** By zones: a stretch that was found closed, and when it ends. */
  const closed = new Map<string, { readonly fromMs: EpochMs; readonly untilMs: EpochMs }>()

  const isAllowed = (zones: readonly string[], atMs: EpochMs): boolean => zones.every((zone) => isAllowedIn(campaign, zone, atMs))

  return {
    isAllowed,
    nextAllowedAtMs(zones, fromMs) {
      if (isAllowed(zones, fromMs)) return fromMs
      const key = zones.join(' ')
      const known = closed.get(key)
      if (known !== undefined && known.fromMs <= fromMs && fromMs < known.untilMs) return known.untilMs
      // Where several must be open, the first moment of all is the first of one of them.
      const starts = zones.flatMap((zone) => startsIn(campaign, zone, fromMs)).sort((a, b) => a - b)
      const untilMs = starts.find((atMs) => isAllowed(zones, atMs)) ?? null
      if (closed.size > MOST_REMEMBERED) closed.clear()
      if (untilMs !== null) closed.set(key, { fromMs, untilMs })
      return untilMs
    },
  }
}

function isAllowedIn({ hours, ...days }: CallingDays, zone: string, atMs: EpochMs): boolean {
  const { day, minute } = localTime(zone, atMs)
  if (!hours.some((o) => o.days.includes(day) && o.fromMinute <= minute && minute < o.toMinute)) return false
  return isItsDay(days, localDay(zone, atMs))
}

const isItsDay = ({ fromDay, toDay, leftOutDays }: Omit<CallingDays, 'hours'>, day: string): boolean =>
  (fromDay === null || day >= fromDay) && (toDay === null || day <= toDay) && !leftOutDays.includes(day)

/** The beginnings of all openings in this zone after an instant. */
function startsIn({ hours }: CallingDays, zone: string, fromMs: EpochMs): readonly EpochMs[] {
  const starts: EpochMs[] = []
  for (let ahead = 0; ahead <= LOOKS_AHEAD_DAYS; ahead++)
    for (const { fromMinute } of hours) {
      const atMs = instantAt(zone, localMidnight(zone, fromMs, ahead) + fromMinute * MINUTE)
      if (atMs > fromMs) starts.push(atMs)
    }
  return starts
}

/** The next midnight at a place; where a clock set ahead leaves it out, the end of the gap. */
export const nextDayAtMs = (zone: string, atMs: EpochMs): EpochMs => instantAt(zone, localMidnight(zone, atMs, 1))

export const DAY_PARTS = ['morning', 'afternoon', 'evening'] as const
export type DayPart = (typeof DAY_PARTS)[number]
const BEGINS_AT_MINUTE = [0, 12 * 60, 17 * 60]

export function dayPartAt(zone: string, atMs: EpochMs): DayPart {
  const { minute } = localTime(zone, atMs)
  return minute < (BEGINS_AT_MINUTE[1] as number) ? 'morning' : minute < (BEGINS_AT_MINUTE[2] as number) ? 'afternoon' : 'evening'
}

/** When the next part of the day begins at a place. */
export function nextDayPartAtMs(zone: string, atMs: EpochMs): EpochMs {
  const part = DAY_PARTS.indexOf(dayPartAt(zone, atMs))
  const begins = BEGINS_AT_MINUTE[part + 1]
  if (begins === undefined) return nextDayAtMs(zone, atMs)
  return instantAt(zone, localMidnight(zone, atMs) + begins * MINUTE)
}

/** Whether the hours reach into more than one part of the day: otherwise there is no other time of day to try at. */
export const hasSeveralParts = ({ hours }: Pick<CallingDays, 'hours'>): boolean =>
  BEGINS_AT_MINUTE.filter((begins, i) => hours.some((o) => o.fromMinute < (BEGINS_AT_MINUTE[i + 1] ?? 24 * 60) && o.toMinute > begins)).length > 1
