import type { Rules } from '@/core/rules/rule'
import type { ReviewCommand } from './commands'
import type { RulingRefusal } from './refusals'
import { answerReview, makeReview, withdrawReview } from './rules'

export const REVIEW_RULES: Rules<ReviewCommand, RulingRefusal> = { makeReview, withdrawReview, answerReview }
