// A code as its form shows it: minutes and hours, and every field of every consequence at once, so that a change of mind loses nothing.
// The answers that speak against it are edited beside the form.
import * as z from 'zod'
import { FOLLOWS, type Follows, type OutcomeCode, OutcomeCodeSchema } from '@/core/outcomes'
import { HOUR, MINUTE } from '@/core/time'

const number = z.number({ error: 'Type a number.' })

export const CodeFormSchema = z
  .object({
    label: z.string().trim().min(1, 'The code needs a label.'),
    key: z.string().regex(/^\d$/, 'One digit.'),
    group: z.string().trim(),
    means: z.string().trim().min(1, 'Say in a sentence when it is the right one.'),
    counts: z.object({ contact: z.boolean(), rightParty: z.boolean(), conversion: z.boolean(), final: z.boolean() }),
    notes: z.boolean(),
    field: z.string(),
    follows: z.enum(FOLLOWS),
    afterMin: number.min(1, 'A minute at least.').max(43_200, '30 days are the most.'),
    atMost: number.int('A whole number.').min(1, 'Once at least.').max(20, '20 times are the most.'),
    asksUntil: z.boolean(),
    whom: z.enum(['number', 'person']),
    title: z.string().trim(),
    text: z.string().trim(),
    dueAfterH: number.positive('More than nothing.').max(8_760, 'A year is the most.'),
    assignee: z.enum(['agent', 'anybody']),
    onlyDialled: z.boolean(),
    retired: z.boolean(),
  })
  .refine((form) => form.follows !== 'task' || form.title !== '', { path: ['title'], message: 'The task needs a title.' })
export type CodeForm = z.infer<typeof CodeFormSchema>

export function toCodeForm({ label, key, group, means, counts, needs, follows, onlyDialled, retired }: OutcomeCode): CodeForm {
  const retry = follows.kind === 'retry' ? follows : null
  const task = follows.kind === 'task' ? follows : null
  return {
    label,
    key,
    group,
    means,
    counts: { ...counts },
    notes: needs.notes,
    field: needs.field ?? '',
    follows: follows.kind,
    afterMin: (retry?.afterMs ?? 2 * HOUR) / MINUTE,
    atMost: retry?.atMost ?? 3,
    asksUntil: retry?.asksUntil === true,
    whom: follows.kind === 'neverCall' ? follows.whom : 'number',
    title: task?.title ?? 'Call of {caller.name|a caller}',
    text: task?.text ?? '',
    dueAfterH: (task?.dueAfterMs ?? 24 * HOUR) / HOUR,
    assignee: task?.assignee ?? 'anybody',
    onlyDialled,
    retired,
  }
}

/** A new code is checked before it has an id of its own. */
export const fromCodeForm = (form: CodeForm, before: OutcomeCode, doubts: OutcomeCode['doubts']): OutcomeCode => ({
  ...OutcomeCodeSchema.parse({
    ...form,
    code: before.code === '' ? 'new' : before.code,
    needs: { notes: form.notes, field: form.field === '' ? null : form.field },
    follows: followsOf(form),
    doubts,
  }),
  code: before.code,
})

function followsOf(form: CodeForm): Follows {
  switch (form.follows) {
    case 'retry':
      return { kind: 'retry', afterMs: Math.round(form.afterMin * MINUTE), atMost: form.atMost, ...(form.asksUntil ? { asksUntil: true } : {}) }
    case 'neverCall':
      return { kind: 'neverCall', whom: form.whom }
    case 'task':
      return { kind: 'task', title: form.title, text: form.text, dueAfterMs: Math.round(form.dueAfterH * HOUR), assignee: form.assignee }
    default:
      return { kind: form.follows }
  }
}
