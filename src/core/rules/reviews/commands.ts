// Reviews are made by who answers for the floor, and answered by whom they are about; nobody needs to be on shift for it.
import * as z from 'zod'
import { AgentIdSchema, CallIdSchema } from '@/core/ids'
import { RemarkSchema } from '@/core/reviews'
import type { By, Ruling as RulingFor } from '@/core/rules/rule'
import type { RulingRefusal } from './refusals'

const on = { callId: CallIdSchema }

export const REVIEW_ASKS = [
  z
    .object({
      kind: z.literal('makeReview'),
      ...on,
      ofAgentId: AgentIdSchema,
      sheetId: z.string(),
      answers: z.record(z.string(), z.number()),
      remarks: z.array(RemarkSchema).max(50),
      note: z.string(),
    })
    .readonly(),
  z.object({ kind: z.literal('withdrawReview'), ...on, ofAgentId: AgentIdSchema }).readonly(),
  z.object({ kind: z.literal('answerReview'), ...on, madeById: AgentIdSchema, agrees: z.boolean(), text: z.string() }).readonly(),
] as const

export type ReviewCommand = By<z.infer<(typeof REVIEW_ASKS)[number]>>
export type Of<K extends ReviewCommand['kind']> = Extract<ReviewCommand, { kind: K }>
export type Ruling = RulingFor<RulingRefusal>
