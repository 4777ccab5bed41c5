// Why a message is not touched, or a mailbox not reached, and what is said of it.
import type { CallRefusal } from '@/core/calls'
import type { WordsOf } from '@/core/refusal'
import type { DoNotCallRefusal } from '@/core/rules/do-not-call'
import type { RightsRefusal } from '@/core/rules/rights'
import type { AnyRefusal } from '@/core/rules/rule'

export type VoicemailRefusal =
  | { readonly reason: 'noSuchMessage' }
  | { readonly reason: 'notYourMailbox'; readonly name: string }
  | { readonly reason: 'noSuchMailbox' }
  | { readonly reason: 'markUnchanged'; readonly heard: boolean }
  | { readonly reason: 'messageIsWork'; readonly queue: string }
  | { readonly reason: 'forwardedToItself' }
  | { readonly reason: 'noMessageInHand' }
  | { readonly reason: 'calledBackAlready' }
  | { readonly reason: 'nobodyToCallBack' }

/** All that may come of a rule of this room. */
export type RulingRefusal = VoicemailRefusal | AnyRefusal | RightsRefusal | CallRefusal | DoNotCallRefusal

export const VOICEMAIL_WORDS: WordsOf<VoicemailRefusal> = {
  noSuchMessage: () => ({ says: 'That message is there no more.', next: 'Deleted messages can be brought back for ten minutes.' }),
  notYourMailbox: (refusal) => ({ says: `The mailbox of ${refusal.name} is not yours.`, next: 'Ask them, or a supervisor.' }),
  noSuchMailbox: () => ({ says: 'There is no such mailbox.', next: 'Choose a colleague, or a queue that takes messages.' }),
  markUnchanged: (refusal) => ({ says: `It is marked ${refusal.heard ? 'heard' : 'not heard'} already.`, next: 'Nothing needs to be done.' }),
  messageIsWork: (refusal) => ({
    says: `It is waiting for an agent of ${refusal.queue}, or one of them has it.`,
    next: 'The outcome they save closes it; delete it after that.',
  }),
  forwardedToItself: () => ({ says: 'It is in that mailbox already.', next: 'Choose another colleague or queue.' }),
  noMessageInHand: () => ({ says: 'That call is about no message.', next: 'Dial the number instead.' }),
  calledBackAlready: () => ({ says: 'They are being called, or on the line.', next: 'Wait for the answer, or hang up.' }),
  nobodyToCallBack: () => ({ says: 'The number is withheld, so nobody can be called back.', next: 'Listen to what they say, and save the outcome.' }),
}
