// What colleagues ask of each other before they call. There is one open question, and one wish to be put through, between an agent and another.
import * as z from 'zod'
import { AgentIdSchema } from '@/core/ids'

/** Of two: who asks, and whom. */
const pair = { byAgentId: AgentIdSchema, toAgentId: AgentIdSchema }

/** What may be answered by one key. `now`: the one who was asked calls back at once. */
export const ANSWERS = ['now', 'soon', 'no'] as const
export type Answer = (typeof ANSWERS)[number]

export const ColleagueEventSchema = z.discriminatedUnion('kind', [
  z.object({ kind: z.literal('questionAsked'), ...pair, text: z.string() }).readonly(),
  z.object({ kind: z.literal('questionAnswered'), ...pair, answer: z.enum(ANSWERS) }).readonly(),
  /** Taken back, read and put away, or one of the two went home. */
  z.object({ kind: z.literal('questionClosed'), ...pair, because: z.enum(['putAway', 'shiftEnded']) }).readonly(),
  /** As soon as both are free it rings at both. */
  z.object({ kind: z.literal('callWhenFreeWished'), ...pair }).readonly(),
  z.object({ kind: z.literal('callWhenFreeEnded'), ...pair, because: z.enum(['rung', 'dropped', 'shiftEnded']) }).readonly(),
])
export type ColleagueEvent = z.infer<typeof ColleagueEventSchema>
