export type { RefusalText, WordsOf } from './refusal'
