// Outcome sets: the codes a call may be closed with, what each code means for the figures, what it asks for and what follows
// from it. Codes in use are retired, never deleted: the ledger speaks of them.
import * as z from 'zod'
import { OutcomeSetIdSchema } from '@/core/ids'
import { ConditionSchema } from '@/core/scripts'
import { FollowsSchema } from './follows'

export const OutcomeCodeSchema = z
  .object({
    code: z.string().regex(/^[a-z][a-z0-9-]*$/),
    label: z.string().min(1),
    /** The key that chooses it in the outcome tray: a digit. Codes that are retired have none of their own. */
    key: z.string().regex(/^\d$/),
    /** Codes of one group stand together. */
    group: z.string().default(''),
    /** One sentence for the agent: when this code is the right one. */
    means: z.string().min(1),
    counts: z.object({ contact: z.boolean(), rightParty: z.boolean(), conversion: z.boolean(), final: z.boolean() }).readonly(),
    /** What must be there before it can be saved: notes, an answer of the script (by its field). A callback asks for its time by itself. */
    needs: z.object({ notes: z.boolean(), field: z.string().nullable() }).readonly().default({ notes: false, field: null }),
    follows: FollowsSchema,
    /** Only for calls that we dialled. */
    onlyDialled: z.boolean().default(false),
    /** Answers of the script under which this code is doubtful, and how that is put to the agent. */
    doubts: z
      .array(z.object({ when: ConditionSchema, says: z.string().min(1) }).readonly())
      .readonly()
      .default([]),
    retired: z.boolean().default(false),
  })
  .readonly()
export type OutcomeCode = z.infer<typeof OutcomeCodeSchema>

export const OutcomeSetSchema = z
  .object({ id: OutcomeSetIdSchema, name: z.string().min(1), codes: z.array(OutcomeCodeSchema).min(1).readonly() })
  .readonly()
  .superRefine((set, context) => {
    if (new Set(set.codes.map((c) => c.code)).size !== set.codes.length)
      context.addIssue({ code: 'custom', message: `outcome set "${set.name}" uses a code twice` })
    const keys = set.codes.flatMap((c) => (c.retired ? [] : [c.key]))
    if (new Set(keys).size !== keys.length) context.addIssue({ code: 'custom', message: `outcome set "${set.name}" uses a key twice` })
  })
export type OutcomeSet = z.infer<typeof OutcomeSetSchema>
