export { type Callback, escalationDueAtMs, evolveCallback } from './callback'
export { type CallbackEvent, CallbackEventSchema } from './event'
