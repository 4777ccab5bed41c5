// A day as it is planned, and what may be otherwise about it.
import type { QueueId } from '@/core/ids'
import { MOST_SKILLED, type Overflow, type QueueSetUp, type SetUp } from '@/core/set-up'
import { DAY, MINUTE, QUARTER_MS } from '@/core/time'
import { type CameAt, callsIn, type Traffic } from './callers'
import { callingOrder, crewFor, type OnDuty } from './crew'
import type { Outbound } from './outbound'
import type { DayToPlay } from './play'

/** What is known of a day before it is played. */
export interface DayBasis {
  readonly setUp: SetUp
  /** The instant from which times of the day count. */
  readonly startMs: number
  readonly traffic: readonly Traffic[]
  /** The calls of a day that is over, to be played again; null for calls as they are expected. */
  readonly came: readonly CameAt[] | null
  /** At work, by quarter of an hour; breaks are taken out. */
  readonly atWork: readonly number[]
  /** Shifts with a name and breaks, where a plan has them; they count instead of `atWork`. */
  readonly crew: readonly OnDuty[] | null
}

export interface DayChange {
  /** Calls compared with what is expected, 1 for as many; of a day that came they stay as they were. */
  readonly callsTimes: number
  /** So many agents more, or fewer, in every quarter of an hour in which anybody is at work. */
  readonly moreAgents: number
  /** Everybody serves every queue, as well as anybody can. */
  readonly allTakeAll: boolean
  /** Of all queues: after how long others are asked as well; `asSetUp` for as the set-up has it. */
  readonly overflow: 'asSetUp' | 'never' | { readonly afterMs: number }
  /** Open between these minutes of the day, on this day; null for as the set-up has it. */
  readonly hours: { readonly fromMinute: number; readonly toMinute: number } | null
  readonly wrapUpTimes: number
  readonly talkTimes: number
  /** Calls are put through to everybody without ringing. */
  readonly putThrough: boolean
  /** A campaign that so many of those on duty work besides; null for none. */
  readonly outbound: Outbound | null
  /** One queue is called so often more, at its peak, from a time on, halving every hour and a half; and is switched to storm then. */
  readonly storm: { readonly queueId: QueueId; readonly fromMinute: number; readonly morePerHour: number; readonly switched: boolean } | null
}

export const NO_CHANGE: DayChange = {
  callsTimes: 1,
  moreAgents: 0,
  allTakeAll: false,
  overflow: 'asSetUp',
  hours: null,
  wrapUpTimes: 1,
  talkTimes: 1,
  putThrough: false,
  outbound: null,
  storm: null,
}

export interface ChangedDay {
  readonly day: DayToPlay
  readonly traffic: readonly Traffic[]
  readonly came: readonly CameAt[] | null
}

const STORM_HALVES_MS = 90 * MINUTE

/** Refuses nothing: what makes no sense (fewer agents than none) is taken as the nearest that does. */
export function changed(basis: DayBasis, change: DayChange): ChangedDay {
  const setUp = changedSetUp(basis.setUp, change)
  const traffic = basis.traffic.map((of) => changedTraffic(of, change))
  const quarters = Math.max(...traffic.map((t) => t.offered.length), DAY / QUARTER_MS)
  return {
    day: {
      setUp,
      startMs: basis.startMs,
      quarters,
      crew: changedCrew(basis, setUp, change),
      outbound: change.outbound,
      storms: change.storm?.switched ? [{ queueId: change.storm.queueId, fromMs: change.storm.fromMinute * MINUTE }] : [],
    },
    traffic,
    came: basis.came?.map((c) => ({ ...c, talkMs: times(c.talkMs, change.talkTimes), wrapUpMs: times(c.wrapUpMs, change.wrapUpTimes) })) ?? null,
  }
}

const times = (ms: number | null, by: number): number | null => (ms === null ? null : Math.round(ms * by))

function changedSetUp(setUp: SetUp, { allTakeAll, overflow, hours, putThrough }: DayChange): SetUp {
  const queueIds = setUp.queues.filter((q) => !q.retired).map((q) => q.id)
  const skills = setUp.skills.map(({ id }) => ({ skillId: id, level: MOST_SKILLED }))
  return {
    ...setUp,
    agents: allTakeAll ? setUp.agents.map((a) => (a.queueIds.length === 0 ? a : { ...a, queueIds, skills })) : setUp.agents,
    queues: setUp.queues.map((queue) => ({
      ...queue,
      hours: changedHours(queue, hours),
      overflow: changedOverflow(queue, overflow, queueIds),
      answersItself: putThrough || queue.answersItself,
    })),
  }
}

function changedHours({ hours }: QueueSetUp, wished: DayChange['hours']): QueueSetUp['hours'] {
  return wished === null ? hours : [{ days: [1, 2, 3, 4, 5, 6, 7], ...wished }]
}

/** A queue without anybody to ask is given every other one. */
function changedOverflow({ id, overflow }: QueueSetUp, wished: DayChange['overflow'], queueIds: readonly QueueId[]): readonly Overflow[] {
  if (wished === 'asSetUp') return overflow
  if (wished === 'never') return []
  const asked = overflow.length > 0 ? overflow.map((o) => o.to) : queueIds.filter((q) => q !== id)
  return asked.map((to) => ({ afterMs: wished.afterMs, to }))
}

function changedTraffic(of: Traffic, { callsTimes, hours, talkTimes, wrapUpTimes, storm }: DayChange): Traffic {
  const scale = (durations: readonly number[], by: number) => (by === 1 ? durations : durations.map((ms) => Math.round(ms * by)))
  const open = hours === null ? of.offered : withinHours(of.offered, hours)
  // Where nobody is expected nobody is there to answer: a storm lasts no longer than the day.
  const offered = open.map((calls, q) => (calls > 0 ? calls * callsTimes + stormCalls(of.queueId, storm, q) : 0))
  return { ...of, offered, talkMs: scale(of.talkMs, talkTimes), wrapUpMs: scale(of.wrapUpMs, wrapUpTimes) }
}

/** Nobody knows who would call at an hour that was never open: as many as at the nearest hour that was. */
function withinHours(offered: readonly number[], { fromMinute, toMinute }: NonNullable<DayChange['hours']>): readonly number[] {
  const first = offered.findIndex((n) => n > 0)
  const last = offered.findLastIndex((n) => n > 0)
  return offered.map((calls, q) => {
    const [from, to] = [q * 15, (q + 1) * 15]
    if (first < 0 || to <= fromMinute || from >= toMinute) return 0
    return q < first ? (offered[first] ?? 0) : q > last ? (offered[last] ?? 0) : calls
  })
}

function stormCalls(queueId: QueueId, storm: DayChange['storm'], q: number): number {
  if (storm === null || storm.queueId !== queueId) return 0
  const since = q * QUARTER_MS - storm.fromMinute * MINUTE
  return since < 0 ? 0 : (storm.morePerHour / 4) * 0.5 ** (since / STORM_HALVES_MS)
}

function changedCrew({ traffic, atWork, crew }: DayBasis, setUp: SetUp, { moreAgents }: DayChange): readonly OnDuty[] {
  const order = callingOrder(setUp, callsIn(traffic))
  if (crew === null)
    return crewFor(
      order,
      atWork.map((n) => (n > 0 ? Math.max(0, n + moreAgents) : 0)),
    )
  if (moreAgents <= 0) return fewer(crew, -moreAgents)
  // Whoever comes besides stays for as long as anybody is there.
  const spare = order.filter((id) => !crew.some((c) => c.agentId === id)).slice(0, moreAgents)
  const [fromMs, toMs] = [Math.min(...crew.map((c) => c.fromMs)), Math.max(...crew.map((c) => c.toMs))]
  return crew.length === 0 ? crew : [...crew, ...spare.map((agentId) => ({ agentId, fromMs, toMs, breaks: [] }))]
}

/** So many agents are not there after all: every so manieth of them, so that no part of the day loses all. */
function fewer(crew: readonly OnDuty[], count: number): readonly OnDuty[] {
  const ids = [...new Set(crew.map((c) => c.agentId))]
  const away = new Set(Array.from({ length: Math.min(count, ids.length) }, (_, i) => ids[Math.floor(((i + 0.5) * ids.length) / Math.min(count, ids.length))]))
  return crew.filter((c) => !away.has(c.agentId))
}
