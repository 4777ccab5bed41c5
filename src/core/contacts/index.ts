export {
  type Caption,
  type Contact,
  type ContactEvent,
  ContactEventSchema,
  createContact,
  evolveContact,
  followCall,
  isClosed,
  mayWrite,
  queueOfPart,
} from './contact'
export { factsOf, mergeValuesOf } from './facts'
export { type NumberEvent, NumberEventSchema } from './number-event'
