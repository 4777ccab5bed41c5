// Why the shift, readiness and presence are refused, and what is said of it.
import type { CallRefusal } from '@/core/calls'
import type { NumberRefusal } from '@/core/directory'
import type { WordsOf } from '@/core/refusal'
import type { DoNotCallRefusal } from '@/core/rules/do-not-call'
import type { RightsRefusal } from '@/core/rules/rights'
import type { AnyRefusal } from '@/core/rules/rule'

export type ShiftRefusal =
  | { readonly reason: 'noQueueTicked' }
  | { readonly reason: 'numberIsOurs'; readonly queue: string }
  | { readonly reason: 'queueNotYours'; readonly queue: string }
  | { readonly reason: 'campaignNotYours'; readonly campaign: string }
  | { readonly reason: 'campaignClosed'; readonly campaign: string; readonly finished: boolean }
  | { readonly reason: 'personOnTheWay' }
  | { readonly reason: 'seatTaken'; readonly name: string; readonly seat: 'desk' | 'standIn' }
  | { readonly reason: 'alreadyReady' }
  | { readonly reason: 'alreadyNotReady' }
  | { readonly reason: 'unknownReason' }
  | { readonly reason: 'callUnderWay'; readonly with: string }
  | { readonly reason: 'callRings'; readonly with: string }
  | { readonly reason: 'outcomeOwed'; readonly with: string }
  | { readonly reason: 'threadsInHand'; readonly count: number }
  | { readonly reason: 'muteUnchanged' }
  | { readonly reason: 'soundIsLost' }
  | { readonly reason: 'deskIsLost' }
  | { readonly reason: 'soundPathUnchanged' }
  | { readonly reason: 'noteEmpty' }
  | { readonly reason: 'noteEndsInThePast' }
  | { readonly reason: 'noteEndsTooLate' }
  | { readonly reason: 'coverUnknown' }
  | { readonly reason: 'coversThemselves' }
  | { readonly reason: 'diversionToNobody' }
  | { readonly reason: 'diversionCircle'; readonly names: readonly string[] }
  | { readonly reason: 'nothingToClear' }

/** All that may come of a rule of this room. */
export type RulingRefusal = ShiftRefusal | AnyRefusal | RightsRefusal | DoNotCallRefusal | NumberRefusal | CallRefusal

export const SHIFT_WORDS: WordsOf<ShiftRefusal> = {
  numberIsOurs: ({ queue }) => ({
    says: `That is the number of ${queue}, here in the house: it would come back to who serves it.`,
    next: 'Type somebody else’s number, or send a caller there by Transfer.',
  }),
  noQueueTicked: () => ({
    says: 'No queue is ticked and no campaign chosen, so no call could reach you.',
    next: 'Tick at least one queue, or choose a campaign.',
  }),
  queueNotYours: (refusal) => ({ says: `Your account does not serve ${refusal.queue}.`, next: 'Untick it, or ask a supervisor to add it to your account.' }),
  campaignNotYours: ({ campaign }) => ({ says: `Your account does not work ${campaign}.`, next: 'Choose another one, or ask a supervisor to add you to it.' }),
  campaignClosed: ({ campaign, finished }) => ({
    says: `${campaign} ${finished ? 'is finished' : 'has not been started yet'}.`,
    next: 'Choose another one, or ask a supervisor to start it.',
  }),
  personOnTheWay: () => ({
    says: 'Somebody has just been reached and is on the way to you.',
    next: 'Go not ready first: then it can be done as soon as nobody is on the way.',
  }),
  seatTaken: (refusal) =>
    refusal.seat === 'standIn'
      ? { says: `${refusal.name} is played by the stand-ins at the moment.`, next: 'Choose a name that is free.' }
      : { says: `${refusal.name} is already on shift at another desk.`, next: 'End the shift there first, or choose another name.' },
  alreadyReady: () => ({ says: 'You are ready already.', next: 'Wait for the next call.' }),
  alreadyNotReady: () => ({ says: 'You are not ready already, for this reason.', next: 'Choose another reason, or go ready.' }),
  unknownReason: () => ({ says: 'That reason is not on the list.', next: 'Choose one of the reasons shown.' }),
  callUnderWay: (refusal) => ({ says: `Your call with ${refusal.with} is still under way.`, next: 'Finish it or hang up first.' }),
  callRings: (refusal) => ({ says: `${refusal.with} is ringing at your desk.`, next: 'Answer or decline the call first.' }),
  outcomeOwed: (refusal) => ({ says: `The call with ${refusal.with} still needs an outcome.`, next: 'Choose an outcome and save it.' }),
  threadsInHand: ({ count }) => ({
    says: count === 1 ? 'A conversation is still in your hands.' : `${count} conversations are still in your hands.`,
    next: 'End them, park the mails, or hand them on.',
  }),
  muteUnchanged: () => ({ says: 'Mute is that way already.', next: 'Nothing to do.' }),
  soundIsLost: () => ({ says: 'Your sound is lost, so a caller would hear nothing.', next: 'Bring it back under Sound, or take another path.' }),
  deskIsLost: () => ({ says: 'Nothing is heard of that desk, so a caller would reach nobody.', next: 'Wait until it is back, or end the shift.' }),
  soundPathUnchanged: () => ({ says: 'Your sound goes that way already.', next: 'Nothing to do.' }),
  noteEmpty: () => ({ says: 'The note is empty.', next: 'Type a few words, such as “Back at two”.' }),
  noteEndsInThePast: () => ({ says: 'The note would end in the past.', next: 'Choose a later time, or let it stay until you clear it.' }),
  noteEndsTooLate: () => ({ says: 'The note would stand for more than a year.', next: 'Choose an earlier end, or let it stay until you clear it.' }),
  coverUnknown: () => ({ says: 'Whoever is to cover has no account here.', next: 'Choose a colleague from the list.' }),
  diversionToNobody: () => ({ says: 'Whoever your calls are to go to has no account here.', next: 'Choose a colleague from the list.' }),
  diversionCircle: ({ names }) => ({
    says: `Your calls would go in a circle: ${names.join(' to ')}.`,
    next: 'Choose somebody else, or let the last of them end their diversion first.',
  }),
  coversThemselves: () => ({ says: 'Nobody covers for themselves.', next: 'Choose a colleague, or nobody.' }),
  nothingToClear: () => ({ says: 'It is off already.', next: 'Nothing to do.' }),
}
