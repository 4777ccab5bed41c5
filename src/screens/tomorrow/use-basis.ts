// What a day is played from: its calls, as expected or as they came, who works, and the rules in use.
import { addDays, format, isValid, parseISO } from 'date-fns'
import { useCallback, useMemo, useState } from 'react'
import { callingOrder, callsIn, type DayBasis, dutiesOf, type OnDuty } from '@/core/coming-day'
import type { SetUp } from '@/core/set-up'
import { type Need, QUARTERS, staffDay } from '@/core/staffing'
import { MINUTE, QUARTER_MS, SECOND } from '@/core/time'
import { type KeptPlan, useKeptPlan } from '@/parts/plans'
import { floorNow } from '@/services/exchange/floor-time'
import { useSeen, useSetUpInUse } from '@/services/exchange/react'
import type { QueueForecast } from '@/services/history/client'
import { useForecasts, useHistory } from '@/services/history/react'

/** Where nothing is known of it: a caller stays so long, a call takes so long, and its wrap-up. */
const USUAL_PATIENCE_MS = 3 * MINUTE
const USUAL_HANDLE_MS = 4 * MINUTE
const USUAL_WRAP_UP_MS = 30 * SECOND

export const STAFFING = ['plan', 'together', 'apart', 'came', 'number'] as const
export interface BasisWish {
  readonly day: string
  readonly calls: 'expected' | 'came'
  readonly staff: (typeof STAFFING)[number]
  /** At work all day, where so many are asked for. */
  readonly agents: number
}

export interface Basis {
  readonly basis: DayBasis | null
  readonly kept: KeptPlan | null
  /** Why there is none: still being read, or what is missing. */
  readonly missing: string | null
}

/** A question of the forecast for the staffing formulas. */
export function needOf(known: readonly (QueueForecast & { readonly withinMs: number })[], share: number): Need {
  return staffDay(
    known.map((q) => ({
      offered: q.offered,
      handleMs: q.handleMs ?? USUAL_HANDLE_MS,
      patienceMs: q.patienceMs ?? USUAL_PATIENCE_MS,
      aim: { share, withinMs: q.withinMs },
    })),
  )
}

export const trafficOf = (known: readonly QueueForecast[]): DayBasis['traffic'] =>
  known.map(({ queueId, offered, talkMs, wrapUpMs, patienceMs }) => ({
    queueId,
    offered,
    patienceMs: patienceMs ?? USUAL_PATIENCE_MS,
    talkMs: talkMs.length > 0 ? talkMs : [USUAL_HANDLE_MS],
    wrapUpMs: wrapUpMs.length > 0 ? wrapUpMs : [USUAL_WRAP_UP_MS],
  }))

/** What agents are needed for, where they are as needed. */
const AIM = 0.8

export function useBasis({ day, calls, staff, agents }: BasisWish): Basis {
  const [nowMs] = useState(floorNow)
  const isDay = day !== '' && isValid(parseISO(day))
  const asked = isDay ? day : format(addDays(nowMs, 1), 'yyyy-MM-dd')
  const { forecasts, problem } = useForecasts(asked, nowMs)
  const queues = useSeen((view) => view.centre.queues)
  const revision = useSeen((view) => view.centre.revision)
  const setUp = useSetUpInUse(revision ?? 0)?.setUp ?? null
  const [kept] = useKeptPlan(asked)
  const fromMs = parseISO(asked).getTime()
  const wantsPast = calls === 'came' || staff === 'came'
  const { value: past } = useHistory(
    useCallback(
      async (api) => {
        if (!wantsPast || fromMs >= floorNow()) return null
        const span = { fromMs, toMs: addDays(fromMs, 1).getTime() }
        const [came, rows] = await Promise.all([
          api.came({ ...span, nowMs: floorNow() }),
          api.sessions({ span, days: [fromMs], only: null, nowMs: floorNow() }),
        ])
        return { came, crew: rows.flatMap((row) => row.days.flatMap((d) => dutiesOf(row.id, d.sessions, d.spells, fromMs))) }
      },
      [wantsPast, fromMs],
    ),
  )
  return useMemo(() => {
    const without = (missing: string): Basis => ({ basis: null, kept, missing })
    if (!isDay) return without('Choose a day.')
    if (problem !== null) return without(`The past days could not be read: ${problem}. Reload the page to try again.`)
    if (forecasts === null || setUp === null || queues === null) return without('Reading the past days and the rules…')
    if (forecasts.queues.every((q) => q.days === 0)) return without('No past day with calls is kept here yet, so nothing can be played. Come back tomorrow.')
    if (wantsPast && fromMs >= nowMs) return without('This day has not come yet. Take calls and agents as expected, or choose a day that is over.')
    if (wantsPast && past === null) return without('Reading that day…')
    if (calls === 'came' && past?.came.length === 0) return without('Nobody called on this day. Choose another one.')
    if (staff === 'came' && past?.crew.length === 0) return without('Nobody was on shift on this day. Choose another one.')
    if (staff === 'plan' && kept === null) return without('No plan of shifts is kept for this day. Lay one under Tomorrow, or choose other agents.')
    const known = forecasts.queues.flatMap((f) => {
      const queue = queues.find((q) => q.id === f.queueId)
      return queue === undefined ? [] : [{ ...f, withinMs: queue.serviceLevelMs }]
    })
    const traffic = trafficOf(known)
    const isOpen = Array.from({ length: QUARTERS }, (_, q) => traffic.some((t) => (t.offered[q] ?? 0) > 0.05))
    const atWork =
      staff === 'number'
        ? isOpen.map((open) => (open ? agents : 0))
        : staff === 'together' || staff === 'apart'
          ? needOf(known, AIM)[staff]
          : isOpen.map(() => 0)
    const crew = staff === 'came' ? (past?.crew ?? []) : staff === 'plan' && kept !== null ? plannedCrew(kept, setUp, traffic) : null
    return { basis: { setUp, startMs: fromMs, traffic, came: calls === 'came' ? (past?.came ?? null) : null, atWork, crew }, kept, missing: null }
  }, [isDay, problem, forecasts, setUp, queues, wantsPast, fromMs, nowMs, past, calls, staff, kept, agents])
}

/** Shifts without a name are taken by whoever would be called in next. */
function plannedCrew({ shifts }: KeptPlan, setUp: SetUp, traffic: DayBasis['traffic']): readonly OnDuty[] {
  const free = callingOrder(setUp, callsIn(traffic)).filter((id) => !shifts.some((s) => s.agentId === id))
  return shifts.flatMap(({ agentId, from, to, breaks }) => {
    const id = agentId ?? free.shift()
    if (id === undefined) return []
    return [
      { agentId: id, fromMs: from * QUARTER_MS, toMs: to * QUARTER_MS, breaks: breaks.map((b) => ({ fromMs: b.from * QUARTER_MS, toMs: b.to * QUARTER_MS })) },
    ]
  })
}
