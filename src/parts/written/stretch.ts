// Which lines of a thread are on the page: its end as the tab holds it, or a stretch further up. However much was written, no more than a stretch is there.
import type { Line } from '@/core/threads'

type Numbered = Pick<Line, 'no'>

/** Lines of a stretch. */
export const STRETCH = 300

/** Where what is read reaches what the tab holds, that goes on below it. `read` is null at the end. */
export function shownOf<L extends Numbered>(read: readonly L[] | null, held: readonly L[]): readonly L[] {
  const from = held[0]?.no ?? 1
  if (read === null) return held
  return (read.at(-1)?.no ?? 0) < from - 1 ? read : [...read.filter((l) => l.no < from), ...held]
}

/** With the page above it; what is too much is left out below. */
export const withEarlier = <L extends Numbered>(shown: readonly L[], page: readonly L[]): readonly L[] => [...page, ...shown].slice(0, STRETCH)

/** With the page below it; what is too much is left out above. */
export const withLater = <L extends Numbered>(shown: readonly L[], page: readonly L[]): readonly L[] => [...shown, ...page].slice(-STRETCH)
