// Why a call is not handled that way, and what is said of it.
import type { CallRefusal } from '@/core/calls'
import type { NumberRefusal } from '@/core/directory'
import type { WordsOf } from '@/core/refusal'
import type { DoNotCallRefusal } from '@/core/rules/do-not-call'
import type { PromiseRefusal } from '@/core/rules/promises'
import type { RightsRefusal } from '@/core/rules/rights'
import type { AnyRefusal } from '@/core/rules/rule'
import type { ShiftRefusal } from '@/core/rules/shift'

export type TalkRefusal =
  | { readonly reason: 'callerUnnamed' }
  | { readonly reason: 'notEmergencyNumber'; readonly typed: string }
  | { readonly reason: 'hearsAnotherCall'; readonly with: string }
  | { readonly reason: 'consultUnderWay' }
  | { readonly reason: 'notAConsult' }
  | { readonly reason: 'consultNotAnswered' }
  | { readonly reason: 'nobodyToConsultAbout' }
  | { readonly reason: 'callerIsGone' }
  | { readonly reason: 'parkOnlyOne' }
  | { readonly reason: 'notParkedOrRinging' }
  | { readonly reason: 'notInGroup' }
  | { readonly reason: 'betweenColleagues' }
  | { readonly reason: 'callerNotOnLine' }
  | { readonly reason: 'queueNotServed'; readonly queue: string }
  | { readonly reason: 'targetSelf' }
  | { readonly reason: 'targetGoesToYou'; readonly name: string }
  | { readonly reason: 'queueClosed'; readonly name: string }
  | { readonly reason: 'targetOffShift'; readonly name: string }
  | { readonly reason: 'targetOnCall'; readonly name: string }
  | { readonly reason: 'targetTakesMessagesOnly'; readonly name: string }
  | { readonly reason: 'targetNotForThis'; readonly what: 'queue' | 'voicemail' | 'queueVoicemail' }
  | { readonly reason: 'targetTakesNoMessages'; readonly name: string }
  | { readonly reason: 'targetAlreadyThere'; readonly name: string }
  | { readonly reason: 'conferenceLineAlone' }

/** All that may come of a rule of this room. */
export type RulingRefusal = TalkRefusal | AnyRefusal | RightsRefusal | DoNotCallRefusal | PromiseRefusal | ShiftRefusal | NumberRefusal | CallRefusal

export const TALK_WORDS: WordsOf<TalkRefusal> = {
  notEmergencyNumber: ({ typed }) => ({
    says: typed.trim() === '' ? 'No number is typed.' : `“${typed.trim().slice(0, 40)}” is no number of the emergency services here.`,
    next: 'Type theirs as it is dialled in this country; start your shift to call anybody else.',
  }),
  callerUnnamed: () => ({ says: 'The caller has no name yet.', next: 'Choose one of the records, or type a name.' }),
  hearsAnotherCall: (refusal) => ({
    says: `You are talking on the line with ${refusal.with}.`,
    next: 'Put that line on hold, or go to and fro with “Talk to”.',
  }),
  consultUnderWay: () => ({ says: 'You are consulting somebody already.', next: 'End that consult first, or complete it.' }),
  notAConsult: () => ({ says: 'That line is not a consult.', next: 'Use Transfer or Conference on the line itself.' }),
  consultNotAnswered: () => ({ says: 'Nobody has answered yet.', next: 'Wait for the answer, or end the consult and use Blind transfer.' }),
  nobodyToConsultAbout: () => ({ says: 'Nobody is on the line yet.', next: 'Wait until the other side answers.' }),
  callerIsGone: () => ({ says: 'The first caller has hung up.', next: 'End the consult when you are done; the call still needs its outcome.' }),
  parkOnlyOne: () => ({ says: 'Only a call with one other party can be parked.', next: 'Remove the others first, or put the call on hold.' }),
  notParkedOrRinging: () => ({ says: 'That call is neither parked nor ringing any more.', next: 'A colleague was faster, or the caller hung up.' }),
  betweenColleagues: () => ({ says: 'That is a call between two colleagues.', next: 'Call one of them, or leave a message.' }),
  notInGroup: () => ({ says: 'That call belongs to a queue you do not serve.', next: 'A supervisor can add the queue to your account.' }),
  callerNotOnLine: () => ({ says: 'The caller has hung up and keeps their place.', next: 'Answer to call them back, or decline.' }),
  queueNotServed: (refusal) => ({ says: `You do not serve ${refusal.queue} on this shift.`, next: 'Call for yourself, or for a queue you serve.' }),
  conferenceLineAlone: () => ({ says: 'The conference line asks whoever dials it for a code.', next: 'Call it on its own, without anybody else on the line.' }),
  targetGoesToYou: ({ name }) => ({ says: `Calls for ${name} go to you.`, next: 'Leave them a message, or choose somebody else.' }),
  targetSelf: () => ({ says: 'That is you.', next: 'Choose somebody else.' }),
  queueClosed: (refusal) => ({
    says: `${refusal.name} is closed at this hour, so nobody would take the call.`,
    next: 'Choose a queue that is open, a colleague, or agree a callback.',
  }),
  targetOffShift: (refusal) => ({ says: `${refusal.name} is off shift.`, next: 'Choose a colleague who is on shift, a queue, or their voicemail.' }),
  targetOnCall: (refusal) => ({ says: `${refusal.name} is on a call.`, next: 'Choose somebody else, or send the caller to the queue.' }),
  targetTakesMessagesOnly: (refusal) => ({
    says: `${refusal.name} takes no calls of colleagues now.`,
    next: 'Use Blind transfer, which goes to their voicemail, or choose somebody else.',
  }),
  targetTakesNoMessages: (refusal) => ({ says: `${refusal.name} takes no messages.`, next: 'Choose the queue itself, or a colleague.' }),
  targetNotForThis: (refusal) => ({
    says: refusal.what === 'queue' ? 'A queue cannot be added to a call.' : 'A voicemail cannot be consulted or added.',
    next: refusal.what === 'queue' ? 'Consult the queue, or transfer the call to it.' : 'Use Blind transfer to send the caller there.',
  }),
  targetAlreadyThere: (refusal) => ({ says: `${refusal.name} is on this call already.`, next: 'Look at the board for who is on it.' }),
}
