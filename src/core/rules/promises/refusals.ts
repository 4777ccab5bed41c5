// Why callbacks and tasks are refused, and what is said of it.
import type { WordsOf } from '@/core/refusal'

export type PromiseRefusal =
  | { readonly reason: 'noSuchCallback' }
  | { readonly reason: 'callbackOfAnother'; readonly name: string }
  | { readonly reason: 'callbackUnderWay'; readonly name: string }
  | { readonly reason: 'callbackTimeMissing' }
  | { readonly reason: 'callbackInThePast' }
  | { readonly reason: 'callbackTooFar' }
  | { readonly reason: 'timeZoneUnknown'; readonly timeZone: string }
  | { readonly reason: 'callbackUnchanged' }
  | { readonly reason: 'noSuchTask' }
  | { readonly reason: 'taskTitleMissing' }

export const PROMISE_WORDS: WordsOf<PromiseRefusal> = {
  noSuchCallback: () => ({ says: 'That callback is done or was given up.', next: 'Look at the list for what is still open.' }),
  callbackOfAnother: (refusal) => ({ says: `That callback is ${refusal.name}’s.`, next: 'Ask them to hand it over, or wait until it escalates.' }),
  callbackUnderWay: (refusal) => ({ says: `${refusal.name} is calling them already.`, next: 'Choose another one.' }),
  callbackTimeMissing: () => ({
    says: 'This outcome needs the time of the callback.',
    next: 'Enter the day and the time that were agreed, and in whose time zone.',
  }),
  callbackInThePast: () => ({ says: 'That time has passed already.', next: 'Enter a time that is still to come.' }),
  callbackTooFar: () => ({ says: 'That time is more than a year away.', next: 'Enter a day within the next twelve months.' }),
  timeZoneUnknown: (refusal) => ({ says: `“${refusal.timeZone}” is no time zone we know.`, next: 'Choose one from the list.' }),
  callbackUnchanged: () => ({ says: 'It is theirs already.', next: 'Choose somebody else.' }),
  noSuchTask: () => ({ says: 'That task is done or was withdrawn.', next: 'Look at the list for what is still open.' }),
  taskTitleMissing: () => ({ says: 'The task has no title.', next: 'Write in a few words what is to be done.' }),
}
