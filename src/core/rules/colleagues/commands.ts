// What colleagues ask of each other by telephone, and before they call.
import * as z from 'zod'
import { TargetSchema } from '@/core/calls'
import { ANSWERS } from '@/core/colleagues'
import { AgentIdSchema } from '@/core/ids'
import type { By, Ruling as RulingFor } from '@/core/rules/rule'
import type { RulingRefusal } from './refusals'

/** Whom one press may call at once. */
export const MOST_TOGETHER = 20

const to = { toAgentId: AgentIdSchema }

export const COLLEAGUE_ASKS = [
  /** At their desk, or where their calls go; or straight to their mailbox. */
  z.object({ kind: z.literal('callColleague'), ...to, at: z.enum(['desk', 'voicemail']) }).readonly(),
  /** Several at once, colleagues and numbers: one conference. */
  z.object({ kind: z.literal('callTogether'), targets: z.array(TargetSchema).min(2).max(MOST_TOGETHER) }).readonly(),
  /** A short question that is answered with one key. */
  z.object({ kind: z.literal('askFirst'), ...to, text: z.string() }).readonly(),
  z.object({ kind: z.literal('answerQuestion'), byAgentId: AgentIdSchema, answer: z.enum(ANSWERS) }).readonly(),
  /** The one who asked takes it back, or has read the answer. */
  z.object({ kind: z.literal('closeQuestion'), ...to }).readonly(),
  z.object({ kind: z.literal('callWhenFree'), ...to }).readonly(),
  z.object({ kind: z.literal('dropCallWhenFree'), ...to }).readonly(),
] as const

export type ColleagueCommand = By<z.infer<(typeof COLLEAGUE_ASKS)[number]>>
export type Of<K extends ColleagueCommand['kind']> = Extract<ColleagueCommand, { kind: K }>
export type Ruling = RulingFor<RulingRefusal>
