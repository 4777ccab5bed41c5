import { expect, test } from 'vitest'
import type { Need } from '@/core/attention'
import { toAgentId, toQueueId } from '@/core/ids'
import { MINUTE, SECOND } from '@/core/time'
import { needWords } from './words'

const FREIGHT = toQueueId('queue_freight')
const ANN = toAgentId('agent_ann')
const standing = (waiting: number, expectedWaitMs: number | null) => ({
  id: FREIGHT,
  waiting,
  longestSinceMs: 0,
  onShift: 1,
  expectedWaitMs,
  serviceLevelMs: 20 * SECOND,
  shareToday: null,
  lines: [],
  warns: { waiting: null, longestMs: null, shareBelow: null },
})
const waits = (kind: 'nobodyServes' | 'waitsTooLong' | 'tooManyWait'): Need => ({ kind, queueId: FREIGHT, waitedMs: 130 * SECOND, overMs: 110 * SECOND })
const lasts = (kind: 'heldTooLong' | 'wrapUpTooLong' | 'overPlan'): Need => ({ kind, agentId: ANN, lastsMs: 95 * SECOND, overMs: 35 * SECOND })

test.each<{ need: Need; queue: ReturnType<typeof standing> | undefined; says: string }>([
  { need: waits('waitsTooLong'), queue: standing(6, 3 * MINUTE), says: 'Freight: 6 waiting, longest 2:10, nobody is free for about 3 min' },
  { need: waits('waitsTooLong'), queue: standing(1, 40 * SECOND), says: 'Freight: 1 waiting, for 2:10, nobody is free for about 1 min' },
  { need: waits('waitsTooLong'), queue: standing(2, 0), says: 'Freight: 2 waiting, longest 2:10, somebody is free in a moment' },
  { need: waits('waitsTooLong'), queue: standing(2, null), says: 'Freight: 2 waiting, longest 2:10, nobody is free' },
  { need: waits('tooManyWait'), queue: standing(7, null), says: 'Freight: 7 waiting, longest 2:10, nobody is free' },
  {
    need: { kind: 'belowAim', queueId: FREIGHT, share: 0.7449, aim: 0.8, overMs: 0 },
    queue: standing(0, null),
    says: 'Freight: 74 % answered in time today, below 80 %',
  },
  { need: waits('nobodyServes'), queue: standing(2, null), says: 'Freight: 2 waiting, longest 2:10, nobody on shift serves it' },
  { need: lasts('heldTooLong'), queue: undefined, says: 'Ann: the caller is on hold for 1:35, over by 0:35' },
  { need: lasts('wrapUpTooLong'), queue: undefined, says: 'Ann: in wrap-up for 1:35, over by 0:35' },
  { need: lasts('overPlan'), queue: undefined, says: 'Ann: Lunch for 1:35, over by 0:35' },
])('$says', ({ need, queue, says }) => {
  const words = needWords(need, { queue: () => 'Freight', agent: () => 'Ann', standing: () => queue, reason: () => 'Lunch' })
  expect(`${words.about}: ${words.says}`).toBe(says)
})
