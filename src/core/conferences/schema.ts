// The schemas of conferences by appointment. Apart, because screens read them and check none.
import * as z from 'zod'
import { AgentIdSchema, QueueIdSchema } from '@/core/ids'
import { HOUR, InstantSchema, MINUTE } from '@/core/time'

export const LONGEST_TITLE = 120
export const MOST_INVITED = 60
export const SHORTEST_MS = 5 * MINUTE
export const LONGEST_MS = 8 * HOUR

/** A colleague, everybody of a queue, or somebody outside, who is sent the code. */
export const InvitedSchema = z.discriminatedUnion('kind', [
  z.object({ kind: z.literal('agent'), agentId: AgentIdSchema }).readonly(),
  z.object({ kind: z.literal('queue'), queueId: QueueIdSchema }).readonly(),
  /** `number` as it is dialled (E.164) or null; `email` may be ''. */
  z.object({ kind: z.literal('outside'), name: z.string().max(120), number: z.string().max(40).nullable(), email: z.string().max(200) }).readonly(),
])
export type Invited = z.infer<typeof InvitedSchema>

export const PlanSchema = z
  .object({
    title: z.string().max(LONGEST_TITLE),
    startsAtMs: InstantSchema,
    lastsMs: z.number().int().min(SHORTEST_MS).max(LONGEST_MS),
    /** In which it was said when it begins. */
    timeZone: z.string().max(60),
    invited: z.array(InvitedSchema).max(MOST_INVITED).readonly(),
    note: z.string().max(1_000),
  })
  .readonly()
export type Plan = z.infer<typeof PlanSchema>
