// What a page asks: each kind with what it takes and how a value is kept.
import * as z from 'zod'
import { readNumber } from '@/core/directory'
import type { AnswerValue } from './condition'
import { matchesPattern } from './pattern'

const question = { field: z.string().regex(/^[a-z][a-zA-Z0-9]*$/), label: z.string().min(1) }
const options = z
  .array(z.object({ value: z.string().min(1), label: z.string().min(1) }).readonly())
  .min(2)
  .readonly()

export const QuestionSchema = z.discriminatedUnion('kind', [
  z.object({ ...question, kind: z.literal('choice'), options }).readonly(),
  /** Any number of the options, in their order. */
  z.object({ ...question, kind: z.literal('several'), options }).readonly(),
  z.object({ ...question, kind: z.literal('yesNo') }).readonly(),
  z
    .object({
      ...question,
      kind: z.literal('text'),
      /** What the text must look like, with an example to show when it does not; null takes any text. */
      shape: z.object({ pattern: z.string(), example: z.string() }).readonly().nullable(),
    })
    .readonly(),
  z.object({ ...question, kind: z.literal('number'), least: z.number().nullable(), most: z.number().nullable(), unit: z.string() }).readonly(),
  /** Kept as ISO 8601 without a zone: `2026-11-25`, `14:30`, `2026-11-25T14:30`. */
  z.object({ ...question, kind: z.literal('moment'), of: z.enum(['date', 'time', 'dateTime']) }).readonly(),
  /** Kept as E.164. */
  z.object({ ...question, kind: z.literal('telephone') }).readonly(),
  z.object({ ...question, kind: z.literal('email') }).readonly(),
  /** Words that must be read out; the agent confirms that they were. */
  z.object({ ...question, kind: z.literal('disclosure'), text: z.string().min(1) }).readonly(),
])
export type Question = z.infer<typeof QuestionSchema>

export type Taken =
  | { readonly ok: true; readonly value: AnswerValue | null }
  | { readonly ok: false /** What the question wants instead, as the end of a sentence. */; readonly expected: string }

const taken = (value: AnswerValue | null): Taken => ({ ok: true, value })
const wants = (expected: string): Taken => ({ ok: false, expected })

const MOMENTS = {
  date: { pattern: /^\d{4}-\d{2}-\d{2}$/, expected: 'a date such as 2026-11-25' },
  time: { pattern: /^([01]\d|2[0-3]):[0-5]\d$/, expected: 'a time such as 14:30' },
  dateTime: { pattern: /^\d{4}-\d{2}-\d{2}T([01]\d|2[0-3]):[0-5]\d$/, expected: 'a date and time such as 2026-11-25T14:30' },
} as const

/** The value as the question keeps it; refused when it is of another kind or shape. Empty text and no choice take the answer back. */
export function takeAnswer(asked: Question, value: AnswerValue | null, homeCountry: string): Taken {
  if (value === null || value === '' || (Array.isArray(value) && value.length === 0)) return taken(null)
  switch (asked.kind) {
    case 'yesNo':
      return typeof value === 'boolean' ? taken(value) : wants('yes or no')
    case 'disclosure':
      return typeof value === 'boolean' ? taken(value ? true : null) : wants('your word that it was read')
    case 'choice':
      return asked.options.some((o) => o.value === value) ? taken(value) : wants(`one of ${labels(asked.options)}`)
    case 'several': {
      const chosen = Array.isArray(value) ? value : [value]
      const known = asked.options.filter((o) => chosen.includes(o.value)).map((o) => o.value)
      return known.length === new Set(chosen).size ? taken(known) : wants(`some of ${labels(asked.options)}`)
    }
    case 'text': {
      if (typeof value !== 'string') return wants('text')
      const text = value.trim()
      if (text === '') return taken(null)
      return asked.shape === null || matchesPattern(asked.shape.pattern, text) ? taken(text) : wants(`something like ${asked.shape.example}`)
    }
    case 'number':
      return takeNumber(asked, value)
    case 'moment': {
      const { pattern, expected } = MOMENTS[asked.of]
      return typeof value === 'string' && pattern.test(value.trim()) && isOfCalendar(value.trim()) ? taken(value.trim()) : wants(expected)
    }
    case 'telephone': {
      const reading = typeof value === 'string' ? readNumber(value, homeCountry) : null
      return reading?.ok ? taken(reading.number.e164) : wants('a whole telephone number')
    }
    case 'email':
      return typeof value === 'string' && z.email().safeParse(value.trim()).success ? taken(value.trim()) : wants('an address such as name@example.com')
  }
}

function takeNumber({ least, most, unit }: Extract<Question, { kind: 'number' }>, value: AnswerValue): Taken {
  const number = typeof value === 'number' ? value : typeof value === 'string' ? Number(value.trim().replace(',', '.')) : Number.NaN
  const range =
    least !== null && most !== null ? ` from ${least} to ${most}` : least !== null ? ` of ${least} or more` : most !== null ? ` of ${most} or less` : ''
  if (!Number.isFinite(number) || (least !== null && number < least) || (most !== null && number > most))
    return wants(`a number${range}${unit === '' ? '' : ` (${unit})`}`)
  return taken(number)
}

/** The 31st of November has the shape of a date and is none. */
function isOfCalendar(text: string): boolean {
  const day = text.slice(0, 10)
  if (!/^\d{4}-\d{2}-\d{2}$/.test(day)) return true
  const at = new Date(`${day}T00:00:00Z`)
  return !Number.isNaN(at.getTime()) && at.toISOString().startsWith(day)
}

const labels = (of: readonly { readonly label: string }[]): string => of.map((o) => o.label).join(', ')
