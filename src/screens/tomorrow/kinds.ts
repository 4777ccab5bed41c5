// Shifts as they are laid here: length and breaks, in quarters of an hour. An hour and a half is worked at least before a break and after it.
import type { ShiftKind } from '@/core/staffing'

export const KINDS: readonly ShiftKind[] = [
  {
    name: '8 hours',
    quarters: 32,
    breaks: [
      { quarters: 1, from: 6, to: 9 },
      { quarters: 2, from: 13, to: 18 },
      { quarters: 1, from: 22, to: 25 },
    ],
  },
  {
    name: '6 hours',
    quarters: 24,
    breaks: [
      { quarters: 1, from: 6, to: 9 },
      { quarters: 1, from: 13, to: 17 },
    ],
  },
  { name: '4 hours', quarters: 16, breaks: [{ quarters: 1, from: 6, to: 9 }] },
]

/** `8 hours: breaks of 15, 30 and 15 min`. */
export function kindWords({ name, breaks }: ShiftKind): string {
  const lengths = breaks.map((b) => b.quarters * 15)
  return `${name}, ${lengths.length === 1 ? 'a break' : 'breaks'} of ${lengths.join(' + ')} min`
}
