export { CIRCLE_ASKS, type CircleCommand } from './commands'
export { CIRCLE_WORDS, type CircleRefusal } from './refusals'
export { CIRCLE_RULES, isAmong } from './table'
