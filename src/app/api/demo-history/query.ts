// What may be asked of the demo's past, and the days that are meant by it.
import * as z from 'zod'
import { type Day, dayAfter, dayAt, PACES, type Pace } from '@/world'
import { FENNHOLM, paceOfDay } from '@/world/scenario'
import type { MadeRequest } from './made'

const MAX_DAYS = 31

const QuerySchema = z.object({
  seed: z.coerce
    .number('seed must be a whole number')
    .int('seed must be a whole number')
    .min(0, 'seed must not be negative')
    .max(2 ** 31 - 1, 'seed must be below 2147483648'),
  days: z.coerce
    .number('days must be a whole number')
    .int('days must be a whole number')
    .min(1, 'days must be at least 1')
    .max(MAX_DAYS, `days must be at most ${MAX_DAYS}`),
  /** `week` is ordinary days with a gale every six days. */
  pace: z.enum([...PACES, 'week'], `pace must be one of ${PACES.join(', ')}, week`),
  /** Whether the lists of campaigns were called on those days. */
  campaigns: z.enum(['yes', 'no'], 'campaigns must be yes or no').default('no'),
  /** The day after the last one; today, in the centre's own time zone, when not given. */
  before: z.iso.date('before must be a day like 2026-11-24').optional(),
})

export type Asked = { readonly ok: true; readonly days: readonly MadeRequest[] } | { readonly ok: false; readonly refusal: Response }

/** The days that are asked for, first to last; each goes on from what the one before has left. */
export function daysAsked(request: Request): Asked {
  const query = QuerySchema.safeParse(Object.fromEntries(new URL(request.url).searchParams))
  if (!query.success) return { ok: false, refusal: Response.json({ refused: query.error.issues.map((issue) => issue.message) }, { status: 400 }) }
  const { seed, days: count, pace, campaigns, before = dayAt(Date.now(), FENNHOLM.timeZone) } = query.data
  const from = dayAfter(before, -count)
  const paceOf = (day: Day): Pace => (pace === 'week' ? paceOfDay(seed, day) : pace)
  const days = Array.from({ length: count }, (_, i) => dayAfter(from, i))
  return { ok: true, days: days.map((day) => ({ seed, kind: pace, from, day, pace: paceOf(day), paceOf, campaigns: campaigns === 'yes' })) }
}
