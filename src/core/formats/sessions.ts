// Agents' time as files: a line for each agent and day (CSV, RFC 4180), and sessions as events of a calendar (iCalendar, RFC 5545).
import { toCsv } from '@/core/csv'
import type { TimeSums } from '@/core/sessions'
import type { Reason } from '@/core/set-up'
import { toICalendar } from './ical'

interface Row {
  readonly id: string
  readonly name: string
  readonly days: readonly {
    readonly fromMs: number
    readonly sessions: readonly { readonly fromMs: number; readonly toMs: number }[]
    readonly sums: TimeSums
  }[]
}

const STATES = ['onCall', 'dialling', 'writing', 'wrapUp', 'ready', 'ringing', 'internalCall', 'listening', 'notReady'] as const

/** Times are UTC epoch milliseconds, durations milliseconds; a column for each state and each reason there is or was. */
export function toSessionsCsv(rows: readonly Row[], reasons: readonly Reason[]): string {
  const seen = rows.flatMap((r) => r.days.flatMap((d) => Object.keys(d.sums.byReason)))
  const names = [...new Set([...reasons.map((r) => r.name), ...seen])]
  const fields = [
    'agentId',
    'agent',
    'dayFromMs',
    'sessions',
    'onShiftMs',
    ...STATES.map((s) => `${s}Ms`),
    'unpaidMs',
    'overPlanMs',
    ...names.map((n) => `notReady ${n} Ms`),
  ]
  return toCsv(
    fields,
    rows.flatMap((r) =>
      r.days.map(({ fromMs, sessions, sums }) => [
        ...[r.id, r.name, fromMs, sessions.map((s) => [s.fromMs, s.toMs]), sums.onShiftMs],
        ...STATES.map((s) => sums.byState[s] ?? 0),
        ...[sums.unpaidMs, sums.overPlanMs],
        ...names.map((n) => sums.byReason[n] ?? 0),
      ]),
    ),
  )
}

export const toSessionsICalendar = (centre: string, rows: readonly Row[], nowMs: number): string =>
  toICalendar(
    `Sessions of ${centre}`,
    rows.flatMap((r) =>
      r.days.flatMap(({ sessions }) =>
        sessions.map(({ fromMs, toMs }) => ({
          uid: `session-${r.id}-${fromMs}`,
          atMs: fromMs,
          durationMs: toMs - fromMs,
          title: `${r.name} on shift`,
          text: '',
          alarm: false,
        })),
      ),
    ),
    nowMs,
  )
