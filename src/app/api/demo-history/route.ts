// GET /api/demo-history?seed=7&days=5&pace=week: past days of the scenario, simulated by the same floor and world
// that run in the page, streamed as gzip NDJSON. First a line for each day with
// what it folds into (call records and agent states), then each day's ledger entries.
import { pipeline, Readable } from 'node:stream'
import { promisify } from 'node:util'
import { createGzip, gunzip } from 'node:zlib'
import { entriesLine, foldedLineOf } from '@/services/history/days'
import { type MadeDay, type MadeRequest, madeDay } from './made'
import { daysAsked } from './query'

export const dynamic = 'force-dynamic'

export function GET(request: Request): Response {
  const asked = daysAsked(request)
  if (!asked.ok) return asked.refusal
  // Whoever goes away ends the whole line, and no further day is made for them.
  const stream = pipeline(Readable.from(lines(asked.days)), createGzip({ level: 4 }), () => {})
  // The file itself is gzip; a content-encoding would make servers and proxies on the way undo or repeat it.
  return new Response(Readable.toWeb(stream) as BodyInit, { headers: { 'content-type': 'application/gzip', 'cache-control': 'no-store' } })
}

const expand = promisify(gunzip)

async function* lines(days: readonly MadeRequest[]): AsyncGenerator<string | Buffer> {
  const all: { readonly day: string; readonly made: MadeDay }[] = []
  for (const [i, request] of days.entries()) {
    const made = await madeDay(request)
    all.push({ day: request.day, made })
    yield `${foldedLineOf((await expand(made.folded)).toString(), i + 1, days.length)}\n`
  }
  for (const { day, made } of all) {
    yield `${entriesLine(day)}\n`
    yield await expand(made.entries)
  }
}
