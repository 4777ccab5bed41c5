// Why a service of call control is refused, and what is said of it.
import type { WordsOf } from '@/core/refusal'

export type CallRefusal =
  | { readonly reason: 'noSuchCall' }
  | { readonly reason: 'notRinging' }
  | { readonly reason: 'notConnected' }
  | { readonly reason: 'alreadyHeld' }
  | { readonly reason: 'notHeld' }
  | { readonly reason: 'notOnCall' }
  | { readonly reason: 'nobodyToHold' }
  | { readonly reason: 'alreadyAnswered' }
  | { readonly reason: 'beingCleared' }
  | { readonly reason: 'nothingToTakeBack' }
  | { readonly reason: 'noSuchParty' }
  | { readonly reason: 'partyMuteUnchanged' }
  | { readonly reason: 'needsConference' }
  | { readonly reason: 'asideUnderWay' }
  | { readonly reason: 'noAside' }
  | { readonly reason: 'onlyOutsidersLeft' }
  | { readonly reason: 'notDigits'; readonly typed: string }
  | { readonly reason: 'alreadyThere' }
  | { readonly reason: 'recordingUnchanged' }
  | { readonly reason: 'agentNotOnCall' }
  | { readonly reason: 'alreadyParty' }
  | { readonly reason: 'roleUnchanged' }
  | { readonly reason: 'nobodyToTakeOver' }

export const CALL_WORDS: WordsOf<CallRefusal> = {
  noSuchCall: () => ({ says: 'That call is over.', next: 'Look at the board for what is on now.' }),
  notRinging: () => ({ says: 'That call no longer rings.', next: 'The caller hung up or a colleague has it. Wait for the next call.' }),
  notConnected: () => ({ says: 'Nobody is connected on that call yet.', next: 'Wait until the other side answers.' }),
  alreadyHeld: () => ({ says: 'The caller is on hold already.', next: 'Retrieve the call to talk.' }),
  notHeld: () => ({ says: 'The caller is not on hold.', next: 'You are talking already.' }),
  notOnCall: () => ({ says: 'You are not on that call.', next: 'Look at the board for what is on now.' }),
  nobodyToHold: () => ({ says: 'There is nobody to put on hold.', next: 'Wait until the other side answers, or hang up.' }),
  alreadyAnswered: () => ({ says: 'The far end has answered already.', next: 'You are talking.' }),
  beingCleared: () => ({ says: 'That is being ended at this moment.', next: 'Press Undo to keep it, or wait a moment.' }),
  nothingToTakeBack: () => ({ says: 'There is nothing to take back: it has reached the network already.', next: 'Call them again if you need to.' }),
  noSuchParty: () => ({ says: 'That party is not on the call.', next: 'Look at the board for who is on it now.' }),
  partyMuteUnchanged: () => ({ says: 'That party is muted that way already.', next: 'Nothing to do.' }),
  needsConference: () => ({ says: 'That needs three parties or more on the call.', next: 'Add somebody first, or use Hold.' }),
  asideUnderWay: () => ({ says: 'Two of this call are talking apart already.', next: 'Wait until they come back.' }),
  noAside: () => ({ says: 'You are not talking apart with anybody.', next: 'Nothing to do.' }),
  onlyOutsidersLeft: () => ({
    says: 'Only people from outside would be left on the call, which this centre does not allow.',
    next: 'Use End for everyone, or add a colleague first.',
  }),
  notDigits: (refusal) => ({ says: `“${refusal.typed}” cannot be sent as tones.`, next: 'Use the digits 0 to 9, * and #.' }),
  alreadyThere: () => ({ says: 'The call is on that device already.', next: 'Nothing to do.' }),
  recordingUnchanged: () => ({ says: 'The recording is that way already.', next: 'Nothing to do.' }),
  agentNotOnCall: () => ({ says: 'That agent is not on this call any more.', next: 'Look at the Floor for whom they talk with now.' }),
  alreadyParty: () => ({ says: 'You take part in this call yourself.', next: 'Hang up or leave it first.' }),
  roleUnchanged: () => ({ says: 'You do that already.', next: 'Nothing to do.' }),
  nobodyToTakeOver: () => ({ says: 'Nobody from outside is on the line with that agent.', next: 'Step in to talk with them.' }),
}
