import { minuteClock } from '@/core/time'

/** A quarter of the day as its time: `09:15`. */
export const quarterClock = (q: number): string => minuteClock(q * 15)
