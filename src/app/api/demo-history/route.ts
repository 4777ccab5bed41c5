// GET /api/demo-history?seed=7&days=5&pace=week: past days of the scenario, simulated by the same floor and world
// that run in the page, streamed as gzip NDJSON. First a line for each day with
// what it folds into (call records and agent states), then each day's ledger entries.
import { Readable, type Transform } from 'node:stream'
import { createGzip } from 'node:zlib'
import * as z from 'zod'
import { toLine } from '@/core/ledger'
import { DAY, utcDay } from '@/core/time'
import { entriesLine, foldDay, foldedLine } from '@/exchange/archive/days'
import { PACES, type Pace, simulateDay } from '@/world'

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
  const key = JSON.stringify({ ...query.data, before: query.data.before ?? utcDay(Date.now()) })
  const known = remembered.get(key)
  const body = known === undefined ? Readable.toWeb(remember(key, Readable.from(days(query.data)).pipe(createGzip({ level: 4 })))) : known
  // The file itself is gzip; a content-encoding would make servers and proxies on the way undo or repeat it.
  return new Response(body as BodyInit, { headers: { 'content-type': 'application/gzip', 'cache-control': 'no-store' } })
}

/** The same question has the same answer, byte for byte: the last few answers are kept. */
const remembered = new Map<string, Buffer>()
const REMEMBERED_AT_MOST = 3

function remember(key: string, stream: Transform): Transform {
  const parts: Buffer[] = []
  stream.on('data', (part: Buffer) => parts.push(part))
  stream.on('end', () => {
    remembered.set(key, Buffer.concat(parts))
    for (const old of [...remembered.keys()].slice(0, -REMEMBERED_AT_MOST)) remembered.delete(old)
  })
  return stream
}

async function* days({ seed, days: count, pace, before }: z.infer<typeof QuerySchema>): AsyncGenerator<string> {
  const endMs = Date.parse(`${before ?? utcDay(Date.now())}T00:00:00Z`)
  const ledgers: { readonly day: string; readonly text: string }[] = []
  for (let dayNo = 1; dayNo <= count; dayNo++) {
    const midnightMs = endMs - (count - dayNo + 1) * DAY
    const paceOfDay: Pace = pace === 'week' ? (dayNo % 7 === 4 ? 'storm' : 'ordinary') : pace
    const entries = simulateDay({ seed, pace: paceOfDay, midnightMs })
    const day = utcDay(midnightMs)
    ledgers.push({ day, text: entries.map((entry) => `${toLine(entry)}\n`).join('') })
    yield `${foldedLine(foldDay(day, entries), dayNo, count)}\n`
    // A day takes a good part of a second: let the server answer others in between.
    await new Promise((resolve) => setImmediate(resolve))
  }
  for (const { day, text } of ledgers) yield `${entriesLine(day)}\n${text}`
}
