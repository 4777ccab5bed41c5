// What whoever answers for the floor asks about a call of an agent's, and what agents ask of them.
import * as z from 'zod'
import { MovedToSchema, ROLES } from '@/core/calls'
import { AgentIdSchema, CallIdSchema, CampaignIdSchema, QueueIdSchema, SkillIdSchema } from '@/core/ids'
import type { By, Ruling as RulingFor } from '@/core/rules/rule'
import { MOST_SKILLED } from '@/core/set-up'
import type { RulingRefusal } from './refusals'

const on = { callId: CallIdSchema }
const agents = { agentIds: z.array(AgentIdSchema) }

export const SUPERVISION_ASKS = [
  /** Listens to an agent on a call, whispers to them, or steps in; or changes from one to another. */
  z.object({ kind: z.literal('takeRole'), ...on, besideId: AgentIdSchema, role: z.enum(ROLES) }).readonly(),
  z.object({ kind: z.literal('takeOver'), ...on, fromAgentId: AgentIdSchema }).readonly(),
  z.object({ kind: z.literal('stopListening'), ...on }).readonly(),
  z.object({ kind: z.literal('askForHelp'), ...on }).readonly(),
  z.object({ kind: z.literal('dropHelp') }).readonly(),
  /** Says to the agent that somebody sees to it. */
  z.object({ kind: z.literal('takeHelp'), toAgentId: AgentIdSchema }).readonly(),
  /** What agents serve from now on; a campaign and skills that are not named stay as they are; level 0 is none. */
  z
    .object({
      kind: z.literal('assignWork'),
      ...agents,
      add: z.array(QueueIdSchema),
      drop: z.array(QueueIdSchema),
      campaignId: CampaignIdSchema.nullable().optional(),
      levels: z.array(z.object({ skillId: SkillIdSchema, level: z.number().int().min(0).max(MOST_SKILLED) })).optional(),
    })
    .readonly(),
  z.object({ kind: z.literal('setReadiness'), ...agents, ready: z.boolean(), reason: z.string() }).readonly(),
  z.object({ kind: z.literal('endShiftOf'), toAgentId: AgentIdSchema }).readonly(),
  z.object({ kind: z.literal('sendWord'), ...agents, text: z.string() }).readonly(),
  z.object({ kind: z.literal('putAwayTold'), no: z.number().int() }).readonly(),
  z.object({ kind: z.literal('moveWaiting'), ...on, to: MovedToSchema }).readonly(),
  z.object({ kind: z.literal('setDoor'), queueId: QueueIdSchema, door: z.enum(['open', 'closed']).nullable() }).readonly(),
] as const

export type SupervisionCommand = By<z.infer<(typeof SUPERVISION_ASKS)[number]>>
export type Of<K extends SupervisionCommand['kind']> = Extract<SupervisionCommand, { kind: K }>
export type Ruling = RulingFor<RulingRefusal>
