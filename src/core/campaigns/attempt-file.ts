// `attempts.ndjson`: one line per attempt, as MEASURES says, for whoever reckons with them elsewhere.
import * as z from 'zod'
import { InstantSchema } from '@/core/time'
import { ATTEMPT_RESULTS } from './attempt'
import type { ListedRecord, Try } from './record'

const atMs = z.number().int().nullable()

export const AttemptLineSchema = z
  .object({
    attemptId: z.string(),
    campaignId: z.string(),
    recordId: z.string(),
    /** The list owner's own key of the record. */
    key: z.string().nullable(),
    /** E.164. */
    number: z.string(),
    startedAtMs: InstantSchema,
    /** Until somebody picked up, or it was given up. */
    ringMs: z.number().int().nullable(),
    answeredAtMs: atMs,
    /** A person, as the detector or an agent found. */
    liveAtMs: atMs,
    result: z.enum(ATTEMPT_RESULTS).nullable().describe('null while it is under way'),
    /** The call it became. */
    callId: z.string().nullable(),
    agentId: z.string().nullable(),
    /** When the message for somebody nobody could take began. */
    abandonedMessageAtMs: atMs,
    /** What the call was coded as. */
    outcome: z.string().nullable(),
  })
  .readonly()
export type AttemptLine = z.infer<typeof AttemptLineSchema>

export const attemptLine = (campaignId: string, { recordId, key }: Pick<ListedRecord, 'recordId' | 'key'>, t: Try): AttemptLine => ({
  attemptId: t.attemptId,
  campaignId,
  recordId,
  key,
  number: t.number,
  startedAtMs: t.atMs,
  ringMs: t.answeredAtMs !== null ? t.answeredAtMs - t.atMs : t.endedAtMs === null ? null : t.endedAtMs - t.atMs,
  answeredAtMs: t.answeredAtMs,
  liveAtMs: t.liveAtMs,
  result: t.result,
  callId: t.callId,
  agentId: t.agentId,
  abandonedMessageAtMs: t.result === 'abandoned' ? t.messageAtMs : null,
  outcome: t.label,
})
