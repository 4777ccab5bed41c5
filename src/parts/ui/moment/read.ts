// Days and times as people type them, read into `2026-12-02` and `10:00`. The day comes before the month, as at the centre; what was read is shown back in
// words, so that a slip is seen before it is kept.
import { addDays, format, isValid, parseISO } from 'date-fns'

const MONTHS = ['jan', 'feb', 'mar', 'apr', 'may', 'jun', 'jul', 'aug', 'sep', 'oct', 'nov', 'dec'] as const
const WEEKDAYS = ['sun', 'mon', 'tue', 'wed', 'thu', 'fri', 'sat'] as const
const NEAR: Readonly<Record<string, number>> = { today: 0, tomorrow: 1, yesterday: -1 }

/** Which year a day without one is meant in: the next such day, or the last. */
export type Leans = 'ahead' | 'back'

const isoOf = (date: Date): string => format(date, 'yyyy-MM-dd')

/** `name` may be cut short after three letters. */
const indexOf = (names: readonly string[], name: string): number => (name.length < 3 ? -1 : names.findIndex((n) => name.startsWith(n)))

function dayOf(year: number, month: number, date: number): string | null {
  const iso = `${String(year).padStart(4, '0')}-${String(month).padStart(2, '0')}-${String(date).padStart(2, '0')}`
  return year > 1900 && isValid(parseISO(iso)) ? iso : null
}

/** The day of such a date that is nearest in the way it leans. */
function nearest(month: number, date: number, today: string, leans: Leans): string | null {
  const year = Number(today.slice(0, 4))
  // The 29th of February is up to eight years away.
  for (let i = 0; i <= 8; i++) {
    const day = dayOf(leans === 'ahead' ? year + i : year - i, month, date)
    if (day !== null && (leans === 'ahead' ? day >= today : day <= today)) return day
  }
  return null
}

function datedBy(first: string, second: string, third: string | undefined, today: string, leans: Leans): string | null {
  const year = third === undefined ? null : Number(third.length === 2 ? `20${third}` : third)
  const read = (month: number, date: number) => (year === null ? nearest(month, date, today, leans) : dayOf(year, month, date))
  // Month before day only where it can be nothing else.
  return read(Number(second), Number(first)) ?? (Number(second) > 12 ? read(Number(first), Number(second)) : null)
}

/** `2 Dec`, `2nd of December 2026`, `Dec 2`, and `Wed 2 Dec`: the one that is a Wednesday, and none when neither is. */
function worded(words: readonly string[], today: string, leans: Leans): string | null {
  const weekday = indexOf(WEEKDAYS, words[0] ?? '')
  const rest = (weekday < 0 ? words : words.slice(1)).filter((w) => w !== 'of')
  if (rest.length === 0) {
    const ahead = weekday < 0 ? null : (weekday - parseISO(today).getDay() + 7) % 7
    return ahead === null ? null : isoOf(addDays(parseISO(today), leans === 'ahead' ? ahead || 7 : ahead - 7))
  }
  const month = rest.findIndex((w) => indexOf(MONTHS, w) >= 0)
  const numbers = rest.filter((_, i) => i !== month).map((w) => /^(\d{1,4})(?:st|nd|rd|th)?\.?$/.exec(w)?.[1])
  const [date, year] = numbers
  if (month < 0 || date === undefined || date.length > 2 || numbers.length > 2 || numbers.includes(undefined)) return null
  const read = (way: Leans) => datedBy(date, String(indexOf(MONTHS, rest[month] as string) + 1), year, today, way)
  const days = [read(leans), read(leans === 'ahead' ? 'back' : 'ahead')]
  return (weekday < 0 ? days[0] : days.find((day) => day != null && parseISO(day).getDay() === weekday)) ?? null
}

/** ISO day of what was typed; null when it is none. `today` is the ISO day it is typed on. */
export function readDay(typed: string, today: string, leans: Leans = 'ahead'): string | null {
  const text = typed.trim().toLowerCase().replaceAll(',', ' ').replace(/\s+/g, ' ')
  const near = Object.entries(NEAR).find(([word]) => text.length >= 3 && word.startsWith(text))
  if (near !== undefined) return isoOf(addDays(parseISO(today), near[1]))
  const iso = /^(\d{4})[-/.](\d{1,2})[-/.](\d{1,2})$/.exec(text)
  if (iso !== null) return dayOf(Number(iso[1]), Number(iso[2]), Number(iso[3]))
  const parted = /^(\d{1,2})\s?[-/. ]\s?(\d{1,2})(?:\s?[-/. ]\s?(\d{2}|\d{4})?)?$/.exec(text)
  if (parted !== null) return datedBy(parted[1] as string, parted[2] as string, parted[3], today, leans)
  const run = /^(\d{2})(\d{2})(\d{2}|\d{4})?$/.exec(text)
  if (run !== null) return datedBy(run[1] as string, run[2] as string, run[3], today, leans)
  return worded(text.split(' '), today, leans)
}

/** `HH:mm` of what was typed; null when it is no time of a day. */
export function readTime(typed: string): string | null {
  const text = typed.trim().toLowerCase().replace(/\s+/g, '')
  if (text === 'noon') return '12:00'
  if (text === 'midnight') return '00:00'
  const match = /^(\d{1,2})(?:[:.h]?(\d{2}))?(?:h|uhr)?(am|pm|a\.m\.|p\.m\.|a|p)?$/.exec(text)
  if (match === null) return null
  const [, hours = '', minutes = '00', half] = match
  const hour = Number(hours)
  if (half !== undefined && (hour < 1 || hour > 12)) return null
  const of24 = half === undefined ? hour : (hour % 12) + (half.startsWith('p') ? 12 : 0)
  return of24 > 23 || Number(minutes) > 59 ? null : `${String(of24).padStart(2, '0')}:${minutes}`
}

/** `Wed 2 Dec`, with its year when that is not this one. */
export const dayShown = (day: string, today: string): string => format(parseISO(day), day.slice(0, 4) === today.slice(0, 4) ? 'EEE d MMM' : 'EEE d MMM yyyy')

export const dayStepped = (day: string, days: number): string => isoOf(addDays(parseISO(day), days))

export function timeStepped(time: string, minutes: number): string {
  const [hour = 0, minute = 0] = time.split(':').map(Number)
  const at = (hour * 60 + minute + minutes + 1_440) % 1_440
  return `${String(Math.floor(at / 60)).padStart(2, '0')}:${String(at % 60).padStart(2, '0')}`
}

export const isDay = (day: string): boolean => /^\d{4}-\d{2}-\d{2}$/.test(day) && isValid(parseISO(day))
