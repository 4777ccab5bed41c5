// What a caller can expect, from what the queue has lately been like.
import { wholeMs } from '@/core/time'

/** How fast the running mean of handle times forgets: the last ten calls or so count. */
const NEWEST_WEIGHS = 0.1

/** A running mean: the newest call counts a tenth, the ones before it ever less. */
export const foldHandleMs = (meanMs: number | undefined, newestMs: number): number =>
  meanMs === undefined ? newestMs : wholeMs(meanMs + NEWEST_WEIGHS * (newestMs - meanMs))

/**
 * When a caller who joins the line now can expect an answer: everybody ahead and they themselves, handed out at the rate at
 * which the agents who serve the queue come free. 0 when somebody is ready; null when nobody serves it or nothing is known yet.
 */
export function expectedWaitMs(
  line: { readonly waiting: number; readonly serving: number; readonly ready: number },
  handleMs: number | undefined,
): number | null {
  if (line.serving === 0) return null
  if (line.ready > line.waiting) return 0
  return handleMs === undefined ? null : wholeMs(((line.waiting + 1) * handleMs) / line.serving)
}
