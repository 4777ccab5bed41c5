export { type NumberEvent, NumberEventSchema } from './number-event'
