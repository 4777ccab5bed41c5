// What stands where something personal was, once it is forgotten.
import type { AnswerValue } from '@/core/scripts'

/** It is no number, no address and nobody's name. */
export const FORGOTTEN = 'forgotten'

/** What was there is gone; where nothing was, that is as it was. */
export const gone = <T extends string | null>(value: T): T | typeof FORGOTTEN => (value === null || value === '' ? value : FORGOTTEN)

/** Whether an answer is one of those a script offers: that one was chosen is nothing personal, and figures are reckoned from it. */
export type IsOffered = (field: string, value: string) => boolean

/** Dates and times alone tell nobody from another, and scripts compare them. */
const MOMENT = /^[\d:T-]+$/

/** An answer once it is forgotten: the same where it is nothing personal. */
export function answerLeft(field: string, value: AnswerValue, isOffered: IsOffered): AnswerValue {
  const left = (one: string) => (isOffered(field, one) || MOMENT.test(one) ? one : FORGOTTEN)
  if (typeof value === 'string') return left(value)
  return typeof value === 'object' && value.some((one) => left(one) !== one) ? value.map(left) : value
}
