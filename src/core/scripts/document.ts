// A script document: pages with words to say, answers to take and ways onward. The document is data; running it
// is run.ts. Conditions are structured, never a language to type.
import * as z from 'zod'
import { ScriptIdSchema } from '@/core/ids'

export const AnswerValueSchema = z.union([z.string(), z.boolean()])
export type AnswerValue = z.infer<typeof AnswerValueSchema>

const question = { field: z.string().regex(/^[a-z][a-zA-Z0-9]*$/), label: z.string().min(1) }

export const QuestionSchema = z.discriminatedUnion('kind', [
  z
    .object({
      ...question,
      kind: z.literal('choice'),
      options: z
        .array(z.object({ value: z.string().min(1), label: z.string().min(1) }).readonly())
        .min(2)
        .readonly(),
    })
    .readonly(),
  z.object({ ...question, kind: z.literal('yesNo') }).readonly(),
  z
    .object({
      ...question,
      kind: z.literal('text'),
      /** What the text must look like, with an example to show when it does not; null takes any text. */
      shape: z.object({ pattern: z.string(), example: z.string() }).readonly().nullable(),
    })
    .readonly(),
])
export type Question = z.infer<typeof QuestionSchema>

const WaySchema = z
  .object({
    /** The first way whose condition holds is taken; null always holds. */
    when: z.object({ field: z.string(), is: AnswerValueSchema }).readonly().nullable(),
    to: z.string(),
  })
  .readonly()

export const PageSchema = z
  .object({
    id: z.string().min(1),
    title: z.string().min(1),
    /** Paragraphs read aloud. `{caller.name|there}` merges a value, with the fallback after the bar. */
    say: z.array(z.string().min(1)).readonly(),
    /** For the agent's eyes only. */
    direction: z.string().nullable(),
    questions: z.array(QuestionSchema).readonly(),
    ways: z.array(WaySchema).readonly(),
    /** Outcome codes this page speaks for; an end page has some and no ways. */
    suggests: z.array(z.string()).readonly(),
    /** What is said here is nobody else's business: a recording pauses while the page is open. */
    sensitive: z.boolean().default(false),
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
    const targets = [script.startPage, ...script.pages.flatMap((p) => p.ways.map((w) => w.to))]
    for (const target of targets) if (!ids.has(target)) context.addIssue({ code: 'custom', message: `script "${script.name}" has no page "${target}"` })
  })
export type Script = z.infer<typeof ScriptSchema>
