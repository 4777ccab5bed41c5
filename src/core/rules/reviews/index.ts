export { REVIEW_ASKS, type ReviewCommand } from './commands'
export { REVIEW_WORDS, type ReviewRefusal } from './refusals'
export { REVIEW_RULES } from './table'
