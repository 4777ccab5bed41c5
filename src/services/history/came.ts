// The calls of a day that is over, as they came: to play the day again under other rules.
import type { CameAt } from '@/core/coming-day'
import { type CallsBlock, isNullAt, listWords, placeAt, valueAt } from './columns'
import type { DayAsked } from './profile'
import { openBlock, queuedRows } from './tally'

/** Those of queues, in the order they came. Of a call that was handed on counts what everybody who had it needed for it. */
export function cameIn(blocks: readonly CallsBlock[], { fromMs, toMs }: Pick<DayAsked, 'fromMs' | 'toMs'>): readonly CameAt[] {
  const came: CameAt[] = []
  for (const block of blocks) {
    const open = openBlock(block)
    const results = listWords(block.result)
    for (const [row, queueId] of queuedRows(block, open, { fromMs, toMs })) {
      const isAnswered = !isNullAt(block.answeredAtMs, row)
      const offeredAtMs = valueAt(block.offeredAtMs, row)
      let [legs, talkMs, wrapUpMs] = [0, 0, 0]
      for (let at = block.legs.starts[row] as number; at < (block.legs.starts[row + 1] as number); at++) {
        if (!open.isHandling(at)) continue
        legs++
        talkMs += valueAt(block.legs.talkMs, at) + valueAt(block.legs.holdMs, at)
        wrapUpMs += valueAt(block.legs.wrapUpMs, at)
      }
      came.push({
        queueId,
        atMs: offeredAtMs - fromMs,
        talkMs: legs === 0 ? null : talkMs,
        wrapUpMs: legs === 0 ? null : wrapUpMs,
        waitedMs: Math.max(0, valueAt(isAnswered ? block.answeredAtMs : block.endedAtMs, row) - offeredAtMs),
        answered: isAnswered,
        gaveUp: !isAnswered && results[placeAt(block.result, row) ?? 0] === 'abandoned',
      })
    }
  }
  return came.sort((a, b) => a.atMs - b.atMs)
}
