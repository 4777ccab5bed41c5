export { createDialer, type Dialer, type DialerOptions, type DialerReasons, type Give, TICK_MS } from './dialer'
export { calledAs, createListSource, type ListOf, type ListSourceOf, lifeEventOf } from './lists'
export type { RecordSource } from './source'
