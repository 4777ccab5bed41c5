// The sheet a call is scored against: questions with weights, some of which must not fail. A version that was used is never changed; a review carries the
// sheet it was made by.
import * as z from 'zod'

/** The best of a scale; 1 is the worst. */
export const BEST = 5

export const SheetQuestionSchema = z
  .object({
    id: z.string().regex(/^[a-z0-9-]+$/, 'is written in small letters, digits and hyphens'),
    label: z.string().min(1),
    /** `scale`: 1 to 5; `yesNo`: 1 for yes, 0 for no. */
    kind: z.enum(['scale', 'yesNo']),
    weight: z.number().positive(),
    /** Failed altogether, nothing else counts. */
    mustHave: z.boolean().default(false),
  })
  .readonly()
export type SheetQuestion = z.infer<typeof SheetQuestionSchema>

export const SheetSchema = z
  .object({
    id: z.string().regex(/^sheet_[a-z0-9-]+$/),
    version: z.number().int().positive(),
    name: z.string().min(1),
    questions: z.array(SheetQuestionSchema).min(1).readonly(),
    /** No call is reviewed by it any more; it stays, because reviews speak of it. */
    retired: z.boolean().default(false),
  })
  .readonly()
export type Sheet = z.infer<typeof SheetSchema>

export interface Score {
  /** 0 to 1: the weighted mean of all questions that were answered, 0 where a must-have failed; null as long as none is. */
  readonly ratio: number | null
  readonly failed: readonly SheetQuestion[]
  /** Questions without an answer. */
  readonly open: readonly SheetQuestion[]
}

/** Answers by question id; those of no question are not looked at. */
export function scoreOf({ questions }: Pick<Sheet, 'questions'>, answers: Readonly<Record<string, number>>): Score {
  const shareOf = ({ kind }: SheetQuestion, value: number) => (kind === 'yesNo' ? value : (value - 1) / (BEST - 1))
  const answered = questions.flatMap((q) => {
    const value = answers[q.id]
    return value === undefined ? [] : [{ q, share: shareOf(q, value) }]
  })
  const failed = answered.filter(({ q, share }) => q.mustHave && share === 0).map(({ q }) => q)
  const weights = answered.reduce((sum, { q }) => sum + q.weight, 0)
  const mean = weights === 0 ? null : answered.reduce((sum, { q, share }) => sum + q.weight * share, 0) / weights
  return { ratio: failed.length > 0 ? 0 : mean, failed, open: questions.filter((q) => answers[q.id] === undefined) }
}

/** Whether an answer is one this question can have. */
export const isAnswer = ({ kind }: SheetQuestion, value: number): boolean =>
  kind === 'yesNo' ? value === 0 || value === 1 : Number.isInteger(value) && value >= 1 && value <= BEST

/** The latest version of each sheet. */
export const latestSheets = (sheets: readonly Sheet[]): readonly Sheet[] => [
  ...new Map(sheets.toSorted((a, b) => a.version - b.version).map((s) => [s.id, s])).values(),
]

/** Those of them that are not retired. */
export const sheetsInUse = (sheets: readonly Sheet[]): readonly Sheet[] => latestSheets(sheets).filter((s) => !s.retired)
