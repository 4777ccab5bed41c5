// What an owner of the set-up asks. Nobody needs to be on shift for it.
import * as z from 'zod'
import { QueueIdSchema } from '@/core/ids'
import type { By } from '@/core/rules/rule'
import { SetUpSchema } from '@/core/set-up'

export const OWNER_ASKS = [
  z.object({ kind: z.literal('switchStorm'), queueId: QueueIdSchema, on: z.boolean() }).readonly(),
  /** `basedOn` is the revision that was changed. */
  z.object({ kind: z.literal('changeSetUp'), setUp: SetUpSchema, basedOn: z.number().int().optional() }).readonly(),
] as const

export type OwnerCommand = By<z.infer<(typeof OWNER_ASKS)[number]>>
