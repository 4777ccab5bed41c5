// Accounts: who may sign in, which queues and skills they have, and what else they may do.
import * as z from 'zod'
import { LoadSchema } from '@/core/channels'
import { AgentIdSchema, QueueIdSchema, SkillIdSchema } from '@/core/ids'

/** What an account may be allowed beyond taking calls of its queues. */
export const ENTITLEMENTS = [
  'outsideCalls',
  'internationalCalls',
  'recording',
  'conference',
  'diversion',
  'campaigns',
  'supervision',
  'listening',
  'setUp',
  'forgetting',
] as const
export type Entitlement = (typeof ENTITLEMENTS)[number]

/** What is for those who answer for the floor, and no agent's by itself. */
export const ABOVE_AGENTS: readonly Entitlement[] = ['supervision', 'listening', 'setUp', 'forgetting']

/** 1: knows the basics; 5: nobody knows it better. */
export const MOST_SKILLED = 5
export const SkillLevelSchema = z.object({ skillId: SkillIdSchema, level: z.number().int().min(1).max(MOST_SKILLED) }).readonly()

export const AgentSetUpSchema = z
  .object({
    id: AgentIdSchema,
    name: z.string().min(1),
    role: z.enum(['agent', 'supervisor']),
    /** Under which colleagues find them; '' for none. */
    team: z.string().default(''),
    /** Shown to whoever they call for themselves (E.164); '' for none. */
    number: z.string().default(''),
    /** What colleagues dial for their desk, two to five digits; '' for none. */
    extension: z
      .string()
      .regex(/^(\d{2,5})?$/)
      .default(''),
    queueIds: z.array(QueueIdSchema).readonly(),
    skills: z.array(SkillLevelSchema).readonly().default([]),
    may: z
      .array(z.enum(ENTITLEMENTS))
      .readonly()
      .default(() => ENTITLEMENTS.filter((e) => !ABOVE_AGENTS.includes(e))),
    /** Calls of a queue are put through to this account without ringing, after a short tone. */
    answersItself: z.boolean().default(false),
    /** After a call there is a wrap-up; otherwise the call owes its outcome and the next one may come at once. */
    takesWrapUp: z.boolean().default(true),
    /** What they may carry at once; null for what the centre says. */
    carries: z.array(LoadSchema).min(1).readonly().nullable().default(null),
    /** Whether the stand-ins may play this seat when nobody sits there. */
    playable: z.boolean(),
    /** Nobody signs in to it any more; it stays, because the ledger speaks of it. */
    retired: z.boolean().default(false),
  })
  .readonly()
export type AgentSetUp = z.infer<typeof AgentSetUpSchema>
