// What the world remembers from one instant to the next, beside its agenda: plain data, so that a day can be stopped, stored and gone on with.
import type { Failure } from '@/core/calls'
import type { AgentId, AttemptId, CallId, QueueId, WorkId } from '@/core/ids'
import type { Day } from './calendar'
import type { Ended } from './ended'
import type { Pace } from './paces'
import type { PicksUp } from './picks-up'
import type { RingWish } from './wish'

export type AnswersAs = 'person' | Exclude<Failure, 'invalid' | 'unreachable'>

export interface WorldOptions {
  readonly seed: number
  readonly pace: Pace
  /** Seats the stand-ins play. */
  readonly plays: readonly AgentId[]
  /** `live`: the day begins mid-morning whenever a pace is chosen. Otherwise it is a day of the centre. */
  readonly day: { readonly kind: 'live' } | { readonly kind: 'calendar'; readonly day: Day }
  /** Whether colleagues work campaigns on a day of the centre: somebody must call their lists then. Live they always do. */
  readonly worksCampaigns?: boolean
}

/** Has one owner, who changes it in place. */
export interface Memory {
  readonly seed: number
  readonly day: WorldOptions['day']
  readonly worksCampaigns: boolean
  readonly plays: ReadonlySet<AgentId>
  pace: Pace
  startsMs: number
  /** Arrivals noted before the pace changed are void. */
  dayNo: number
  /** Where the chance of each queue's arrivals stands. */
  readonly arrivals: Map<QueueId, number>
  /** Of the caller who is about to be there: who comes next from a command is they. */
  wished: RingWish | null
  readonly wishOf: Map<CallId, RingWish>
  /** How the call ended, where it did not simply. */
  readonly endOf: Map<CallId, Ended>
  nextAnswer: AnswersAs | null
  /** How everybody of a calling list answers; null for as chance has it. */
  listAnswers: PicksUp | null
  /** Of attempts under way: what picked up, or would. */
  readonly picksUp: Map<AttemptId, PicksUp>
  /** Of whoever writes next, as a trainer wishes it; and of those who write. */
  writerPatienceMs: number | null
  readonly patienceOf: Map<WorkId, number>
  readonly lastBreakMs: Map<AgentId, number>
  /** Have left without signing out. */
  readonly gone: Set<AgentId>
  /** Who is about to key a code on the conference line. */
  readonly dialsIn: { readonly number: string; readonly code: string }[]
  /** Who has put a call through has not finished it. */
  readonly putThrough: Map<CallId, ReadonlySet<AgentId>>
}

export const newMemory = ({ seed, pace, plays, day, worksCampaigns = day.kind === 'live' }: WorldOptions): Memory => ({
  seed,
  day,
  worksCampaigns,
  pace,
  plays: new Set(plays),
  startsMs: 0,
  dayNo: 0,
  arrivals: new Map(),
  wished: null,
  wishOf: new Map(),
  endOf: new Map(),
  nextAnswer: null,
  listAnswers: null,
  picksUp: new Map(),
  lastBreakMs: new Map(),
  gone: new Set(),
  dialsIn: [],
  putThrough: new Map(),
  writerPatienceMs: null,
  patienceOf: new Map(),
})

/** Of a call that is over and coded the world remembers nothing, or it would grow from day to day. */
export function forget({ wishOf, endOf, putThrough }: Memory, callId: CallId): void {
  wishOf.delete(callId)
  endOf.delete(callId)
  putThrough.delete(callId)
}
