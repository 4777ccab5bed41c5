// A number that does not belong to whom the records say: struck out, and put back when that was a mistake.
import * as z from 'zod'
import { AgentIdSchema, CallIdSchema } from '@/core/ids'

const struck = { callId: CallIdSchema, number: z.string(), /** Whose record it stood in. */ person: z.string(), byAgentId: AgentIdSchema }

export const NumberEventSchema = z.discriminatedUnion('kind', [
  z.object({ kind: z.literal('numberStruck'), ...struck }).readonly(),
  z.object({ kind: z.literal('numberRestored'), ...struck }).readonly(),
])
export type NumberEvent = z.infer<typeof NumberEventSchema>
