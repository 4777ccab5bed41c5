// GET /api/demo-history/lists?seed=7&days=5&pace=week&campaigns=yes: what people of the demo's lists have been through by the end of those days, as gzip NDJSON.
import { pipeline, Readable } from 'node:stream'
import { createGzip } from 'node:zlib'
import { madeDay } from '@/app/api/demo-history/made'
import { daysAsked } from '@/app/api/demo-history/query'
import { recordIdAt } from '@/services/lists/chunks'
import { lifeLine } from '@/services/lists/past'
import { FENNHOLM_LISTS } from '@/world/scenario'

export const dynamic = 'force-dynamic'

export async function GET(request: Request): Promise<Response> {
  const asked = daysAsked(request)
  if (!asked.ok) return asked.refusal
  const last = asked.days.at(-1)
  const lives = last === undefined ? null : (await madeDay(last)).lives
  function* lines() {
    for (const { id, campaignId } of FENNHOLM_LISTS)
      for (const [place, life] of lives?.get(campaignId) ?? []) yield `${lifeLine({ recordId: recordIdAt(id, place), life })}\n`
  }
  const stream = pipeline(Readable.from(lines()), createGzip({ level: 4 }), () => {})
  return new Response(Readable.toWeb(stream) as BodyInit, { headers: { 'content-type': 'application/gzip', 'cache-control': 'no-store' } })
}
