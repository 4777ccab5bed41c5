import * as z from 'zod'
import { QueueIdSchema } from '@/core/ids'

export const QuickTextSchema = z
  .object({
    name: z.string().min(1),
    /** Whose pieces it is for; null for all. */
    queueId: QueueIdSchema.nullable().default(null),
    text: z.string().min(1),
  })
  .readonly()
export type QuickText = z.infer<typeof QuickTextSchema>
