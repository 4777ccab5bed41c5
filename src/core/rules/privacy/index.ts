export type { PrivacyCommand, RetentionCommand } from './commands'
export { PRIVACY_WORDS, type PrivacyRefusal } from './refusals'
export { messagesBefore, PRIVACY_RULES } from './rules'
