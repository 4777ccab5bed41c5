import { expect, test } from 'vitest'
import type { Written } from '@/core/channels'
import { toAgentId, toQueueId } from '@/core/ids'
import { MINUTE, SECOND } from '@/core/time'
import { needsNow, type WatchedAgent, type WatchedLine, type WatchedQueue } from './attention'

const NOW_MS = Date.UTC(2026, 10, 27, 12)
const ago = (ms: number) => NOW_MS - ms
const queue = (name: string, change: Partial<WatchedQueue> = {}): WatchedQueue => ({
  id: toQueueId(`queue_${name}`),
  waiting: 1,
  longestSinceMs: ago(10 * SECOND),
  onShift: 2,
  expectedWaitMs: null,
  serviceLevelMs: 20 * SECOND,
  lines: [],
  shareToday: null,
  warns: { waiting: null, longestMs: null, shareBelow: null },
  ...change,
})
const QUIET = { waiting: 0, longestSinceMs: null }
const written = (channel: Written, waitedS: number, withinS: number | null): WatchedLine => ({
  channel,
  count: 1,
  longestSinceMs: ago(waitedS * SECOND),
  serviceLevelMs: withinS === null ? null : withinS * SECOND,
})
const warns = (change: Partial<WatchedQueue['warns']>) => ({ waiting: null, longestMs: null, shareBelow: null, ...change })
const agent = (name: string, change: Partial<WatchedAgent> = {}): WatchedAgent => ({
  id: toAgentId(`agent_${name}`),
  state: 'notReady',
  sinceMs: ago(MINUTE),
  plannedMs: null,
  wrapUp: null,
  heldSinceMs: null,
  helpSinceMs: null,
  deskLostSinceMs: null,
  ...change,
})
const wrapUp = (limitMs: number | null) => ({ startedAtMs: ago(2 * MINUTE), overMs: MINUTE, limitMs })

test.each<{ says: string; queues?: readonly WatchedQueue[]; agents?: readonly WatchedAgent[]; needs: readonly string[] }>([
  { says: 'nobody waiting', queues: [queue('a', { waiting: 0, longestSinceMs: null })], needs: [] },
  { says: 'a wait within the service level', queues: [queue('a')], needs: [] },
  { says: 'to the very second', queues: [queue('a', { longestSinceMs: ago(20 * SECOND) })], needs: [] },
  { says: 'a wait beyond it', queues: [queue('a', { longestSinceMs: ago(21 * SECOND) })], needs: ['waitsTooLong queue_a 1000'] },
  { says: 'where nobody is on shift, at once', queues: [queue('a', { onShift: 0 })], needs: ['nobodyServes queue_a -10000'] },
  { says: 'a wait within the queue’s own warning', queues: [queue('a', { longestSinceMs: ago(50 * SECOND), warns: warns({ longestMs: MINUTE }) })], needs: [] },
  {
    says: 'a wait beyond it',
    queues: [queue('a', { longestSinceMs: ago(15 * SECOND), warns: warns({ longestMs: 5 * SECOND }) })],
    needs: ['waitsTooLong queue_a 10000'],
  },
  { says: 'as many as it bears', queues: [queue('a', { waiting: 3, warns: warns({ waiting: 3 }) })], needs: [] },
  { says: 'one more', queues: [queue('a', { waiting: 4, warns: warns({ waiting: 3 }) })], needs: ['tooManyWait queue_a 0'] },
  {
    says: 'too many and too long is said once',
    queues: [queue('a', { waiting: 4, longestSinceMs: ago(21 * SECOND), warns: warns({ waiting: 3 }) })],
    needs: ['waitsTooLong queue_a 1000'],
  },
  {
    says: 'a day below its aim',
    queues: [queue('a', { waiting: 0, longestSinceMs: null, shareToday: 0.79, warns: warns({ shareBelow: 0.8 }) })],
    needs: ['belowAim queue_a 0'],
  },
  { says: 'a day at its aim', queues: [queue('a', { shareToday: 0.8, warns: warns({ shareBelow: 0.8 }) })], needs: [] },
  { says: 'a day without a call', queues: [queue('a', { shareToday: null, warns: warns({ shareBelow: 0.8 }) })], needs: [] },
  { says: 'a chat within the time of its channel', queues: [queue('a', { ...QUIET, lines: [written('chat', 60, 60)] })], needs: [] },
  { says: 'a chat beyond it', queues: [queue('a', { ...QUIET, lines: [written('chat', 61, 60)] })], needs: ['writtenWaits queue_a 1000'] },
  { says: 'a mail that may take as long as it takes', queues: [queue('a', { ...QUIET, lines: [written('mail', 9_000, null)] })], needs: [] },
  {
    says: 'each channel by itself, and callers first',
    queues: [queue('a', { longestSinceMs: ago(21 * SECOND), lines: [written('chat', 70, 60), written('mail', 700, 600)] })],
    needs: ['waitsTooLong queue_a 1000', 'writtenWaits queue_a 100000', 'writtenWaits queue_a 10000'],
  },
  { says: 'a reason without a plan', agents: [agent('x')], needs: [] },
  { says: 'a reason within its plan', agents: [agent('x', { plannedMs: MINUTE })], needs: [] },
  { says: 'a reason over its plan', agents: [agent('x', { plannedMs: 30 * SECOND })], needs: ['overPlan agent_x 30000'] },
  { says: 'a plan counts for nobody who is ready', agents: [agent('x', { state: 'ready', plannedMs: 1 })], needs: [] },
  { says: 'a wrap-up by its limit', agents: [agent('x', { state: 'wrapUp', wrapUp: wrapUp(90 * SECOND) })], needs: ['wrapUpTooLong agent_x 30000'] },
  { says: 'without one by when it is over', agents: [agent('x', { state: 'wrapUp', wrapUp: wrapUp(null) })], needs: ['wrapUpTooLong agent_x 60000'] },
  { says: 'an outcome left for later is no wrap-up', agents: [agent('x', { state: 'ready', wrapUp: wrapUp(null) })], needs: [] },
  { says: 'a caller on hold', agents: [agent('x', { state: 'onCall', heldSinceMs: ago(3 * MINUTE) })], needs: ['heldTooLong agent_x 60000'] },
  { says: 'who asks for help, at once', agents: [agent('x', { state: 'onCall', helpSinceMs: NOW_MS })], needs: ['asksForHelp agent_x 0'] },
])('$says', ({ queues = [], agents = [], needs }) => {
  expect(needsNow(queues, agents, 2 * MINUTE, NOW_MS).map((n) => `${n.kind} ${'queueId' in n ? n.queueId : n.agentId} ${n.overMs}`)).toEqual(needs)
})

test('who asks for help, callers, those whom nobody serves before others, and then what is over by most', () => {
  const queues = [queue('long', { longestSinceMs: ago(5 * MINUTE) }), queue('longer', { longestSinceMs: ago(6 * MINUTE) }), queue('alone', { onShift: 0 })]
  const agents = [
    agent('late', { plannedMs: 1 }),
    agent('asks', { state: 'onCall', helpSinceMs: ago(1) }),
    agent('later', { sinceMs: ago(2 * MINUTE), plannedMs: 1 }),
    agent('holds', { state: 'onCall', heldSinceMs: ago(3 * MINUTE) }),
  ]
  const order = needsNow(queues, agents, MINUTE, NOW_MS).map((n) => ('queueId' in n ? n.queueId : n.agentId))
  expect(order).toEqual(['agent_asks', 'queue_alone', 'queue_longer', 'queue_long', 'agent_holds', 'agent_later', 'agent_late'])
})
