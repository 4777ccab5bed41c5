// The winter timetable has fewer sailings: whoever is booked on one that no longer runs is offered another.
import { toScriptId } from '@/core/ids'
import type { Script } from '@/core/scripts'
import { choice, disclosure, page, text, to, when, yes, yesNo } from './builders'
import { calling } from './calling'

export const WINTER: Script = {
  id: toScriptId('script_winter'),
  version: 1,
  name: 'Winter timetable',
  startPage: 'greeting',
  pages: [
    ...calling({
      greets: [],
      onward: 'news',
      message: 'Good day, this is {agent.firstName} of Fennholm Line with a message for {caller.name|you}. Please call us back when it suits you. Thank you.',
    }),
    page('news', 'The news', {
      say: [
        'I am calling about your crossing {record.oldSailing|in December}. From the first of December our winter timetable runs, and that sailing is *not* in it.',
        'I have kept a place for you on {record.newSailing|the next one}. Would that suit you?',
      ],
      direction: 'Booking {record.booking|see record}, {record.party|party as booked}.',
      questions: [choice('wish', 'They would', { take: 'Take it', other: 'Take another one', refund: 'Have the fare back', think: 'Think it over' })],
      ways: when('wish', { take: 'confirm', other: 'another', refund: 'refund', think: 'think' }),
    }),
    page('another', 'Another sailing', {
      say: ['Which day and time would you like? I will see what there is.'],
      questions: [text('newSailing', 'Day and sailing they want'), yesNo('found', 'There is room')],
      ways: yes('found', 'confirm', 'think'),
    }),
    page('confirm', 'Confirm', {
      say: ['Then your booking is moved, at the same price. You get a letter with the new time. Is there anything else?'],
      questions: [yesNo('confirmed', 'They confirm the change')],
      ways: yes('confirmed', 'close', 'think'),
    }),
    page('close', 'Close', { say: ['Thank you, {caller.firstName|}, and a good crossing.'], suggests: ['booking-moved'] }),
    page('refund', 'Fare back', {
      say: ['The whole fare comes back to the card you paid with, within ten days.'],
      questions: [disclosure('termsRead', 'Terms', 'Once the fare is paid back, the booking is given up and its place goes to somebody else. Do you agree?')],
      ways: to('close-refund'),
    }),
    page('close-refund', 'Close: fare back', { say: ['That is arranged. We hope to see you in the spring.'], suggests: ['fare-back'] }),
    page('think', 'They think it over', {
      say: ['Of course. The place is kept until Sunday. When may I call you again?'],
      suggests: ['callback-agreed'],
    }),
  ],
}
