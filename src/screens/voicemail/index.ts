export { MessageInHand } from './message-in-hand'
export { VoicemailScreen } from './screen'
