// Figures in words. A figure without calls behind it says so.
import { formatClock } from '@/core/time'

export const NO_CALLS = 'no calls'

/** A share of 0 to 1 as a percentage with one decimal. */
export const percent = (ratio: number | null): string => (ratio === null ? NO_CALLS : `${(ratio * 100).toFixed(1)} %`)

/** Milliseconds as a clock, to the second. */
export const clockOrNone = (ms: number | null | undefined): string => (ms == null ? NO_CALLS : formatClock(Math.round(ms / 1000) * 1000))
