// Records that a supervisor gives another chance: which, by what came of them last, what they were coded as, how often and how long ago they were tried.
import * as z from 'zod'
import { ATTEMPT_RESULTS } from './attempt'

/** What all of them have in common; null for whatever it is. */
export const PutBackSchema = z
  .object({
    lastResult: z.enum(ATTEMPT_RESULTS).nullable(),
    /** As it was called when it was coded. */
    label: z.string().max(200).nullable(),
    triesAtLeast: z.number().int().min(1).max(1_000).nullable(),
    /** Not tried within so many hours. */
    restedHours: z.number().min(0).max(10_000).nullable(),
  })
  .readonly()
export type PutBack = z.infer<typeof PutBackSchema>
