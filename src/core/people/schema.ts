// Somebody in the book of people: shared by everybody, or one agent's own. Knows nothing of colleagues, who are accounts.
import * as z from 'zod'
import { AgentIdSchema, ContactIdSchema } from '@/core/ids'
import { MOST_NUMBERS, NUMBER_KINDS } from './numbers'

const line = (longest: number) => z.string().trim().max(longest)

export const ContactNumberSchema = z.object({ kind: z.enum(NUMBER_KINDS), number: line(40).min(1) }).readonly()
export type ContactNumber = z.infer<typeof ContactNumberSchema>

export const ContactSchema = z
  .object({
    id: ContactIdSchema,
    name: line(120).min(1),
    company: line(120).default(''),
    /** By which people are listed together: a port, a trade, a department. */
    group: line(60).default(''),
    email: line(200).default(''),
    note: z.string().trim().max(2_000).default(''),
    /** E.164 where it could be read, otherwise as it was written. */
    numbers: z.array(ContactNumberSchema).max(MOST_NUMBERS).readonly().default([]),
    /** null: everybody's. */
    ownerId: AgentIdSchema.nullable().default(null),
    /** Counts the changes: whoever changes an older one is told so. */
    revision: z.number().int().nonnegative().default(0),
  })
  .readonly()
export type Contact = z.infer<typeof ContactSchema>
