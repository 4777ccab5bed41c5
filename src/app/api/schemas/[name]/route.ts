// GET /api/schemas/<name>: JSON Schemas (2020-12) of the files the product writes and reads, made from the same Zod
// definitions that check them.
import * as z from 'zod'
import { AttemptLineSchema } from '@/core/campaigns'
import { AgentIntervalSchema, CallRecordSchema, LedgerEntrySchema } from '@/core/ledger'
import { OutcomeSetSchema } from '@/core/outcomes'
import { ScriptSchema } from '@/core/scripts'
import { SetUpSchema } from '@/core/set-up'

const SCHEMAS: Readonly<Record<string, z.ZodType>> = {
  call: CallRecordSchema,
  'agent-state': AgentIntervalSchema,
  attempt: AttemptLineSchema,
  'ledger-entry': LedgerEntrySchema,
  script: ScriptSchema,
  'outcome-set': OutcomeSetSchema,
  'set-up': SetUpSchema,
}

export async function GET(_request: Request, { params }: { params: Promise<{ name: string }> }): Promise<Response> {
  const { name } = await params
  const schema = Object.hasOwn(SCHEMAS, name) ? SCHEMAS[name] : undefined
  if (schema === undefined) return Response.json({ refused: [`there is no schema "${name}"; there are ${Object.keys(SCHEMAS).join(', ')}`] }, { status: 404 })
  return Response.json(z.toJSONSchema(schema), { headers: { 'content-type': 'application/schema+json' } })
}
