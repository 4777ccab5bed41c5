export { boxKey, boxOwner, deviceOfBox } from './box'
export { type VoicemailEvent, VoicemailEventSchema } from './event'
export { agentGreeting, greetingMs, PICKS_UP_MS, PREPARED_GREETINGS, queueGreeting } from './greeting'
export {
  evolveMessage,
  LONGEST_MESSAGE_MS,
  LONGEST_NOTE,
  type Message,
  type MessageEvent,
  RESTORABLE_MS,
  SHORTEST_MESSAGE_MS,
} from './message'
export { type Box, BoxSchema, type Greeting, GreetingSchema, LONGEST_GREETING, type Spoken, SpokenSchema } from './schema'
