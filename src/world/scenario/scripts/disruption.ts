// Late and cancelled sailings: the state, the rights, and what follows from them.
import { toScriptId } from '@/core/ids'
import type { Script } from '@/core/scripts'
import { choice, disclosure, number, page, ROUTES, reference, text, to, when } from './builders'
import { opening } from './opening'

export const DISRUPTION: Script = {
  id: toScriptId('script_disruption'),
  version: 2,
  name: 'Late and cancelled sailings',
  startPage: 'greeting',
  pages: [
    ...opening({
      greets: ['Fennholm Line, this is {agent.firstName}. I am sorry that you had to call about this.'],
      onward: 'sailing',
      behalf: 'sailing',
      notThere: 'callback-agreed',
      noTime: 'caller-hung-up',
    }),
    page('sailing', 'Which sailing', {
      say: ['Which sailing are you booked on?'],
      questions: [choice('route', 'Route', ROUTES), choice('sailingIs', 'That sailing is', { runs: 'Running', late: 'Late', cancelled: 'Cancelled' })],
      ways: when('sailingIs', { runs: 'runs', late: 'late', cancelled: 'rights' }),
    }),
    page('runs', 'It runs', { say: ['Good news: that sailing runs to time. Please be at the quay thirty minutes before.'], suggests: ['told-status'] }),
    page('late', 'It is late', {
      say: [
        'That sailing leaves late. Your booking stays as it is, and the café at the port is open to you at our expense.',
        'Will you wait, or shall I move you?',
      ],
      questions: [choice('wish', 'They will', { wait: 'Wait', move: 'Move to another sailing', refund: 'Have the fare back' })],
      ways: when('wish', { wait: 'will-wait', move: 'rebook', refund: 'refund' }),
    }),
    page('rights', 'It is cancelled: the terms', {
      say: ['That sailing does *not* run today, because the sea is too high to come alongside safely.'],
      direction: 'Read both terms in full before you take an answer.',
      questions: [
        disclosure(
          'rightsRead',
          'Your rights',
          'You may travel on any later sailing within fourteen days at no cost, or have the whole fare back. Which would you like?',
        ),
        choice('wish', 'They will', { move: 'Move to another sailing', refund: 'Have the fare back', wait: 'Wait for news' }),
      ],
      ways: when('wish', { wait: 'will-wait', move: 'rebook', refund: 'refund' }),
    }),
    page('rebook', 'Move the booking', {
      say: ['I will find you the next place. How many of you are there, and do you bring a vehicle?'],
      questions: [reference('reference', 'Booking reference'), number('people', 'How many travel', 1, 60), text('newSailing', 'New day and time')],
      ways: to('close-rebooked'),
    }),
    page('refund', 'Fare back', {
      sensitive: true,
      say: ['The whole fare comes back to the card you paid with, within ten days. I need the booking reference.'],
      questions: [reference('reference', 'Booking reference')],
      ways: to('close-refund'),
    }),
    page('will-wait', 'They wait', { say: ['We will send you a text message as soon as there is news.'], suggests: ['will-wait', 'callback-agreed'] }),
    page('close-rebooked', 'Close: rebooked', { say: ['You are on {answers.newSailing|the later sailing}. Travel safely.'], suggests: ['rebooked'] }),
    page('close-refund', 'Close: refund', { say: ['That is arranged. We are sorry about the lost journey.'], suggests: ['refund-requested'] }),
  ],
}
