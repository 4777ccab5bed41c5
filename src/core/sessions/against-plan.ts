// A shift as it was planned, and as it was worked.
interface Span {
  readonly fromMs: number
  readonly toMs: number
}

export interface AgainstPlan {
  /** After the beginning of the shift, ms; null for who did not come at all. */
  readonly lateMs: number | null
  /** Before its end; null while it is not over, and for who did not come. */
  readonly earlyMs: number | null
  /** Of the shift, up to now, not worked. */
  readonly missedMs: number
}

/** Of one planned shift. Whoever came before it was on time. A shift that has not begun by `nowMs` has missed nothing. */
export function againstPlan(planned: Span, sessions: readonly Span[], nowMs: number): AgainstPlan {
  const untilMs = Math.min(planned.toMs, nowMs)
  const during = sessions.filter((s) => s.fromMs < untilMs && s.toMs > planned.fromMs).toSorted((a, b) => a.fromMs - b.fromMs)
  const worked = during.reduce((sum, s) => sum + Math.min(s.toMs, untilMs) - Math.max(s.fromMs, planned.fromMs), 0)
  const first = during[0]
  const lastMs = Math.max(0, ...during.map((s) => s.toMs))
  return {
    lateMs: first === undefined ? null : Math.max(0, first.fromMs - planned.fromMs),
    earlyMs: first === undefined || nowMs < planned.toMs ? null : Math.max(0, planned.toMs - lastMs),
    missedMs: Math.max(0, untilMs - planned.fromMs - worked),
  }
}
