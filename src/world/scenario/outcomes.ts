// Outcome sets of the scenario. Keys are digits, so that one hand chooses.
import { toOutcomeSetId } from '@/core/ids'
import type { OutcomeCode, OutcomeSet } from '@/core/outcomes'
import { DAY, HOUR } from '@/core/time'

type More = Partial<OutcomeCode['counts']> & Partial<Pick<OutcomeCode, 'follows' | 'doubts' | 'needs' | 'onlyDialled'>>

const DONE = 'Done'
const LATER = 'To be continued'
const NOT = 'Not reached'

const code = (key: string, id: string, label: string, group: string, means: string, more: More = {}): OutcomeCode => {
  const { follows = { kind: 'nothing' }, doubts = [], needs = { notes: false, field: null }, onlyDialled = false, ...counts } = more
  return {
    key,
    code: id,
    label,
    group,
    means,
    needs,
    follows,
    onlyDialled,
    doubts,
    retired: false,
    counts: { contact: true, rightParty: true, conversion: false, final: true, ...counts },
  }
}

const CALLBACK = { final: false, follows: { kind: 'callback' } } as const
const AGAIN = { contact: false, rightParty: false, final: false, follows: { kind: 'retry', afterMs: 2 * HOUR, atMost: 3 } } as const

const HUNG_UP = code('8', 'caller-hung-up', 'Caller hung up', NOT, 'The caller left before their business was done.', { rightParty: false, final: false })
/** The script says that this was the right person after all. */
const WRONG = code('9', 'wrong-number', 'Wrong number', NOT, 'They meant to call somebody else, or the number is not theirs.', {
  rightParty: false,
  follows: { kind: 'wrongNumber' },
  doubts: [{ when: { field: 'speaking', is: 'booker' }, says: 'The script says that the person who booked was on the line. Was it a wrong number?' }],
})
/** Of a callback that was made for a queue. */
const NOBODY = code('7', 'no-answer', 'Nobody answered', NOT, 'We called back and nobody answered.', { ...AGAIN, onlyDialled: true })

/** Codes of every call of a campaign. */
const calledOf = (afterMs: number): readonly OutcomeCode[] => [
  code('4', 'never-call', 'Never call again', DONE, 'They asked us not to call them again, on any number.', { follows: { kind: 'neverCall', whom: 'person' } }),
  code('5', 'not-there', 'Not there', LATER, 'Somebody else answered; the person is to be tried again.', {
    rightParty: false,
    final: false,
    follows: { kind: 'retry', afterMs, atMost: 12, asksUntil: true },
  }),
  code('6', 'callback-agreed', 'Callback agreed', LATER, 'We call them again at a time they named.', CALLBACK),
  code('7', 'message-left', 'Machine', NOT, 'A machine answered, with or without a message left.', {
    contact: false,
    rightParty: false,
    final: false,
    follows: { kind: 'retry', afterMs, atMost: 12 },
  }),
  code('8', 'no-answer', 'Nobody answered', NOT, 'It rang and nobody answered, or the line was busy.', { contact: false, rightParty: false, final: false }),
  code('9', 'wrong-number', 'Wrong number', NOT, 'Nobody of that name is there: the next number is tried, if there is one.', {
    rightParty: false,
    final: false,
    follows: { kind: 'wrongNumber' },
    doubts: [{ when: { field: 'speaking', is: 'booker' }, says: 'The script says that the right person was on the line. Was it a wrong number?' }],
  }),
]

export const OUTCOME_SETS: readonly OutcomeSet[] = [
  {
    id: toOutcomeSetId('outcomes_sailings'),
    name: 'Sailings',
    codes: [
      code('1', 'booking-changed', 'Booking changed', DONE, 'A booking was moved or amended during the call.', {
        conversion: true,
        doubts: [
          { when: { field: 'purpose', is: 'ask' }, says: 'The script says that they only asked something. Was a booking changed?' },
          { when: { field: 'confirmed', is: false }, says: 'The script says that they did not confirm the change. Was the booking changed?' },
        ],
      }),
      code('2', 'booking-made', 'New booking', DONE, 'A new sailing was booked during the call.', { conversion: true }),
      code('3', 'refund-requested', 'Refund requested', DONE, 'The caller gives up the sailing and wants the fare back.', {
        doubts: [{ when: { field: 'refundAgreed', is: false }, says: 'The script says that they did not agree to the terms. Do they give up the booking?' }],
      }),
      code('4', 'information', 'Information given', DONE, 'A question was answered and nothing was booked.'),
      code('5', 'callback-agreed', 'Callback agreed', LATER, 'We call them again at a time they named.', CALLBACK),
      code('6', 'passed-on', 'Passed on', LATER, 'Somebody outside the centre has to see to it.', {
        final: false,
        needs: { notes: true, field: null },
        follows: {
          kind: 'task',
          title: 'Call of {caller.name|a caller} on {caller.number|a withheld number}',
          text: '{call.path|No path} · {answers.question|see notes}',
          dueAfterMs: DAY,
          assignee: 'anybody',
        },
      }),
      NOBODY,
      HUNG_UP,
      WRONG,
    ],
  },
  {
    id: toOutcomeSetId('outcomes_freight'),
    name: 'Freight',
    codes: [
      code('1', 'space-booked', 'Space booked', DONE, 'Deck space was booked or changed for a vehicle.', { conversion: true }),
      code('2', 'space-refused', 'No space', DONE, 'There was no room on the sailing they need.'),
      code('3', 'papers-missing', 'Papers missing', LATER, 'The load cannot travel until its papers are in order.', {
        final: false,
        follows: {
          kind: 'task',
          title: 'Papers of {caller.name|the load} are missing',
          text: 'Load: {answers.lengthAndWeight|see notes}. Ask for the papers before the sailing closes.',
          dueAfterMs: DAY,
          assignee: 'agent',
        },
      }),
      code('4', 'information', 'Information given', DONE, 'A question was answered and nothing was booked.'),
      code('5', 'callback-agreed', 'Callback agreed', LATER, 'We call them again at a time they named.', CALLBACK),
      NOBODY,
      HUNG_UP,
      WRONG,
    ],
  },
  {
    id: toOutcomeSetId('outcomes_disruption'),
    name: 'Disruption',
    codes: [
      code('1', 'rebooked', 'Rebooked', DONE, 'The caller travels on another sailing.', { conversion: true }),
      code('2', 'refund-requested', 'Refund requested', DONE, 'The caller gives up the sailing and wants the fare back.', {
        doubts: [{ when: { field: 'wish', is: 'wait' }, says: 'The script says that they wait for news. Do they give up the sailing?' }],
      }),
      code('3', 'will-wait', 'Will wait', LATER, 'The caller keeps the booking and waits for news.', { final: false }),
      code('4', 'told-status', 'Told the status', DONE, 'The sailing runs, or its delay was explained.'),
      code('5', 'callback-agreed', 'Callback agreed', LATER, 'We call them when the route reopens.', CALLBACK),
      NOBODY,
      HUNG_UP,
      WRONG,
    ],
  },
  {
    id: toOutcomeSetId('outcomes_assistance'),
    name: 'Assistance',
    codes: [
      code('1', 'help-arranged', 'Help arranged', DONE, 'Help at boarding is booked for a named sailing.', { conversion: true }),
      code('2', 'help-changed', 'Help changed', DONE, 'Help that was booked already was changed.', { conversion: true }),
      code('3', 'port-to-call', 'Port will call', LATER, 'The port must confirm before we can promise; we call with its answer.', CALLBACK),
      code('4', 'information', 'Information given', DONE, 'A question was answered and nothing was arranged.'),
      NOBODY,
      HUNG_UP,
      WRONG,
    ],
  },
  {
    id: toOutcomeSetId('outcomes_winter'),
    name: 'Winter timetable',
    codes: [
      code('1', 'booking-moved', 'Booking moved', DONE, 'They travel on another sailing.', {
        conversion: true,
        doubts: [{ when: { field: 'wish', is: 'refund' }, says: 'The script says that they want the fare back. Was the booking moved?' }],
      }),
      code('2', 'fare-back', 'Fare back', DONE, 'They give the booking up and have the fare back.', {
        doubts: [{ when: { field: 'wish', is: 'take' }, says: 'The script says that they take the other sailing. Do they give the booking up?' }],
      }),
      code('3', 'knows-already', 'Knows already', DONE, 'They have moved the booking themselves.'),
      ...calledOf(3 * HOUR),
    ],
  },
  {
    id: toOutcomeSetId('outcomes_island-pass'),
    name: 'Island Pass renewal',
    codes: [
      code('1', 'renewed', 'Renewed', DONE, 'The pass runs for another year.', {
        conversion: true,
        doubts: [{ when: { field: 'wish', is: 'no' }, says: 'The script says that they let the pass end. Was it renewed?' }],
      }),
      code('2', 'declined', 'Declined', DONE, 'They let the pass end.', {
        doubts: [{ when: { field: 'wish', is: 'renew' }, says: 'The script says that they renew it. Did they decline?' }],
      }),
      code('3', 'moved-away', 'Moved away', DONE, 'They no longer live or travel here.'),
      ...calledOf(4 * HOUR),
    ],
  },
  {
    id: toOutcomeSetId('outcomes_outside'),
    name: 'Calls dialled by hand',
    codes: [
      code('1', 'reached', 'Reached', DONE, 'The person we wanted was on the line.'),
      code('2', 'message-left', 'Message left', LATER, 'Somebody else or a machine took a message.', { rightParty: false, final: false }),
      code('3', 'no-answer', 'No answer', NOT, 'It rang and nobody answered.', AGAIN),
      code('4', 'busy', 'Busy', NOT, 'The line was busy.', { ...AGAIN, follows: { kind: 'retry', afterMs: HOUR / 2, atMost: 5 } }),
      code('5', 'callback-agreed', 'Callback agreed', LATER, 'We call again at a time they named.', CALLBACK),
      code('6', 'never-call-number', 'Never call this number', DONE, 'Whoever answers there does not want our calls.', {
        rightParty: false,
        follows: { kind: 'neverCall', whom: 'number' },
      }),
      code('7', 'never-call', 'Never call again', DONE, 'They asked us not to call them again, on any number.', {
        follows: { kind: 'neverCall', whom: 'person' },
      }),
      WRONG,
    ],
  },
]
