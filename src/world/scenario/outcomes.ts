// Outcome sets of the scenario. Keys are digits, so that one hand chooses.
import { toOutcomeSetId } from '@/core/ids'
import type { OutcomeCode, OutcomeSet } from '@/core/outcomes'

const code = (
  key: string,
  id: string,
  label: string,
  means: string,
  more: Partial<OutcomeCode['counts']> & Partial<Pick<OutcomeCode, 'follows' | 'doubts'>> = {},
): OutcomeCode => {
  const { follows = 'nothing', doubts = [], ...counts } = more
  return { key, code: id, label, means, follows, doubts, counts: { contact: true, rightParty: true, conversion: false, final: true, ...counts } }
}

const HUNG_UP = code('8', 'caller-hung-up', 'Caller hung up', 'The caller left before their business was done.', { rightParty: false, final: false })
/** The script says that this was the right person after all. */
const WRONG = code('9', 'wrong-number', 'Wrong number', 'They meant to call somebody else.', {
  rightParty: false,
  follows: 'wrongNumber',
  doubts: [{ when: { field: 'speaking', is: 'booker' }, says: 'The script says that the person who booked was on the line. Was it a wrong number?' }],
})

export const OUTCOME_SETS: readonly OutcomeSet[] = [
  {
    id: toOutcomeSetId('outcomes_sailings'),
    name: 'Sailings',
    codes: [
      code('1', 'booking-changed', 'Booking changed', 'A booking was moved or amended during the call.', {
        conversion: true,
        doubts: [
          { when: { field: 'purpose', is: 'ask' }, says: 'The script says that they only asked something. Was a booking changed?' },
          { when: { field: 'confirmed', is: false }, says: 'The script says that they did not confirm the change. Was the booking changed?' },
        ],
      }),
      code('2', 'booking-made', 'New booking', 'A new sailing was booked during the call.', { conversion: true }),
      code('3', 'refund-requested', 'Refund requested', 'The caller gives up the sailing and wants the fare back.', {
        doubts: [{ when: { field: 'refundAgreed', is: false }, says: 'The script says that they did not agree to the terms. Do they give up the booking?' }],
      }),
      code('4', 'information', 'Information given', 'A question was answered and nothing was booked.'),
      code('5', 'callback-agreed', 'Callback agreed', 'We call them again at a time they named.', { final: false, follows: 'callback' }),
      code('6', 'passed-on', 'Passed on', 'The caller needs somebody outside the centre.', { final: false }),
      HUNG_UP,
      WRONG,
    ],
  },
  {
    id: toOutcomeSetId('outcomes_freight'),
    name: 'Freight',
    codes: [
      code('1', 'space-booked', 'Space booked', 'Deck space was booked or changed for a vehicle.', { conversion: true }),
      code('2', 'space-refused', 'No space', 'There was no room on the sailing they need.'),
      code('3', 'papers-missing', 'Papers missing', 'The load cannot travel until its papers are in order.', { final: false }),
      code('4', 'information', 'Information given', 'A question was answered and nothing was booked.'),
      code('5', 'callback-agreed', 'Callback agreed', 'We call them again at a time they named.', { final: false, follows: 'callback' }),
      HUNG_UP,
      WRONG,
    ],
  },
  {
    id: toOutcomeSetId('outcomes_disruption'),
    name: 'Disruption',
    codes: [
      code('1', 'rebooked', 'Rebooked', 'The caller travels on another sailing.', { conversion: true }),
      code('2', 'refund-requested', 'Refund requested', 'The caller gives up the sailing and wants the fare back.'),
      code('3', 'will-wait', 'Will wait', 'The caller keeps the booking and waits for news.', { final: false }),
      code('4', 'told-status', 'Told the status', 'The sailing runs, or its delay was explained.'),
      code('5', 'callback-agreed', 'Callback agreed', 'We call them when the route reopens.', { final: false, follows: 'callback' }),
      HUNG_UP,
      WRONG,
    ],
  },
  {
    id: toOutcomeSetId('outcomes_assistance'),
    name: 'Assistance',
    codes: [
      code('1', 'help-arranged', 'Help arranged', 'Help at boarding is booked for a named sailing.', { conversion: true }),
      code('2', 'help-changed', 'Help changed', 'Help that was booked already was changed.', { conversion: true }),
      code('3', 'port-to-call', 'Port will call', 'The port must confirm before we can promise.', { final: false, follows: 'callback' }),
      code('4', 'information', 'Information given', 'A question was answered and nothing was arranged.'),
      HUNG_UP,
      WRONG,
    ],
  },
  {
    id: toOutcomeSetId('outcomes_outside'),
    name: 'Calls dialled by hand',
    codes: [
      code('1', 'reached', 'Reached', 'The person we wanted was on the line.'),
      code('2', 'message-left', 'Message left', 'Somebody else or a machine took a message.', { rightParty: false, final: false }),
      code('3', 'no-answer', 'No answer', 'It rang and nobody answered.', { contact: false, rightParty: false, final: false, follows: 'retry' }),
      code('4', 'busy', 'Busy', 'The line was busy.', { contact: false, rightParty: false, final: false, follows: 'retry' }),
      code('5', 'callback-agreed', 'Callback agreed', 'We call again at a time they named.', { final: false, follows: 'callback' }),
      code('7', 'never-call', 'Never call again', 'They asked us not to call them again.', { follows: 'neverCall' }),
      WRONG,
    ],
  },
]
