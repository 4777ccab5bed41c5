export { type Callback, type CallbackRefusal, escalationDueAtMs, evolveCallback } from './callback'
export { type CallbackEvent, CallbackEventSchema } from './event'
