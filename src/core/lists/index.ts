export { type AnswerRates, createAnswerRates } from './answer-rates'
export { type CallingList, createCallingList, type ListRules, type ListSource, type Next, zoneKey } from './calling-list'
export type { Place } from './due-index'
export { inMemory } from './memory-source'
