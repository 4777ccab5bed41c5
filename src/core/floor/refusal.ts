// Every reason the floor may refuse for, and what is said of it. A refusal is a value with its facts; the words
// are here and nowhere else, and the compiler misses none.
import type { CallRefusal } from '@/core/calls'
import type { NumberRefusal } from '@/core/directory'
import type { OutcomeRefusal } from '@/core/outcomes'
import type { ScriptRefusal } from '@/core/scripts'

export type ShiftRefusal =
  | { readonly reason: 'wrongAgentOrPin' }
  | { readonly reason: 'noQueueTicked' }
  | { readonly reason: 'queueNotYours'; readonly queue: string }
  | { readonly reason: 'seatTaken'; readonly name: string; readonly seat: 'desk' | 'standIn' }
  | { readonly reason: 'notOnShift' }
  | { readonly reason: 'alreadyReady' }
  | { readonly reason: 'alreadyNotReady' }
  | { readonly reason: 'unknownReason' }
  | { readonly reason: 'callUnderWay'; readonly with: string }
  | { readonly reason: 'callRings'; readonly with: string }
  | { readonly reason: 'outcomeOwed'; readonly with: string }
  | { readonly reason: 'muteUnchanged' }

export type FloorRefusal = ShiftRefusal | CallRefusal | ScriptRefusal | OutcomeRefusal | NumberRefusal

export interface RefusalText {
  /** What happened and why, in one sentence. */
  readonly says: string
  /** What to do next. */
  readonly next: string
}

export function toRefusalText(refusal: FloorRefusal): RefusalText {
  switch (refusal.reason) {
    case 'wrongAgentOrPin':
      return { says: 'This agent and PIN do not belong together.', next: 'Check the name, then type the PIN again. A supervisor can look it up.' }
    case 'noQueueTicked':
      return { says: 'No queue is ticked, so no call could reach you.', next: 'Tick at least one queue.' }
    case 'queueNotYours':
      return { says: `Your account does not serve ${refusal.queue}.`, next: 'Untick it, or ask a supervisor to add it to your account.' }
    case 'seatTaken':
      return refusal.seat === 'standIn'
        ? { says: `${refusal.name} is played by the stand-ins at the moment.`, next: 'Choose a name that is free.' }
        : { says: `${refusal.name} is already on shift at another desk.`, next: 'End the shift there first, or choose another name.' }
    case 'notOnShift':
      return { says: 'You are not on shift.', next: 'Start your shift first.' }
    case 'alreadyReady':
      return { says: 'You are ready already.', next: 'Wait for the next call.' }
    case 'alreadyNotReady':
      return { says: 'You are not ready already, for this reason.', next: 'Choose another reason, or go ready.' }
    case 'unknownReason':
      return { says: 'That reason is not on the list.', next: 'Choose one of the reasons shown.' }
    case 'callUnderWay':
      return { says: `Your call with ${refusal.with} is still under way.`, next: 'Finish it or hang up first.' }
    case 'callRings':
      return { says: `${refusal.with} is ringing at your desk.`, next: 'Answer or decline the call first.' }
    case 'outcomeOwed':
      return { says: `The call with ${refusal.with} still owes an outcome.`, next: 'Choose an outcome and save it.' }
    case 'muteUnchanged':
      return { says: 'Mute is that way already.', next: 'Nothing to do.' }
    case 'noSuchCall':
      return { says: 'That call is over.', next: 'Look at the board for what is on now.' }
    case 'notRinging':
      return { says: 'That call no longer rings.', next: 'The caller hung up or a colleague has it. Wait for the next call.' }
    case 'notConnected':
      return { says: 'Nobody is connected on that call yet.', next: 'Wait until the other side answers.' }
    case 'alreadyHeld':
      return { says: 'The caller is on hold already.', next: 'Retrieve the call to talk.' }
    case 'notHeld':
      return { says: 'The caller is not on hold.', next: 'You are talking already.' }
    case 'notOnCall':
      return { says: 'You are not on that call.', next: 'Look at the board for what is on now.' }
    case 'nobodyToHold':
      return { says: 'There is nobody to put on hold.', next: 'Wait until the other side answers, or hang up.' }
    case 'alreadyAnswered':
      return { says: 'The far end has answered already.', next: 'You are talking.' }
    case 'noScript':
      return { says: 'This call runs no script.', next: 'Write what you learn in the notes.' }
    case 'unknownField':
      return { says: `The script has no question "${refusal.field}".`, next: 'Answer the questions on the page.' }
    case 'answerWrongKind':
      return { says: `“${refusal.label}” needs ${refusal.expected}.`, next: 'Correct it and carry on; what you typed is still there.' }
    case 'answerMissing':
      return { says: `The way on depends on “${refusal.label}”, which has no answer yet.`, next: 'Answer it, then go on.' }
    case 'lastPage':
      return { says: 'This is the last page of the script.', next: 'Choose an outcome.' }
    case 'firstPage':
      return { says: 'This is the first page of the script.', next: 'Go on to the next page.' }
    case 'outcomeMissing':
      return { says: 'No outcome is chosen.', next: 'Press the key of an outcome, or click one. Your notes are kept.' }
    case 'unknownCode':
      return { says: `“${refusal.code}” is not an outcome of this queue.`, next: 'Choose one from the list.' }
    case 'notYourCall':
      return { says: 'That call was handled by somebody else, or it is coded already.', next: 'Look at the board for what is yours.' }
    case 'numberEmpty':
      return { says: 'Nothing is typed to dial.', next: 'Type a number or a name.' }
    case 'matchesNobody':
      return { says: `“${refusal.typed}” matches nobody we know, and is not a number.`, next: 'Check the spelling, or type the number.' }
    case 'noCountryReads':
      return { says: `“${refusal.typed}” is not a number of any country.`, next: 'Check the country code after the +, or leave it out for a number at home.' }
    case 'numberTooShort':
      return {
        says: `“${refusal.typed}” is too short for a number of ${refusal.readAs}.`,
        next: 'Add the missing digits, or begin with + and the country code.',
      }
    case 'numberTooLong':
      return {
        says: `“${refusal.typed}” is too long for a number of ${refusal.readAs}.`,
        next: 'Take the extra digits out, or begin with + and the country code.',
      }
  }
}
