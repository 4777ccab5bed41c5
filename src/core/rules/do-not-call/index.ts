export { DO_NOT_CALL_ASKS, type DoNotCallCommand } from './commands'
export { DO_NOT_CALL_WORDS, type DoNotCallRefusal } from './refusals'
export { checkWaiver, forbidden } from './rules'
export { DO_NOT_CALL_RULES } from './table'
