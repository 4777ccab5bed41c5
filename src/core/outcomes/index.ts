// Outcome sets: the codes a call may be closed with, what each code means for the figures and what follows from
// it. A code is chosen once per call; a later code replaces it and the ledger keeps both.
import * as z from 'zod'
import { AgentIdSchema, CallIdSchema, OutcomeSetIdSchema } from '@/core/ids'
import { ConditionSchema, holds, type Known } from '@/core/scripts'

export const FOLLOWS = ['nothing', 'retry', 'callback', 'neverCall', 'wrongNumber'] as const

export const OutcomeCodeSchema = z
  .object({
    code: z.string().regex(/^[a-z][a-z0-9-]*$/),
    label: z.string().min(1),
    /** The key that chooses it in the outcome tray. */
    key: z.string().length(1),
    /** One sentence for the agent: when this code is the right one. */
    means: z.string().min(1),
    counts: z.object({ contact: z.boolean(), rightParty: z.boolean(), conversion: z.boolean(), final: z.boolean() }).readonly(),
    follows: z.enum(FOLLOWS),
    /** Answers of the script under which this code is doubtful, and how that is put to the agent. */
    doubts: z
      .array(z.object({ when: ConditionSchema, says: z.string().min(1) }).readonly())
      .readonly()
      .default([]),
  })
  .readonly()
export type OutcomeCode = z.infer<typeof OutcomeCodeSchema>

export const OutcomeSetSchema = z
  .object({ id: OutcomeSetIdSchema, name: z.string().min(1), codes: z.array(OutcomeCodeSchema).min(1).readonly() })
  .readonly()
  .superRefine((set, context) => {
    for (const field of ['code', 'key'] as const)
      if (new Set(set.codes.map((c) => c[field])).size !== set.codes.length)
        context.addIssue({ code: 'custom', message: `outcome set "${set.name}" uses a ${field} twice` })
  })
export type OutcomeSet = z.infer<typeof OutcomeSetSchema>

/** What the agent does next, decided in the same gesture as the outcome. */
export const ThenSchema = z
  .discriminatedUnion('state', [z.object({ state: z.literal('ready') }), z.object({ state: z.literal('notReady'), reason: z.string().min(1) })])
  .readonly()
export type Then = z.infer<typeof ThenSchema>

export const OutcomeEventSchema = z
  .object({
    kind: z.literal('outcomeSaved'),
    callId: CallIdSchema,
    agentId: AgentIdSchema,
    code: z.string(),
    notes: z.string(),
    followUp: z.string(),
    andThen: ThenSchema,
    /** The answers spoke against the code, and the agent meant it all the same. */
    insisted: z.boolean().default(false),
  })
  .readonly()
export type OutcomeEvent = z.infer<typeof OutcomeEventSchema>

export type OutcomeRefusal =
  | { readonly reason: 'outcomeMissing' }
  | { readonly reason: 'unknownCode'; readonly code: string }
  | { readonly reason: 'notYourCall' }
  | { readonly reason: 'answersContradict'; readonly says: string }

export const codeOf = (set: OutcomeSet, code: string): OutcomeCode | undefined => set.codes.find((c) => c.code === code)

/** What is put to the agent when the answers speak against the code; null when nothing does. */
export const doubtOf = (code: OutcomeCode, known: Known): string | null => code.doubts.find((d) => holds(d.when, known))?.says ?? null
