// What is asked about the do-not-call list. Nobody needs to be on shift for it.
import * as z from 'zod'
import { WhomSchema } from '@/core/do-not-call'
import type { By } from '@/core/rules/rule'
import { InstantSchema } from '@/core/time'

export const DO_NOT_CALL_ASKS = [
  z
    .object({
      kind: z.literal('addDoNotCall'),
      entries: z.array(z.object({ whom: WhomSchema, why: z.string(), sinceMs: InstantSchema.optional(), by: z.string().optional() }).readonly()).readonly(),
    })
    .readonly(),
  z.object({ kind: z.literal('removeDoNotCall'), whom: WhomSchema, why: z.string() }).readonly(),
] as const

export type DoNotCallCommand = By<z.infer<(typeof DO_NOT_CALL_ASKS)[number]>>
