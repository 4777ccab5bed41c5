// Change of booking: find it, move it, or give it up by the terms.
import { toScriptId } from '@/core/ids'
import type { Script } from '@/core/scripts'
import { choice, disclosure, page, ROUTES, reference, several, text, to, when, yes, yesNo } from './builders'
import { onBehalf, opening } from './opening'

export const SAILINGS: Script = {
  id: toScriptId('script_sailings'),
  version: 2,
  name: 'Change of booking',
  startPage: 'greeting',
  pages: [
    ...opening({
      greets: ['Fennholm Line, good day. This is {agent.firstName}.'],
      onward: 'purpose',
      behalf: 'behalf',
      notThere: 'callback-agreed',
      noTime: 'caller-hung-up',
    }),
    onBehalf('purpose', 'cannot-act'),
    page('purpose', 'What brings them', {
      say: ['How may I help you, {caller.firstName|}?'],
      questions: [
        choice('purpose', 'They want to', {
          change: 'Change a booking',
          book: 'Book a sailing',
          cancel: 'Give up a booking',
          ask: 'Ask something',
        }),
      ],
      ways: when('purpose', { change: 'find-booking', book: 'new-booking', cancel: 'refund', ask: 'answer' }),
    }),
    page('find-booking', 'Find the booking', {
      say: ['I will find it for you. What is the booking reference? It begins with F L and has six digits.'],
      direction: 'It is in the record beside this page when the number is known.',
      questions: [reference('reference', 'Booking reference')],
      ways: to('new-sailing'),
    }),
    page('new-sailing', 'The new sailing', {
      say: ['Thank you, I have booking {answers.reference|}.', 'To which day and sailing shall I move it? There is *no fee* up to six hours before departure.'],
      questions: [choice('route', 'Route', ROUTES), text('newSailing', 'New day and time')],
      ways: to('confirm'),
    }),
    page('new-booking', 'A new sailing', {
      say: ['With pleasure. From where to where, on which day, and who travels?'],
      questions: [
        text('newSailing', 'Day, time and party'),
        several('extras', 'They bring', { car: 'A car', bicycle: 'A bicycle', dog: 'A dog', trailer: 'A trailer' }),
      ],
      ways: to('confirm'),
    }),
    page('confirm', 'Confirm', {
      say: ['So that is {answers.newSailing|the sailing we spoke of}. Is that right?', 'You will have the confirmation by text message within a few minutes.'],
      questions: [yesNo('confirmed', 'They confirm')],
      ways: yes('confirmed', 'close', 'purpose'),
    }),
    page('refund', 'Giving up a booking', {
      sensitive: true,
      say: ['I am sorry to hear it. Before I do that I have to read you the terms.'],
      readingMs: 45_000,
      questions: [
        disclosure(
          'termsRead',
          'Terms of giving up',
          'If you give up the booking now, three quarters of the fare come back to the card you paid with, within ten days. A booking that was given up cannot be taken back.',
        ),
        reference('reference', 'Booking reference'),
        yesNo('refundAgreed', 'They agree to the terms'),
      ],
      ways: yes('refundAgreed', 'close-refund', 'answer'),
    }),
    page('answer', 'Answer the question', {
      say: ['Let me look that up for you.'],
      direction: 'Timetable, fares, luggage, dogs and bicycles are on the notice board. Write down what they asked.',
      questions: [text('question', 'What they asked')],
      ways: to('close-information'),
    }),
    page('cannot-act', 'No agreement', {
      say: ['Then I may not change the booking, but I can tell you about sailings. Would you ask {caller.name|the booker} to call us?'],
      suggests: ['information', 'passed-on'],
    }),
    page('close', 'Close: booked', {
      say: ['That is done. Is there anything else I can do for you? … Then have a good crossing.'],
      suggests: ['booking-changed', 'booking-made'],
    }),
    page('close-refund', 'Close: refund', { say: ['The refund is on its way. We hope to see you aboard another time.'], suggests: ['refund-requested'] }),
    page('close-information', 'Close: answered', { say: ['I hope that helps. Have a good day.'], suggests: ['information', 'callback-agreed'] }),
  ],
}
