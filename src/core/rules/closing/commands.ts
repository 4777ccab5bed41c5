// What an agent asks about the business of a call: its script, its notes, its outcome and what follows from that.
import * as z from 'zod'
import { CallIdSchema, CampaignIdSchema, QueueIdSchema } from '@/core/ids'
import { ThenSchema } from '@/core/outcomes'
import type { By, Ruling as RulingFor } from '@/core/rules/rule'
import { AnswerValueSchema } from '@/core/scripts'
import { SoundCauseSchema } from '@/core/sound-quality'
import { InstantSchema } from '@/core/time'
import type { RulingRefusal } from './refusals'

const mine = { callId: CallIdSchema }

export const CLOSING_ASKS = [
  /** By whoever coded it on this shift, or by a supervisor. */
  z
    .object({
      kind: z.literal('correctOutcome'),
      ...mine,
      queueId: QueueIdSchema.nullable(),
      campaignId: CampaignIdSchema.nullable().optional(),
      direction: z.string(),
      code: z.string(),
      was: z.string().nullable(),
      why: z.string(),
    })
    .readonly(),
  // The business around it.
  z.object({ kind: z.literal('turnPage'), ...mine, direction: z.enum(['next', 'back', 'jump']), pageId: z.string().optional() }).readonly(),
  z.object({ kind: z.literal('answerScript'), ...mine, field: z.string(), value: AnswerValueSchema.nullable() }).readonly(),
  /** How the call sounded; null: good after all. */
  z.object({ kind: z.literal('rateSound'), ...mine, cause: SoundCauseSchema }).readonly(),
  z.object({ kind: z.literal('draftNotes'), ...mine, text: z.string(), followUp: z.string() }).readonly(),
  z
    .object({
      kind: z.literal('saveOutcome'),
      ...mine,
      code: z.string().nullable(),
      notes: z.string(),
      followUp: z.string(),
      andThen: ThenSchema,
      insists: z.boolean().optional(),
      /** When the code asks for a callback: the number as it was typed, empty for the one of the call. Of another try that asks for it: not before. */
      callback: z
        .object({ dueAtMs: InstantSchema, timeZone: z.string(), typed: z.string(), owner: z.enum(['mine', 'anyone']) })
        .readonly()
        .optional(),
      /** When the code files a task: what the agent made of it. */
      task: z
        .object({ title: z.string(), text: z.string(), dueAtMs: InstantSchema, assignee: z.enum(['agent', 'anybody']) })
        .readonly()
        .optional(),
    })
    .readonly(),
  z.object({ kind: z.literal('extendWrapUp'), ...mine, why: z.string() }).readonly(),
  /** The outcome saved a moment ago. */
  z.object({ kind: z.literal('takeBackOutcome'), ...mine }).readonly(),
] as const

export type ClosingCommand = By<z.infer<(typeof CLOSING_ASKS)[number]>>
export type Of<K extends ClosingCommand['kind']> = Extract<ClosingCommand, { kind: K }>
export type Ruling = RulingFor<RulingRefusal>
