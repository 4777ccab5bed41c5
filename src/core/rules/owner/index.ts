export { OWNER_ASKS, type OwnerCommand } from './commands'
export { OWNER_WORDS, type OwnerRefusal } from './refusals'
export { OWNER_RULES } from './table'
