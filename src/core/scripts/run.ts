// The run of a script on one call: which page, which pages before it, and the answers. A pure function of the
// document and what the agent did. Does not choose the script (set-up does) and does not code the call.
import * as z from 'zod'
import { CallIdSchema, ScriptIdSchema } from '@/core/ids'
import { type AnswerValue, AnswerValueSchema, type Page, type Question, type Script } from './document'
import { pageOf } from './read'

export interface ScriptRun {
  readonly scriptId: Script['id']
  readonly version: number
  readonly pageId: string
  /** Pages seen before the present one, oldest first: what Back goes through. */
  readonly trail: readonly string[]
  readonly answers: Readonly<Record<string, AnswerValue>>
}

export const ScriptEventSchema = z.discriminatedUnion('kind', [
  z
    .object({
      kind: z.literal('scriptStarted'),
      callId: CallIdSchema,
      scriptId: ScriptIdSchema,
      version: z.number().int(),
      pageId: z.string(),
    })
    .readonly(),
  z.object({ kind: z.literal('scriptPageShown'), callId: CallIdSchema, pageId: z.string(), direction: z.enum(['next', 'back']) }).readonly(),
  z
    .object({
      kind: z.literal('scriptAnswered'),
      callId: CallIdSchema,
      field: z.string(),
      /** null takes the answer back. */
      value: AnswerValueSchema.nullable(),
    })
    .readonly(),
])
export type ScriptEvent = z.infer<typeof ScriptEventSchema>

export type ScriptRefusal =
  | { readonly reason: 'noScript' }
  | { readonly reason: 'unknownField'; readonly field: string }
  | { readonly reason: 'answerWrongKind'; readonly field: string; readonly label: string; readonly expected: string }
  | { readonly reason: 'answerMissing'; readonly field: string; readonly label: string }
  | { readonly reason: 'lastPage' }
  | { readonly reason: 'firstPage' }

export type Checked<T> = { readonly ok: true; readonly value: T } | { readonly ok: false; readonly refusal: ScriptRefusal }

export function evolveRun(run: ScriptRun | null, event: ScriptEvent): ScriptRun {
  if (event.kind === 'scriptStarted') return { scriptId: event.scriptId, version: event.version, pageId: event.pageId, trail: [], answers: {} }
  if (run === null) throw new Error(`${event.kind} on ${event.callId}, which runs no script`)
  if (event.kind === 'scriptPageShown')
    return event.direction === 'back'
      ? { ...run, pageId: event.pageId, trail: run.trail.slice(0, -1) }
      : { ...run, pageId: event.pageId, trail: [...run.trail, run.pageId] }
  const { [event.field]: _former, ...others } = run.answers
  return { ...run, answers: event.value === null ? others : { ...others, [event.field]: event.value } }
}

/** The value as the question keeps it; refused when it is of another kind or shape. Empty text takes the answer back. */
export function checkAnswer(script: Script, field: string, value: AnswerValue | null): Checked<AnswerValue | null> {
  const question = script.pages.flatMap((p) => p.questions).find((q) => q.field === field)
  if (question === undefined) return { ok: false, refusal: { reason: 'unknownField', field } }
  if (value === null || value === '') return { ok: true, value: null }
  const expected = expectation(question, value)
  if (expected !== null) return { ok: false, refusal: { reason: 'answerWrongKind', field, label: question.label, expected } }
  return { ok: true, value: typeof value === 'string' ? value.trim() : value }
}

/** What the question wants instead of this value; null when the value is fine. */
function expectation(question: Question, value: AnswerValue): string | null {
  switch (question.kind) {
    case 'yesNo':
      return typeof value === 'boolean' ? null : 'yes or no'
    case 'choice':
      return question.options.some((o) => o.value === value) ? null : `one of ${question.options.map((o) => o.label).join(', ')}`
    case 'text':
      if (typeof value !== 'string') return 'text'
      if (question.shape === null || new RegExp(`^(?:${question.shape.pattern})$`, 'i').test(value.trim())) return null
      return `something like ${question.shape.example}`
  }
}

/** The page that follows by the answers given; refused when the way depends on an answer not yet taken. */
export function nextPage(script: Script, run: ScriptRun): Checked<string> {
  const page = pageOf(script, run.pageId)
  if (page.ways.length === 0) return { ok: false, refusal: { reason: 'lastPage' } }
  for (const { when, to } of page.ways) if (when === null || run.answers[when.field] === when.is) return { ok: true, value: to }
  const question = missingQuestion(script, page, run)
  return { ok: false, refusal: { reason: 'answerMissing', field: question.field, label: question.label } }
}

export function previousPage(run: ScriptRun): Checked<string> {
  const value = run.trail.at(-1)
  return value === undefined ? { ok: false, refusal: { reason: 'firstPage' } } : { ok: true, value }
}

function missingQuestion(script: Script, page: Page, run: ScriptRun): Pick<Question, 'field' | 'label'> {
  const needed = page.ways.map((w) => w.when?.field).find((f) => f !== undefined && run.answers[f] === undefined) ?? page.ways[0]?.when?.field ?? ''
  return script.pages.flatMap((p) => p.questions).find((q) => q.field === needed) ?? { field: needed, label: needed }
}
