// What a campaign has seen, as sums over stretches of time: what an observation tells a pacer of the past.
import type { PacingEvent, PacingSummary } from './interface'

const HOUR_MS = 3_600_000
const RECENT_MS = 300_000

interface Before {
  readonly liveAnswers: number
  readonly abandons: number
}

export interface PacingLog {
  take(event: PacingEvent): void
  summaries(nowMs: number): { readonly recent: PacingSummary; readonly recentHour: PacingSummary; readonly totals: PacingSummary }
}

/** Sums over the last minutes, the last hour and the whole shift; `before` is what the day had seen when the log began. */
export function createPacingLog(before: Before = { liveAnswers: 0, abandons: 0 }): PacingLog {
  const zero = () => ({
    attempts: 0,
    finished: 0,
    answered: 0,
    liveAnswers: 0,
    connects: 0,
    abandons: 0,
    handled: 0,
    ringMs: 0,
    talkMs: 0,
    wrapMs: 0,
    talks: 0,
  })
  type Sums = ReturnType<typeof zero>
  const spans = [
    { ms: RECENT_MS, from: 0, sums: zero() },
    { ms: HOUR_MS, from: 0, sums: zero() },
    { ms: Infinity, from: 0, sums: { ...zero(), ...before } },
  ]
  const events: PacingEvent[] = []
  const count = (sums: Sums, e: PacingEvent, by: 1 | -1) => {
    switch (e.type) {
      case 'launch':
        sums.attempts += by
        return
      case 'answered':
        sums.answered += by
        sums.ringMs += by * e.ringMs
        return
      case 'failed':
      case 'machine':
        sums.finished += by
        return
      case 'live':
        sums.liveAnswers += by
        sums.finished += by
        return
      case 'connect':
        sums.connects += by
        return
      case 'abandon':
        sums.abandons += by
        return
      case 'talkEnd':
        sums.talks += by
        sums.talkMs += by * e.talkMs
        return
      case 'wrapEnd':
        sums.handled += by
        sums.wrapMs += by * e.wrapMs
    }
  }
  const mean = (sum: number, of: number) => (of === 0 ? 0 : sum / of)
  const summary = (s: Sums): PacingSummary => {
    const { attempts, finished, answered, liveAnswers, connects, abandons, handled } = s
    const meanTalkMs = mean(s.talkMs, s.talks)
    const meanWrapMs = mean(s.wrapMs, handled)
    const meanRingMs = mean(s.ringMs, answered)
    return { attempts, finished, answered, liveAnswers, connects, abandons, handled, meanRingMs, meanTalkMs, meanWrapMs, meanHandleMs: meanTalkMs + meanWrapMs }
  }
  // Asked for at every tick, and changed by few of them.
  let made: ReturnType<PacingLog['summaries']> | null = null
  return {
    take(e: PacingEvent) {
      events.push(e)
      made = null
      for (const { sums } of spans) count(sums, e, 1)
    },
    summaries(nowMs: number) {
      for (const span of spans)
        for (let e = events[span.from]; e !== undefined && e.nowMs <= nowMs - span.ms; e = events[span.from]) {
          count(span.sums, e, -1)
          span.from++
          made = null
        }
      if (made === null) {
        const [recent, recentHour, totals] = spans.map((s) => summary(s.sums)) as [PacingSummary, PacingSummary, PacingSummary]
        made = { recent, recentHour, totals }
      }
      return made
    },
  }
}
