// What may be asked of the floor: by people at a desk, and by the network and the stand-ins. The schema guards
// the boundary between tab and worker; inside, the type is enough.
import * as z from 'zod'
import { CustomerSchema, type FAILURES } from '@/core/calls'
import { AgentIdSchema, CallIdSchema, QueueIdSchema } from '@/core/ids'
import { ThenSchema } from '@/core/outcomes'
import { AnswerValueSchema } from '@/core/scripts'

const me = { agentId: AgentIdSchema }
const mine = { agentId: AgentIdSchema, callId: CallIdSchema }

/** What an agent asks for. */
export const AgentCommandSchema = z.discriminatedUnion('kind', [
  z.object({ kind: z.literal('startShift'), ...me, pin: z.string(), queueIds: z.array(QueueIdSchema), seat: z.enum(['desk', 'standIn']) }).readonly(),
  z.object({ kind: z.literal('endShift'), ...me }).readonly(),
  z.object({ kind: z.literal('goReady'), ...me }).readonly(),
  z.object({ kind: z.literal('goNotReady'), ...me, reason: z.string() }).readonly(),
  z.object({ kind: z.literal('setMute'), ...me, muted: z.boolean() }).readonly(),
  z.object({ kind: z.literal('makeCall'), ...me, typed: z.string(), customer: CustomerSchema.nullable() }).readonly(),
  z.object({ kind: z.literal('answer'), ...mine }).readonly(),
  z.object({ kind: z.literal('decline'), ...mine }).readonly(),
  z.object({ kind: z.literal('silence'), ...mine }).readonly(),
  z.object({ kind: z.literal('hold'), ...mine }).readonly(),
  z.object({ kind: z.literal('retrieve'), ...mine }).readonly(),
  z.object({ kind: z.literal('hangUp'), ...mine }).readonly(),
  z.object({ kind: z.literal('turnPage'), ...mine, direction: z.enum(['next', 'back']) }).readonly(),
  z.object({ kind: z.literal('answerScript'), ...mine, field: z.string(), value: AnswerValueSchema.nullable() }).readonly(),
  z.object({ kind: z.literal('draftNotes'), ...mine, text: z.string(), followUp: z.string() }).readonly(),
  z.object({ kind: z.literal('saveOutcome'), ...mine, code: z.string().nullable(), notes: z.string(), followUp: z.string(), andThen: ThenSchema }).readonly(),
])
export type AgentCommand = z.infer<typeof AgentCommandSchema>

/** What comes from outside: callers, the far ends of dialled calls, and time itself. */
export type NetworkCommand =
  | {
      readonly kind: 'callArrives'
      readonly queueId: z.infer<typeof QueueIdSchema>
      readonly number: string | null
      readonly customer: z.infer<typeof CustomerSchema> | null
      readonly path: string | null
    }
  | { readonly kind: 'farEnd'; readonly callId: z.infer<typeof CallIdSchema>; readonly report: 'ringing' | 'answered' | (typeof FAILURES)[number] }
  | { readonly kind: 'callerHangsUp'; readonly callId: z.infer<typeof CallIdSchema> }
  | { readonly kind: 'callerSays'; readonly callId: z.infer<typeof CallIdSchema>; readonly turn: number; readonly text: string }
  /** Time has passed: rings over their limit move on. Due whenever `nextDueAtMs` says so. */
  | { readonly kind: 'passTime' }

export type Command = AgentCommand | NetworkCommand
