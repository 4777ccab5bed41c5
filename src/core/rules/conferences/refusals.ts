// Why a conference is not arranged, or somebody does not come into it, and what is said of it.
import type { CallRefusal } from '@/core/calls'
import type { WordsOf } from '@/core/refusal'
import type { RightsRefusal } from '@/core/rules/rights'
import type { AnyRefusal } from '@/core/rules/rule'
import type { ShiftRefusal } from '@/core/rules/shift'

export type ConferenceRefusal =
  | { readonly reason: 'conferenceUntitled' }
  | { readonly reason: 'conferencePast' }
  | { readonly reason: 'conferenceZoneUnknown'; readonly timeZone: string }
  | { readonly reason: 'invitedUnknown' }
  | { readonly reason: 'noSuchConference' }
  | { readonly reason: 'conferenceOver' }
  | { readonly reason: 'conferenceChanged' }
  | { readonly reason: 'notYourConference'; readonly host: string }
  | { readonly reason: 'notInvited'; readonly host: string }
  | { readonly reason: 'conferenceNotYet'; readonly opensInMs: number }
  | { readonly reason: 'alreadyInConference' }
  | { readonly reason: 'noConferenceLine' }
  | { readonly reason: 'notOnConferenceLine' }

/** All that may come of a rule of this room. */
export type RulingRefusal = ConferenceRefusal | AnyRefusal | RightsRefusal | CallRefusal | ShiftRefusal

export const CONFERENCE_WORDS: WordsOf<ConferenceRefusal> = {
  conferenceUntitled: () => ({ says: 'It has no title.', next: 'Write what it is about; that is what whoever is invited reads.' }),
  conferencePast: () => ({ says: 'It would be over already.', next: 'Choose a time that is still to come.' }),
  conferenceZoneUnknown: (refusal) => ({ says: `Nobody knows the time zone ${refusal.timeZone}.`, next: 'Choose one of the list.' }),
  invitedUnknown: () => ({ says: 'Somebody who is invited is not there any more.', next: 'Take them out and invite somebody else.' }),
  noSuchConference: () => ({ says: 'There is no such conference.', next: 'Past ones are kept for a month.' }),
  conferenceOver: () => ({ says: 'It is over, or was called off.', next: 'Arrange another one.' }),
  conferenceChanged: () => ({ says: 'Somebody changed it while you were writing.', next: 'Look at how it stands now, and keep yours over it, or close.' }),
  notYourConference: (refusal) => ({ says: `${refusal.host} has arranged it.`, next: 'Ask them, or a supervisor, to change it.' }),
  notInvited: (refusal) => ({ says: 'You are not invited.', next: `Ask ${refusal.host} for the code, and dial in with it.` }),
  conferenceNotYet: (refusal) => ({
    says: `It opens in ${Math.ceil(refusal.opensInMs / 60_000)} min.`,
    next: 'From fifteen minutes before it begins it can be joined.',
  }),
  alreadyInConference: () => ({ says: 'You are in it already.', next: 'Go on talking.' }),
  noConferenceLine: () => ({ says: 'This centre has no number for conferences.', next: 'Whoever keeps the set-up can give it one.' }),
  notOnConferenceLine: () => ({ says: 'Nobody there asks for a code.', next: 'Dial the number of conferences first.' }),
}
