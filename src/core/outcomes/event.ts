// What can happen to the outcome of a call.
import * as z from 'zod'
import { AgentIdSchema, CallIdSchema, QueueIdSchema } from '@/core/ids'

/** What the agent does next, decided in the same gesture as the outcome. */
export const ThenSchema = z
  .discriminatedUnion('state', [z.object({ state: z.literal('ready') }), z.object({ state: z.literal('notReady'), reason: z.string().min(1) })])
  .readonly()
export type Then = z.infer<typeof ThenSchema>

export const OutcomeEventSchema = z
  .object({
    kind: z.literal('outcomeSaved'),
    callId: CallIdSchema,
    agentId: AgentIdSchema,
    code: z.string(),
    notes: z.string(),
    followUp: z.string(),
    andThen: ThenSchema,
    /** The answers spoke against the code, and the agent meant it all the same. */
    insisted: z.boolean().default(false),
  })
  .readonly()
export type OutcomeEvent = z.infer<typeof OutcomeEventSchema>

/** The agent took the outcome back before the grace was over: the call owes it again. */
export const OutcomeTakenBackSchema = z.object({ kind: z.literal('outcomeTakenBack'), callId: CallIdSchema, agentId: AgentIdSchema }).readonly()
export type OutcomeTakenBack = z.infer<typeof OutcomeTakenBackSchema>

/** Another code for a call that is over and coded. Both stay in the ledger; the later one counts. */
export const OutcomeCorrectedSchema = z
  .object({
    kind: z.literal('outcomeCorrected'),
    callId: CallIdSchema,
    byAgentId: AgentIdSchema,
    queueId: QueueIdSchema.nullable(),
    code: z.string(),
    /** The code before, as far as it was known. */
    was: z.string().nullable(),
    why: z.string(),
  })
  .readonly()
export type OutcomeCorrected = z.infer<typeof OutcomeCorrectedSchema>
