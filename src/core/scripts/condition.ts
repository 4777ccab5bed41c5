// Conditions over answers and facts of the call: structured data that is edited by selecting, never a language to type. Their
// schema stands apart, because screens ask conditions and check none.

export type AnswerValue = string | boolean | number | readonly string[]

/** One test of one field. Of several choices `is` asks whether the value is among them. Bounds compare numbers, or dates and times as text. */
export type Test =
  | { readonly field: string; readonly is: string | boolean | number }
  | { readonly field: string; readonly isNot: string | boolean | number }
  | { readonly field: string; readonly atLeast: number | string }
  | { readonly field: string; readonly atMost: number | string }
  | { readonly field: string; readonly answered: boolean }

export type Condition = Test | { readonly all: readonly Condition[] } | { readonly any: readonly Condition[] }

/** What is known when a condition is asked: answers by their field, and facts of caller and call by a dotted name. */
export type Known = Readonly<Record<string, AnswerValue | null | undefined>>

/** A field without a value fulfils no test but `answered: false` and `isNot`. */
export function holds(condition: Condition, known: Known): boolean {
  if ('all' in condition) return condition.all.every((c) => holds(c, known))
  if ('any' in condition) return condition.any.some((c) => holds(c, known))
  const value = known[condition.field] ?? null
  if ('answered' in condition) return (value !== null) === condition.answered
  if ('isNot' in condition) return !isOne(value, condition.isNot)
  if ('is' in condition) return isOne(value, condition.is)
  if ('atLeast' in condition) return comparable(value, condition.atLeast) && (value as number) >= (condition.atLeast as number)
  return comparable(value, condition.atMost) && (value as number) <= (condition.atMost as number)
}

const isOne = (value: AnswerValue | null, wanted: string | boolean | number): boolean =>
  Array.isArray(value) ? value.includes(wanted as string) : value === wanted

const comparable = (value: AnswerValue | null, bound: number | string): boolean => typeof value === typeof bound

/** Every field a condition asks about. */
export function fieldsOf(condition: Condition): readonly string[] {
  if ('all' in condition) return condition.all.flatMap(fieldsOf)
  if ('any' in condition) return condition.any.flatMap(fieldsOf)
  return [condition.field]
}
