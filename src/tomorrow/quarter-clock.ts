/** A quarter of the day as its time: `09:15`. */
export const quarterClock = (q: number): string => `${String(Math.floor(q / 4)).padStart(2, '0')}:${String((q % 4) * 15).padStart(2, '0')}`
