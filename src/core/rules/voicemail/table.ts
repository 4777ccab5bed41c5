import { onCall, type Rules } from '@/core/rules/rule'
import type { VoicemailCommand } from './commands'
import { mailboxRings } from './leaving'
import { callMessageBack, deleteMessage, forwardMessage, markMessage, restoreMessage, setGreeting } from './messages'
import type { RulingRefusal } from './refusals'

export const VOICEMAIL_RULES: Rules<VoicemailCommand, RulingRefusal> = {
  mailboxRings,
  setGreeting,
  markMessage,
  forwardMessage,
  deleteMessage,
  restoreMessage,
  callMessageBack: onCall(callMessageBack),
}
