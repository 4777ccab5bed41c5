export type { PrivacyCommand, RetentionCommand } from './commands'
export { PRIVACY_WORDS, type PrivacyRefusal } from './refusals'
export { PRIVACY_RULES } from './rules'
