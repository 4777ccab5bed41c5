// What people of lists have been through on days before this one, as it is sent: a line for each of them.
import * as z from 'zod'
import { ATTEMPT_RESULTS, BecomesSchema, type RecordLife } from '@/core/campaigns'
import { AgentIdSchema, AttemptIdSchema, CallIdSchema } from '@/core/ids'

const atMs = z.number().nullable()

const LifeSchema = z.object({
  tries: z.array(
    z.object({
      attemptId: AttemptIdSchema,
      number: z.string(),
      atMs: z.number(),
      result: z.enum(ATTEMPT_RESULTS).nullable(),
      callId: CallIdSchema.nullable(),
      agentId: AgentIdSchema.nullable(),
      answeredAtMs: atMs,
      liveAtMs: atMs,
      messageAtMs: atMs,
      endedAtMs: atMs,
      label: z.string().nullable(),
      code: z.string().nullable(),
    }),
  ),
  becomes: z.intersection(BecomesSchema, z.object({ atMs: z.number(), callId: CallIdSchema, label: z.string() })).nullable(),
  struck: z.array(z.string()),
  barred: z.array(z.string()),
  putBackAtMs: z.number(),
  shown: z.boolean(),
  rests: z.object({ untilMs: z.number(), why: z.string() }).nullable(),
})

const PastLifeSchema = z.object({ recordId: z.string(), life: LifeSchema })

export interface PastLife {
  readonly recordId: string
  readonly life: RecordLife
}

export const lifeLine = (past: PastLife): string => JSON.stringify(past)

/** Throws on a line that is not what it should be. */
export const readLifeLine = (line: string): PastLife => PastLifeSchema.parse(JSON.parse(line))
