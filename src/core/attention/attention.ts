// What on the floor needs a person now, the most pressing first, by what the set-up already says is too long.
import type { AgentStateName, WrapUp } from '@/core/agents'
import type { Written } from '@/core/channels'
import type { AgentId, QueueId } from '@/core/ids'
import type { Warns } from '@/core/set-up'
import type { EpochMs } from '@/core/time'

/** A queue as it stands. */
export interface WatchedQueue {
  readonly id: QueueId
  readonly waiting: number
  readonly longestSinceMs: EpochMs | null
  readonly onShift: number
  readonly expectedWaitMs: number | null
  /** Within which calls are meant to be answered. */
  readonly serviceLevelMs: number
  readonly warns: Warns
  /** Of today's calls, answered in time; null before there was one, and while it is not known. */
  readonly shareToday: number | null
  /** What waits written for its first answer, by channel. */
  readonly lines: readonly WatchedLine[]
}

export interface WatchedLine {
  readonly channel: Written
  readonly count: number
  readonly longestSinceMs: EpochMs
  /** Within which it is meant to be answered; null for as long as it takes. */
  readonly serviceLevelMs: number | null
}

/** Somebody on shift. */
export interface WatchedAgent {
  readonly id: AgentId
  readonly state: AgentStateName
  readonly sinceMs: EpochMs
  /** How long the reason they are not ready for is meant to take; null for as long as it takes. */
  readonly plannedMs: number | null
  readonly wrapUp: Pick<WrapUp, 'startedAtMs' | 'overMs' | 'limitMs'> | null
  /** Since when nobody talks to their caller; null while somebody does, or nobody is there. */
  readonly heldSinceMs: EpochMs | null
  /** Since when nothing is heard of their desk; null while it is there. */
  readonly deskLostSinceMs: EpochMs | null
  /** Since when they ask for help to which nobody has come; null while they do not. */
  readonly helpSinceMs: EpochMs | null
}

export type Need =
  | { readonly kind: 'deskLost'; readonly agentId: AgentId; readonly lastsMs: number; readonly overMs: number }
  | { readonly kind: 'asksForHelp'; readonly agentId: AgentId; readonly lastsMs: number; readonly overMs: number }
  | { readonly kind: 'nobodyServes' | 'waitsTooLong' | 'tooManyWait'; readonly queueId: QueueId; readonly waitedMs: number; readonly overMs: number }
  | {
      readonly kind: 'writtenWaits'
      readonly queueId: QueueId
      readonly channel: Written
      readonly count: number
      readonly waitedMs: number
      readonly overMs: number
    }
  | { readonly kind: 'belowAim'; readonly queueId: QueueId; readonly share: number; readonly aim: number; readonly overMs: number }
  | { readonly kind: 'heldTooLong' | 'wrapUpTooLong' | 'overPlan'; readonly agentId: AgentId; readonly lastsMs: number; readonly overMs: number }

/** Whoever asks for help has a caller on the line and comes before all; then callers before agents, those of a queue that nobody serves first. */
const PRESSING: Readonly<Record<Need['kind'], number>> = {
  asksForHelp: 0,
  deskLost: 1,
  nobodyServes: 2,
  waitsTooLong: 3,
  tooManyWait: 4,
  writtenWaits: 5,
  heldTooLong: 6,
  wrapUpTooLong: 7,
  overPlan: 8,
  belowAim: 9,
}

/**
 * Everything that lasts longer than it is meant to at `nowMs`, the most pressing kind first and within it what is over by
 * most: a wait beyond the queue's warning, or its service level where it has none, more callers than it warns of, what is written and waits for its first answer beyond the service level of its channel, a day below the share it warns of, a hold beyond `holdLimitMs`, a wrap-up beyond its limit or, without one,
 * beyond when it counts as over, a reason beyond its planned time; somebody who asks for help from the first moment. Times in milliseconds. A caller where nobody is on
 * shift needs somebody at once.
 */
export function needsNow(queues: readonly WatchedQueue[], agents: readonly WatchedAgent[], holdLimitMs: number, nowMs: EpochMs): readonly Need[] {
  return [...queues.flatMap((q) => ofQueue(q, nowMs)), ...agents.flatMap((a) => ofAgent(a, holdLimitMs, nowMs))].toSorted(
    (a, b) => PRESSING[a.kind] - PRESSING[b.kind] || b.overMs - a.overMs,
  )
}

function ofQueue(queue: WatchedQueue, nowMs: EpochMs): readonly Need[] {
  const { id: queueId, shareToday, warns } = queue
  const aim = warns.shareBelow
  const below: readonly Need[] =
    aim === null || shareToday === null || shareToday >= aim ? [] : [{ kind: 'belowAim', queueId, share: shareToday, aim, overMs: 0 }]
  return [...ofLine(queue, nowMs), ...queue.lines.flatMap((line) => ofWritten(queueId, line, nowMs)), ...below]
}

function ofWritten(queueId: QueueId, { channel, count, longestSinceMs, serviceLevelMs }: WatchedLine, nowMs: EpochMs): readonly Need[] {
  const waitedMs = nowMs - longestSinceMs
  return serviceLevelMs === null || waitedMs <= serviceLevelMs
    ? []
    : [{ kind: 'writtenWaits', queueId, channel, count, waitedMs, overMs: waitedMs - serviceLevelMs }]
}

/** One thing is said of a line, the worst of it. */
function ofLine({ id: queueId, waiting, longestSinceMs, onShift, serviceLevelMs, warns }: WatchedQueue, nowMs: EpochMs): readonly Need[] {
  if (waiting === 0 || longestSinceMs === null) return []
  const waitedMs = nowMs - longestSinceMs
  const overMs = waitedMs - (warns.longestMs ?? serviceLevelMs)
  if (onShift === 0) return [{ kind: 'nobodyServes', queueId, waitedMs, overMs }]
  if (overMs > 0) return [{ kind: 'waitsTooLong', queueId, waitedMs, overMs }]
  return warns.waiting !== null && waiting > warns.waiting ? [{ kind: 'tooManyWait', queueId, waitedMs, overMs: Math.max(0, overMs) }] : []
}

function ofAgent(
  { id: agentId, state, sinceMs, plannedMs, wrapUp, heldSinceMs, deskLostSinceMs, helpSinceMs }: WatchedAgent,
  holdLimitMs: number,
  nowMs: EpochMs,
): readonly Need[] {
  const over = (kind: 'heldTooLong' | 'wrapUpTooLong' | 'overPlan', fromMs: EpochMs, limitMs: number | null): readonly Need[] => {
    const lastsMs = nowMs - fromMs
    return limitMs !== null && lastsMs > limitMs ? [{ kind, agentId, lastsMs, overMs: lastsMs - limitMs }] : []
  }
  return [
    ...(helpSinceMs === null ? [] : [{ kind: 'asksForHelp', agentId, lastsMs: nowMs - helpSinceMs, overMs: nowMs - helpSinceMs } as const]),
    ...(deskLostSinceMs === null ? [] : [{ kind: 'deskLost', agentId, lastsMs: nowMs - deskLostSinceMs, overMs: nowMs - deskLostSinceMs } as const]),
    ...(heldSinceMs === null ? [] : over('heldTooLong', heldSinceMs, holdLimitMs)),
    ...(state !== 'wrapUp' || wrapUp === null ? [] : over('wrapUpTooLong', wrapUp.startedAtMs, wrapUp.limitMs ?? wrapUp.overMs)),
    ...(state === 'notReady' ? over('overPlan', sinceMs, plannedMs) : []),
  ]
}
