// What is asked about people who are to be forgotten. Nobody needs to be on shift for it.
import * as z from 'zod'
import { WhomSchema } from '@/core/do-not-call'
import { RETAINED } from '@/core/ledger'
import type { By } from '@/core/rules/rule'
import { InstantSchema } from '@/core/time'

/** Pieces of work, records and promises at once; more are no person's. */
export const MOST_FORGOTTEN = 20_000

export const PRIVACY_ASKS = [
  z
    .object({
      kind: z.literal('forgetPerson'),
      about: z.array(z.string().max(200)).max(MOST_FORGOTTEN).readonly(),
      /** Entries of the do-not-call list that are theirs. */
      listed: z.array(WhomSchema).max(100).readonly(),
    })
    .readonly(),
] as const

export type PrivacyCommand = By<z.infer<(typeof PRIVACY_ASKS)[number]>>

/** What time does by itself, as the set-up says. */
export const ForgetDetailsSchema = z.object({ kind: z.literal('forgetDetails'), what: z.enum(RETAINED), beforeMs: InstantSchema }).readonly()
export type RetentionCommand = z.infer<typeof ForgetDetailsSchema>
