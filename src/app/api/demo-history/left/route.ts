// GET /api/demo-history/left?seed=7&days=5&pace=week: what those days leave to the next one, as the ledger's event `carriedOver`.
import { madeDay } from '@/app/api/demo-history/made'
import { daysAsked } from '@/app/api/demo-history/query'

export const dynamic = 'force-dynamic'

export async function GET(request: Request): Promise<Response> {
  const asked = daysAsked(request)
  if (!asked.ok) return asked.refusal
  const last = asked.days.at(-1)
  return Response.json(last === undefined ? null : (await madeDay(last)).left, { headers: { 'cache-control': 'no-store' } })
}
