// What whoever answers for the floor asks about a call of an agent's, and what agents ask of them.
import * as z from 'zod'
import { ROLES } from '@/core/calls'
import { AgentIdSchema, CallIdSchema } from '@/core/ids'
import type { By, Ruling as RulingFor } from '@/core/rules/rule'
import type { RulingRefusal } from './refusals'

const on = { callId: CallIdSchema }

export const SUPERVISION_ASKS = [
  /** Listens to an agent on a call, whispers to them, or steps in; or changes from one to another. */
  z.object({ kind: z.literal('takeRole'), ...on, besideId: AgentIdSchema, role: z.enum(ROLES) }).readonly(),
  z.object({ kind: z.literal('takeOver'), ...on, fromAgentId: AgentIdSchema }).readonly(),
  z.object({ kind: z.literal('stopListening'), ...on }).readonly(),
  z.object({ kind: z.literal('askForHelp'), ...on }).readonly(),
  z.object({ kind: z.literal('dropHelp') }).readonly(),
  /** Says to the agent that somebody sees to it. */
  z.object({ kind: z.literal('takeHelp'), toAgentId: AgentIdSchema }).readonly(),
] as const

export type SupervisionCommand = By<z.infer<(typeof SUPERVISION_ASKS)[number]>>
export type Of<K extends SupervisionCommand['kind']> = Extract<SupervisionCommand, { kind: K }>
export type Ruling = RulingFor<RulingRefusal>
