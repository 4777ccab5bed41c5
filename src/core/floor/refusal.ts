// Every reason the floor may refuse for, and what is said of it. A refusal is a value with its facts; the words
// are here and nowhere else, and the compiler misses none.
import type { CallbackRefusal } from '@/core/callbacks'
import type { CallRefusal } from '@/core/calls'
import type { NumberRefusal } from '@/core/directory'
import type { DoNotCallRefusal } from '@/core/do-not-call'
import type { OutcomeRefusal } from '@/core/outcomes'
import type { ScriptRefusal } from '@/core/scripts'
import type { Entitlement } from '@/core/set-up'
import type { TaskRefusal } from '@/core/tasks'
import { utcDay } from '@/core/time'
import type { NotEntitled } from './entitled'
import type { HandoverRefusal } from './handover'
import type { KeptPlaceRefusal } from './kept-place'
import type { LineRefusal } from './lines'
import type { OwnerRefusal } from './owner'
import type { PresenceRefusal } from './presence'
import type { ReachRefusal } from './reach'

export type ShiftRefusal =
  | { readonly reason: 'noSuchAccount' }
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
  | { readonly reason: 'soundIsLost' }
  | { readonly reason: 'callerUnnamed' }

export type FloorRefusal =
  | NotEntitled
  | KeptPlaceRefusal
  | PresenceRefusal
  | OwnerRefusal
  | ShiftRefusal
  | CallRefusal
  | LineRefusal
  | HandoverRefusal
  | ReachRefusal
  | ScriptRefusal
  | OutcomeRefusal
  | CallbackRefusal
  | DoNotCallRefusal
  | TaskRefusal
  | NumberRefusal

/** What an entitlement allows, as the end of a sentence. */
export const ENTITLEMENT_WORDS: Readonly<Record<Entitlement, string>> = {
  outsideCalls: 'calls to outside numbers',
  internationalCalls: 'international calls',
  recording: 'recording calls',
  conference: 'conferences',
  diversion: 'diverting calls',
  campaigns: 'campaign work',
  supervision: 'the supervisor’s views',
  setUp: 'changing the set-up',
}

export interface RefusalText {
  /** What happened and why, in one sentence. */
  readonly says: string
  /** What to do next. */
  readonly next: string
}

export function toRefusalText(refusal: FloorRefusal): RefusalText {
  switch (refusal.reason) {
    case 'notEntitled':
      return {
        says: `Your account is not enabled for ${ENTITLEMENT_WORDS[refusal.what]}.`,
        next: refusal.ask.length === 0 ? 'Nobody here can enable it.' : `${refusal.ask.join(' or ')} can enable it in Set-up.`,
      }
    case 'notWaiting':
      return { says: 'That caller no longer waits on the line.', next: 'Look at the queue for who waits now.' }
    case 'placesNotKept':
      return { says: `${refusal.queue} keeps no places.`, next: 'Wait on the line, or call again later.' }
    case 'numberWithheld':
      return { says: 'The number is withheld, so nobody could call back.', next: 'Wait on the line.' }
    case 'noteEmpty':
      return { says: 'The note says nothing.', next: 'Type a few words, such as “Back at two”.' }
    case 'noteEndsInThePast':
      return { says: 'The note would end in the past.', next: 'Choose a later time, or let it stay until you clear it.' }
    case 'coverUnknown':
      return { says: 'Whoever is to cover has no account here.', next: 'Choose a colleague from the list.' }
    case 'coversThemselves':
      return { says: 'Nobody covers for themselves.', next: 'Choose a colleague, or nobody.' }
    case 'nothingToClear':
      return { says: 'It is off already.', next: 'Nothing to do.' }
    case 'soundPathUnchanged':
      return { says: 'Your sound goes that way already.', next: 'Nothing to do.' }
    case 'soundIsLost':
      return { says: 'Your sound is lost, so a caller would hear nothing.', next: 'Bring it back under Sound, or take another path.' }
    case 'setUpUnsound':
      return { says: `${refusal.place}: ${refusal.says}`, next: refusal.cure }
    case 'setUpForgets':
      return { says: `${refusal.what} is missing, and the ledger still speaks of it.`, next: 'Retire it instead of taking it out.' }
    case 'setUpMoved':
      return {
        says: `${refusal.by ?? 'Somebody'} has changed the set-up since you began, so yours would undo it.`,
        next: 'Press “Bring my changes over”, look at them, and put them into use again.',
      }
    case 'worksThere':
      return { says: `${refusal.name} is at work, so ${refusal.what} cannot be retired now.`, next: 'Wait until nobody needs it.' }
    case 'stormUnchanged':
      return { says: 'The queue is switched that way already.', next: 'Nothing to do.' }
    case 'callerUnnamed':
      return { says: 'The caller has no name yet.', next: 'Choose one of the records, or type a name.' }
    case 'callerNotOnLine':
      return { says: 'The caller has hung up and keeps their place.', next: 'Answer to call them back, or decline.' }
    case 'targetTakesMessagesOnly':
      return { says: `${refusal.name} takes no calls of colleagues now.`, next: 'Use Blind transfer, which goes to their voicemail, or choose somebody else.' }
    case 'noSuchAccount':
      return { says: 'This account is not in use any more.', next: 'Ask a supervisor to bring it back in Set-up.' }
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
    case 'hearsAnotherCall':
      return { says: `You are talking on the line with ${refusal.with}.`, next: 'Put that line on hold, or go to and fro with “Talk to”.' }
    case 'beingCleared':
      return { says: 'That is being ended at this moment.', next: 'Press Undo to keep it, or wait a moment.' }
    case 'nothingToTakeBack':
      return { says: 'There is nothing to take back: it has reached the network already.', next: 'Call them again if you need to.' }
    case 'noSuchParty':
      return { says: 'That party is not on the call.', next: 'Look at the board for who is on it now.' }
    case 'partyMuteUnchanged':
      return { says: 'That party is muted that way already.', next: 'Nothing to do.' }
    case 'needsConference':
      return { says: 'That needs three parties or more on the call.', next: 'Add somebody first, or use Hold.' }
    case 'asideUnderWay':
      return { says: 'Two of this call are talking apart already.', next: 'Wait until they come back.' }
    case 'noAside':
      return { says: 'You are not talking apart with anybody.', next: 'Nothing to do.' }
    case 'onlyOutsidersLeft':
      return {
        says: 'Only people from outside would be left on the call, which this centre does not allow.',
        next: 'Use End for everyone, or add a colleague first.',
      }
    case 'notDigits':
      return { says: `“${refusal.typed}” cannot be sent as tones.`, next: 'Use the digits 0 to 9, * and #.' }
    case 'alreadyThere':
      return { says: 'The call is on that device already.', next: 'Nothing to do.' }
    case 'recordingUnchanged':
      return { says: 'The recording is that way already.', next: 'Nothing to do.' }
    case 'consultUnderWay':
      return { says: 'You are consulting somebody already.', next: 'End that consult first, or complete it.' }
    case 'notAConsult':
      return { says: 'That line is not a consult.', next: 'Use Transfer or Conference on the line itself.' }
    case 'consultNotAnswered':
      return { says: 'Nobody has answered yet.', next: 'Wait for the answer, or end the consult and use Blind transfer.' }
    case 'nobodyToConsultAbout':
      return { says: 'Nobody is on the line yet.', next: 'Wait until the other side answers.' }
    case 'callerIsGone':
      return { says: 'The first caller has hung up.', next: 'End the consult when you are done; the call still owes its outcome.' }
    case 'parkOnlyOne':
      return { says: 'Only a call with one other party can be parked.', next: 'Remove the others first, or put the call on hold.' }
    case 'notParkedOrRinging':
      return { says: 'That call is neither parked nor ringing any more.', next: 'A colleague was faster, or the caller hung up.' }
    case 'notInGroup':
      return { says: 'That call belongs to a queue you do not serve.', next: 'A supervisor can add the queue to your account.' }
    case 'targetSelf':
      return { says: 'That is you.', next: 'Choose somebody else.' }
    case 'targetUnknown':
      return { says: 'There is nobody and nothing of that name here any more.', next: 'Choose another one from the list.' }
    case 'queueClosed':
      return {
        says: `${refusal.name} is closed at this hour, so nobody would take the call.`,
        next: 'Choose a queue that is open, a colleague, or agree a callback.',
      }
    case 'targetOffShift':
      return { says: `${refusal.name} is off shift.`, next: 'Choose a colleague who is on shift, a queue, or their voicemail.' }
    case 'targetOnCall':
      return { says: `${refusal.name} is on a call.`, next: 'Choose somebody else, or send the caller to the queue.' }
    case 'targetNotForThis':
      return {
        says: refusal.what === 'queue' ? 'A queue cannot be added to a call.' : 'A voicemail cannot be consulted or added.',
        next: refusal.what === 'queue' ? 'Consult the queue, or transfer the call to it.' : 'Use Blind transfer to send the caller there.',
      }
    case 'targetAlreadyThere':
      return { says: `${refusal.name} is on this call already.`, next: 'Look at the board for who is on it.' }
    case 'noScript':
      return { says: 'This call runs no script.', next: 'Write what you learn in the notes.' }
    case 'unknownField':
      return { says: `The script has no question "${refusal.field}".`, next: 'Answer the questions on the page.' }
    case 'answerWrongKind':
      return { says: `“${refusal.label}” needs ${refusal.expected}.`, next: 'Correct it and carry on; what you typed is still there.' }
    case 'answerMissing':
      return { says: `The way on depends on “${refusal.label}”, which has no answer yet.`, next: 'Answer it, then go on.' }
    case 'noWayOn':
      return { says: `With these answers nothing follows “${refusal.page}”.`, next: 'Code the call all the same, and tell the set-up owner.' }
    case 'pageNotSeen':
      return { says: 'That page was not open yet on this call.', next: 'Choose one of the pages seen, or go on with Next page.' }
    case 'lastPage':
      return { says: 'This is the last page of the script.', next: 'Choose an outcome.' }
    case 'firstPage':
      return { says: 'This is the first page of the script.', next: 'Go on to the next page.' }
    case 'outcomeMissing':
      return { says: 'No outcome is chosen.', next: 'Press the key of an outcome, or click one. Your notes are kept.' }
    case 'unknownCode':
      return { says: `“${refusal.code}” is not an outcome of this queue.`, next: 'Choose one from the list.' }
    case 'answersContradict':
      return { says: refusal.says, next: 'Save it all the same, or choose another outcome.' }
    case 'notesMissing':
      return { says: `“${refusal.label}” needs a note.`, next: 'Write in a few words what it is about, then save again.' }
    case 'fieldMissing':
      return { says: `“${refusal.label}” needs the answer to “${refusal.field}”.`, next: 'Answer it in the script, then save again.' }
    case 'notYoursToCorrect':
      return { says: 'That call was not coded by you on this shift.', next: 'Ask a supervisor to correct it.' }
    case 'codeUnchanged':
      return { says: 'The call is coded so already.', next: 'Choose another outcome, or leave it as it is.' }
    case 'wrapUpHasNoLimit':
      return { says: 'This wrap-up cannot be extended.', next: 'Save the outcome, or go ready and code it later where your centre allows it.' }
    case 'alreadyExtended':
      return { says: 'This wrap-up was extended once already.', next: 'Save the outcome. What you have written is kept.' }
    case 'outcomeStands':
      return { says: 'The outcome can no longer be taken back.', next: 'Correct it under Your last calls.' }
    case 'noSuchCallback':
      return { says: 'That callback is done or was given up.', next: 'Look at the list for what is still open.' }
    case 'callbackOfAnother':
      return { says: `That callback is ${refusal.name}’s.`, next: 'Ask them to hand it over, or wait until it escalates.' }
    case 'callbackUnderWay':
      return { says: `${refusal.name} is calling them already.`, next: 'Choose another one.' }
    case 'callbackTimeMissing':
      return { says: 'This outcome needs the time of the callback.', next: 'Enter the day and the time that were agreed, and in whose time zone.' }
    case 'callbackInThePast':
      return { says: 'That time has passed already.', next: 'Enter a time that is still to come.' }
    case 'callbackTooFar':
      return { says: 'That time is more than a year away.', next: 'Enter a day within the next twelve months.' }
    case 'timeZoneUnknown':
      return { says: `“${refusal.timeZone}” is no time zone we know.`, next: 'Choose one from the list.' }
    case 'noteEndsTooLate':
      return { says: 'The note would stand for more than a year.', next: 'Choose an earlier end, or let it stay until you clear it.' }
    case 'callbackUnchanged':
      return { says: 'It is theirs already.', next: 'Choose somebody else.' }
    case 'noSuchTask':
      return { says: 'That task is done or was withdrawn.', next: 'Look at the list for what is still open.' }
    case 'taskTitleMissing':
      return { says: 'The task has no title.', next: 'Write in a few words what is to be done.' }
    case 'onDoNotCall':
      return {
        says: `${refusal.who} is on the do-not-call list since ${utcDay(refusal.sinceMs)}: ${refusal.why}.`,
        next: 'A supervisor can let this one call be made, with a reason.',
      }
    case 'alreadyOnList':
      return { says: `${refusal.who} is on the list already.`, next: 'Take the line out, or leave it as it is.' }
    case 'notOnList':
      return { says: `${refusal.who} is not on the list any more.`, next: 'Nothing to do.' }
    case 'whyMissing':
      return { says: 'No reason is given.', next: 'Write in a few words why; it is kept.' }
    case 'nobodyNamed':
      return { says: 'Nobody is named.', next: 'Enter a number or a person.' }
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
    case 'numberOfNoLength':
      return {
        says: `“${refusal.typed}” has a digit too many or too few for a number of ${refusal.readAs}.`,
        next: 'Compare it digit by digit, or begin with + and the country code.',
      }
    case 'numberTooLong':
      return {
        says: `“${refusal.typed}” is too long for a number of ${refusal.readAs}.`,
        next: 'Take the extra digits out, or begin with + and the country code.',
      }
  }
}
