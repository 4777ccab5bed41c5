// A review of what an agent made of a call: by a sheet, with remarks at places in it; the agent answers it.
import * as z from 'zod'
import { type AgentId, AgentIdSchema, CallIdSchema } from '@/core/ids'
import type { EpochMs } from '@/core/time'
import { SheetSchema } from './sheet'

export const RemarkSchema = z.object({ /** Into the call, ms. */ atMs: z.number().int().min(0), text: z.string().min(1) }).readonly()
export type Remark = z.infer<typeof RemarkSchema>

/** Of which agent on which call, by whom: made again it takes the place of the former one. */
const of = { callId: CallIdSchema, agentId: AgentIdSchema, byAgentId: AgentIdSchema }

export const ReviewEventSchema = z.discriminatedUnion('kind', [
  z
    .object({
      kind: z.literal('reviewMade'),
      ...of,
      sheet: SheetSchema,
      answers: z.record(z.string(), z.number()).readonly(),
      remarks: z.array(RemarkSchema).readonly(),
      note: z.string(),
    })
    .readonly(),
  z.object({ kind: z.literal('reviewAnswered'), ...of, agrees: z.boolean(), text: z.string() }).readonly(),
  z.object({ kind: z.literal('reviewWithdrawn'), ...of }).readonly(),
])
export type ReviewEvent = z.infer<typeof ReviewEventSchema>
type Made = Extract<ReviewEvent, { kind: 'reviewMade' }>

export interface Review extends Omit<Made, 'kind'> {
  readonly madeAtMs: EpochMs
  readonly answer: { readonly agrees: boolean; readonly text: string; readonly atMs: EpochMs } | null
}

export const reviewKey = ({ callId, agentId, byAgentId }: { readonly callId: string; readonly agentId: AgentId; readonly byAgentId: AgentId }): string =>
  `${callId} ${agentId} ${byAgentId}`

/** null once it is withdrawn. An answer to none is nothing. */
export function evolveReview(before: Review | undefined, event: ReviewEvent, atMs: EpochMs): Review | null {
  switch (event.kind) {
    case 'reviewMade': {
      const { kind: _, ...made } = event
      return { ...made, madeAtMs: atMs, answer: null }
    }
    case 'reviewAnswered':
      return before === undefined ? null : { ...before, answer: { agrees: event.agrees, text: event.text, atMs } }
    case 'reviewWithdrawn':
      return null
  }
}
