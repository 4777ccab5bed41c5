export { MOST_FORGOTTEN, PRIVACY_ASKS, type PrivacyCommand, type RetentionCommand } from './commands'
export { PRIVACY_WORDS, type PrivacyRefusal } from './refusals'
export { PRIVACY_RULES } from './rules'
