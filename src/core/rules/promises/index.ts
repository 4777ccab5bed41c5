export { PROMISE_ASKS, type PromiseCommand } from './commands'
export { PROMISE_WORDS, type PromiseRefusal } from './refusals'
export { checkWhen, openCallback } from './rules'
export { PROMISE_RULES } from './table'
