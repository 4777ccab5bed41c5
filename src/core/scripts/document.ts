// A script document: pages with words to say, answers to take and ways onward. The document is data; running it
// is run.ts, and what can be wrong with it is check.ts.
import * as z from 'zod'
import { ScriptIdSchema } from '@/core/ids'
import { ConditionSchema } from './condition-schema'
import { QuestionSchema } from './question'

const WaySchema = z
  .object({
    /** The first way whose condition holds is taken; null always holds. */
    when: ConditionSchema.nullable(),
    to: z.string(),
  })
  .readonly()

/**
 * A paragraph read aloud. `{caller.name|there}` merges a value, with the fallback after the bar; `*word*` is stressed; `[pause]` is
 * a breath. One with a condition is said only when it holds.
 */
export const SaySchema = z.union([z.string().min(1), z.object({ text: z.string().min(1), when: ConditionSchema }).readonly()])
export type Say = z.infer<typeof SaySchema>

export const PageSchema = z
  .object({
    id: z.string().min(1),
    title: z.string().min(1),
    say: z.array(SaySchema).readonly(),
    /** For the agent's eyes only. */
    direction: z.string().nullable(),
    questions: z.array(QuestionSchema).readonly(),
    ways: z.array(WaySchema).readonly(),
    /** Outcome codes this page speaks for; an end page has some and no ways. */
    suggests: z.array(z.string()).readonly(),
    /** What is said here is nobody else's business: a recording pauses while the page is open. */
    sensitive: z.boolean().default(false),
    /** How long its words should take to read at most; null for as long as they take. */
    readingMs: z.number().int().positive().nullable().default(null),
  })
  .readonly()
export type Page = z.infer<typeof PageSchema>

export const ScriptSchema = z
  .object({
    id: ScriptIdSchema,
    version: z.number().int().positive(),
    name: z.string().min(1),
    startPage: z.string(),
    pages: z.array(PageSchema).min(1).readonly(),
  })
  .readonly()
  .superRefine((script, context) => {
    const ids = new Set(script.pages.map((p) => p.id))
    if (ids.size !== script.pages.length) context.addIssue({ code: 'custom', message: `script "${script.name}" has two pages of one id` })
    const targets = [script.startPage, ...script.pages.flatMap((p) => p.ways.map((w) => w.to))]
    for (const target of targets) if (!ids.has(target)) context.addIssue({ code: 'custom', message: `script "${script.name}" has no page "${target}"` })
  })
export type Script = z.infer<typeof ScriptSchema>
