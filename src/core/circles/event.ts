// What colleagues write to each other: one to another, to a team, or to whoever serves a queue.
import * as z from 'zod'
import { AgentIdSchema, QueueIdSchema } from '@/core/ids'

/** Who writes among each other. A pair stands in the order of its ids, so that it is the same from both sides. */
export const CircleOfSchema = z
  .discriminatedUnion('kind', [
    z.object({ kind: z.literal('pair'), agentIds: z.tuple([AgentIdSchema, AgentIdSchema]).readonly() }),
    z.object({ kind: z.literal('team'), team: z.string() }),
    z.object({ kind: z.literal('queue'), queueId: QueueIdSchema }),
  ])
  .readonly()
export type CircleOf = z.infer<typeof CircleOfSchema>

export const CircleEventSchema = z.discriminatedUnion('kind', [
  /** `to`: for whom it is, besides who wrote it; `there`: those of them who were on shift, and so have it on their desk. */
  z
    .object({
      kind: z.literal('circleWritten'),
      circle: CircleOfSchema,
      /** 1, 2, 3 … within the circle. */
      no: z.number().int().positive(),
      byAgentId: AgentIdSchema,
      text: z.string(),
      to: z.array(AgentIdSchema).readonly(),
      there: z.array(AgentIdSchema).readonly(),
    })
    .readonly(),
  z.object({ kind: z.literal('circleRead'), circle: CircleOfSchema, agentId: AgentIdSchema, throughNo: z.number().int() }).readonly(),
])
export type CircleEvent = z.infer<typeof CircleEventSchema>
