// GET /api/demo-history?seed=7&days=5&pace=week: past days of the scenario, simulated by the same floor and world
// that run in the page, streamed as gzip NDJSON. First a line for each day with
// what it folds into (call records and agent states), then each day's ledger entries.
import { pipeline, Readable } from 'node:stream'
import { promisify } from 'node:util'
import { createGzip, gunzip } from 'node:zlib'
import * as z from 'zod'
import { DAY, utcDay } from '@/core/time'
import { entriesLine, foldedLineOf } from '@/exchange/archive/days'
import { PACES, type Pace } from '@/world'
import { type MadeDay, madeDay } from './made'

export const dynamic = 'force-dynamic'

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
  /** `week` is an ordinary week whose fourth day is a storm. */
  pace: z.enum([...PACES, 'week'], `pace must be one of ${PACES.join(', ')}, week`),
  /** The day after the last one; today when not given. */
  before: z.iso.date('before must be a day like 2026-11-24').optional(),
})

export function GET(request: Request): Response {
  const query = QuerySchema.safeParse(Object.fromEntries(new URL(request.url).searchParams))
  if (!query.success) return Response.json({ refused: query.error.issues.map((issue) => issue.message) }, { status: 400 })
  // Whoever goes away ends the whole line, and no further day is made for them.
  const stream = pipeline(Readable.from(days(query.data)), createGzip({ level: 4 }), () => {})
  // The file itself is gzip; a content-encoding would make servers and proxies on the way undo or repeat it.
  return new Response(Readable.toWeb(stream) as BodyInit, { headers: { 'content-type': 'application/gzip', 'cache-control': 'no-store' } })
}

const expand = promisify(gunzip)

async function* days({ seed, days: count, pace, before }: z.infer<typeof QuerySchema>): AsyncGenerator<string | Buffer> {
  const endMs = Date.parse(`${before ?? utcDay(Date.now())}T00:00:00Z`)
  const all: { readonly day: string; readonly made: MadeDay }[] = []
  for (let dayNo = 1; dayNo <= count; dayNo++) {
    const midnightMs = endMs - (count - dayNo + 1) * DAY
    const paceOfDay: Pace = pace === 'week' ? (dayNo % 7 === 4 ? 'storm' : 'ordinary') : pace
    const made = await madeDay({ seed, pace: paceOfDay, midnightMs })
    all.push({ day: utcDay(midnightMs), made })
    yield `${foldedLineOf((await expand(made.folded)).toString(), dayNo, count)}\n`
  }
  for (const { day, made } of all) {
    yield `${entriesLine(day)}\n`
    yield await expand(made.entries)
  }
}
