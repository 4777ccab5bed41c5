// What colleagues ask in order to write to each other. Nobody needs to be on shift for it.
import * as z from 'zod'
import { CircleOfSchema } from '@/core/circles'
import { AgentIdSchema, QueueIdSchema } from '@/core/ids'
import type { By, Ruling as RulingFor } from '@/core/rules/rule'
import type { RulingRefusal } from './refusals'

export const CIRCLE_ASKS = [
  z
    .object({
      kind: z.literal('writeToColleagues'),
      to: z.discriminatedUnion('kind', [
        z.object({ kind: z.literal('agent'), agentId: AgentIdSchema }),
        z.object({ kind: z.literal('team'), team: z.string() }),
        z.object({ kind: z.literal('queue'), queueId: QueueIdSchema }),
      ]),
      text: z.string(),
    })
    .readonly(),
  z.object({ kind: z.literal('readCircle'), circle: CircleOfSchema, throughNo: z.number().int().nonnegative() }).readonly(),
] as const

export type CircleCommand = By<z.infer<(typeof CIRCLE_ASKS)[number]>>
export type Of<K extends CircleCommand['kind']> = Extract<CircleCommand, { kind: K }>
export type Ruling = RulingFor<RulingRefusal>
