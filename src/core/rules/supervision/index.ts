export { SUPERVISION_ASKS, type SupervisionCommand } from './commands'
export { followAgent, stopUnentitled, stopWhereBusy } from './listen'
export { SUPERVISION_WORDS, type SupervisionRefusal } from './refusals'
export { SUPERVISION_RULES } from './table'
