// Forecasts: what a day is expected to bring, from the days before today that are kept here.
import { addDays, format, getDay, startOfDay } from 'date-fns'
import { type Forecast, type ForecastError, forecastDay, forecastError } from '@/core/staffing'
import type { QueueProfile } from './profile'

/** Older days say little about tomorrow. */
const DAYS_BACK = 56

export interface QueueForecast extends Forecast {
  readonly queueId: QueueProfile['queueId']
  readonly handleMs: number | null
  readonly talkMs: readonly number[]
  readonly wrapUpMs: readonly number[]
  readonly patienceMs: number | null
  readonly error: ForecastError
}

export interface Forecasts {
  readonly queues: readonly QueueForecast[]
  /** The first and the last day with calls that it was learnt from. */
  readonly from: string | null
  readonly through: string | null
}

/** Of a local day (`2026-11-28`). */
export function forecastsOf(profiles: readonly QueueProfile[], day: string, times: number): Forecasts {
  const weekday = getDay(startOfDay(`${day}T00:00`))
  const withCalls = profiles.flatMap((p) => p.days.filter((d) => d.offered.some((n) => n > 0)).map((d) => d.day)).toSorted()
  return {
    queues: profiles.map((p) => ({
      ...forecastDay(p.days, weekday, times),
      queueId: p.queueId,
      handleMs: p.handleMs,
      talkMs: p.talkMs,
      wrapUpMs: p.wrapUpMs,
      patienceMs: p.patienceMs,
      error: forecastError(p.days),
    })),
    from: withCalls[0] ?? null,
    through: withCalls.at(-1) ?? null,
  }
}

/** Every local day before today; today is not over. */
export function daysBefore(nowMs: number) {
  const today = startOfDay(nowMs)
  return Array.from({ length: DAYS_BACK }, (_, i) => {
    const from = addDays(today, i - DAYS_BACK)
    return { day: format(from, 'yyyy-MM-dd'), weekday: getDay(from), fromMs: from.getTime(), toMs: addDays(from, 1).getTime() }
  })
}
