// Scripts of the scenario, written to be read aloud.
import { toScriptId } from '@/core/ids'
import type { Page, Question, Script } from '@/core/scripts'

const page = (id: string, title: string, rest: Partial<Page>): Page => ({
  id,
  title,
  say: [],
  direction: null,
  questions: [],
  ways: [],
  suggests: [],
  sensitive: false,
  readingMs: null,
  ...rest,
})
const choice = (field: string, label: string, options: Record<string, string>): Question => ({
  kind: 'choice',
  field,
  label,
  options: Object.entries(options).map(([value, text]) => ({ value, label: text })),
})
const yesNo = (field: string, label: string): Question => ({ kind: 'yesNo', field, label })
const text = (field: string, label: string): Question => ({ kind: 'text', field, label, shape: null })
const reference = (field: string, label: string): Question => ({ kind: 'text', field, label, shape: { pattern: 'FL-?\\d{6}', example: 'FL-204816' } })
const to = (target: string): Page['ways'] => [{ when: null, to: target }]
const when = (field: string, ways: Record<string, string>): Page['ways'] => Object.entries(ways).map(([is, target]) => ({ when: { field, is }, to: target }))
const yes = (field: string, target: string, otherwise: string): Page['ways'] => [
  { when: { field, is: true }, to: target },
  { when: { field, is: false }, to: otherwise },
]

const SAILINGS: Script = {
  id: toScriptId('script_sailings'),
  version: 1,
  name: 'Change of booking',
  startPage: 'greeting',
  pages: [
    page('greeting', 'Greeting', {
      say: ['Fennholm Line, good day. This is {agent.firstName}.', 'Am I speaking with {caller.name|the person who made the booking}?'],
      direction: 'Let them finish. Most callers say what they want before you ask.',
      questions: [
        choice('speaking', 'Who is on the line', {
          booker: 'The person who booked',
          someoneElse: 'Somebody calling for them',
          wrongNumber: 'They meant another number',
        }),
      ],
      ways: when('speaking', { booker: 'purpose', someoneElse: 'behalf', wrongNumber: 'wrong-number' }),
    }),
    page('behalf', 'Calling for somebody else', {
      say: ['Thank you. May I have your own name, and does the person who booked know that you are calling?'],
      questions: [text('callerIs', 'Name of the caller'), yesNo('mayAct', 'The booker agrees')],
      ways: yes('mayAct', 'purpose', 'cannot-act'),
    }),
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
      say: ['Thank you, I have booking {answers.reference|}.', 'To which day and sailing shall I move it? There is no fee up to six hours before departure.'],
      questions: [
        choice('route', 'Route', {
          arnmoorSkarvey: 'Arnmoor – Skarvey',
          arnmoorOskerry: 'Arnmoor – Oskerry',
          skarveyTarn: 'Skarvey – Little Tarn',
          hytheArnmoor: 'Great Hythe – Arnmoor',
        }),
        text('newSailing', 'New day and time'),
      ],
      ways: to('confirm'),
    }),
    page('new-booking', 'A new sailing', {
      say: ['With pleasure. From where to where, on which day, and who travels?'],
      questions: [text('newSailing', 'Day, time and party'), yesNo('vehicle', 'They bring a vehicle')],
      ways: to('confirm'),
    }),
    page('confirm', 'Confirm', {
      say: ['So that is {answers.newSailing|the sailing we spoke of}. Is that right?', 'You will have the confirmation by text message within a few minutes.'],
      questions: [yesNo('confirmed', 'They confirm')],
      ways: yes('confirmed', 'close', 'purpose'),
    }),
    page('refund', 'Giving up a booking', {
      sensitive: true,
      say: [
        'I am sorry to hear it. If you give up the booking now, three quarters of the fare come back to the card you paid with, within ten days.',
        'Shall I do that?',
      ],
      questions: [reference('reference', 'Booking reference'), yesNo('refundAgreed', 'They agree to the terms')],
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
    page('close', 'Close', {
      say: ['That is done. Is there anything else I can do for you? … Then have a good crossing.'],
      suggests: ['booking-changed', 'booking-made'],
    }),
    page('close-refund', 'Close', { say: ['The refund is on its way. We hope to see you aboard another time.'], suggests: ['refund-requested'] }),
    page('close-information', 'Close', { say: ['I hope that helps. Have a good day.'], suggests: ['information', 'callback-agreed'] }),
    page('wrong-number', 'Wrong number', { say: ['You have reached Fennholm Line, the ferry company. No harm done. Good-bye.'], suggests: ['wrong-number'] }),
  ],
}

const DISRUPTION: Script = {
  id: toScriptId('script_disruption'),
  version: 1,
  name: 'Late and cancelled sailings',
  startPage: 'greeting',
  pages: [
    page('greeting', 'Greeting', {
      say: ['Fennholm Line, this is {agent.firstName}. I am sorry that you had to call about this.', 'Which sailing are you booked on?'],
      questions: [
        choice('route', 'Route', {
          arnmoorSkarvey: 'Arnmoor – Skarvey',
          arnmoorOskerry: 'Arnmoor – Oskerry',
          skarveyTarn: 'Skarvey – Little Tarn',
          hytheArnmoor: 'Great Hythe – Arnmoor',
        }),
        choice('sailingIs', 'That sailing is', { runs: 'Running', late: 'Late', cancelled: 'Cancelled' }),
      ],
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
      say: [
        'That sailing does not run today, because the sea is too high to come alongside safely.',
        'You may travel on any later sailing within fourteen days at no cost, or have the whole fare back. Which would you like?',
      ],
      direction: 'Read both terms in full before you take an answer.',
      questions: [choice('wish', 'They will', { move: 'Move to another sailing', refund: 'Have the fare back', wait: 'Wait for news' })],
      ways: when('wish', { wait: 'will-wait', move: 'rebook', refund: 'refund' }),
    }),
    page('rebook', 'Move the booking', {
      say: ['I will find you the next place. How many of you are there, and do you bring a vehicle?'],
      questions: [reference('reference', 'Booking reference'), text('newSailing', 'New day and time')],
      ways: to('close-rebooked'),
    }),
    page('refund', 'Fare back', {
      say: ['The whole fare comes back to the card you paid with, within ten days. I need the booking reference.'],
      questions: [reference('reference', 'Booking reference')],
      ways: to('close-refund'),
    }),
    page('will-wait', 'They wait', { say: ['We will send you a text message as soon as there is news.'], suggests: ['will-wait', 'callback-agreed'] }),
    page('close-rebooked', 'Close', { say: ['You are on {answers.newSailing|the later sailing}. Travel safely.'], suggests: ['rebooked'] }),
    page('close-refund', 'Close', { say: ['That is arranged. We are sorry about the lost journey.'], suggests: ['refund-requested'] }),
  ],
}

const ASSISTANCE: Script = {
  id: toScriptId('script_assistance'),
  version: 1,
  name: 'Help at boarding',
  startPage: 'greeting',
  pages: [
    page('greeting', 'Greeting', {
      say: ['Fennholm Line boarding help, this is {agent.firstName}.', 'Is the help for you, or for somebody you travel with?'],
      direction: 'Speak slowly. Some callers use a relay service: leave time for it.',
      questions: [choice('helpFor', 'Help is for', { caller: 'The caller', other: 'Somebody else' })],
      ways: to('need'),
    }),
    page('need', 'What is needed', {
      sensitive: true,
      say: ['What would make boarding easy? There is no need to tell me why.'],
      questions: [
        choice('need', 'They need', {
          ramp: 'A ramp and no stairs',
          chair: 'A wheelchair at the quay',
          guide: 'Somebody to walk with them',
          vehicle: 'To board first, in a vehicle',
        }),
      ],
      ways: to('sailing'),
    }),
    page('sailing', 'Which sailing', {
      say: ['On which booking, please? Then I will tell the port.'],
      questions: [reference('reference', 'Booking reference'), yesNo('inTime', 'More than four hours from now')],
      ways: yes('inTime', 'arranged', 'ask-port'),
    }),
    page('arranged', 'Arranged', {
      say: ['That is arranged. Please ring the blue bell at the quay thirty minutes before, and somebody comes to you.'],
      suggests: ['help-arranged', 'help-changed'],
    }),
    page('ask-port', 'Ask the port', {
      say: ['That is soon. The port must confirm, and will call you back within half an hour. Is this number the right one?'],
      questions: [yesNo('numberRight', 'The number is right')],
      ways: to('close'),
    }),
    page('close', 'Close', { say: ['Thank you. The port will call you.'], suggests: ['port-to-call'] }),
  ],
}

const FREIGHT: Script = {
  id: toScriptId('script_freight'),
  version: 1,
  name: 'Freight space',
  startPage: 'greeting',
  pages: [
    page('greeting', 'Greeting', {
      say: ['Fennholm Line freight, {agent.firstName} speaking. What are we carrying today?'],
      questions: [
        choice('load', 'Load', { lorry: 'Lorry', trailer: 'Trailer without driver', livestock: 'Livestock', horseBox: 'Horse box' }),
        text('lengthAndWeight', 'Length and weight'),
      ],
      ways: [
        { when: { field: 'load', is: 'livestock' }, to: 'papers' },
        { when: { field: 'load', is: 'horseBox' }, to: 'papers' },
        { when: null, to: 'space' },
      ],
    }),
    page('papers', 'Animals aboard', {
      say: ['For animals I need to know: are the movement papers signed, and does somebody travel with them?'],
      questions: [yesNo('papers', 'Papers are signed'), yesNo('attended', 'Somebody travels with them')],
      ways: yes('papers', 'space', 'no-papers'),
    }),
    page('space', 'Space', {
      say: ['On which sailing do you need the space?'],
      questions: [text('newSailing', 'Day and sailing'), yesNo('space', 'There is room')],
      ways: yes('space', 'booked', 'full'),
    }),
    page('booked', 'Booked', { say: ['You have the space. Be at the weighbridge one hour before.'], suggests: ['space-booked'] }),
    page('full', 'Full', {
      say: ['I am sorry, that deck is full. Shall I ring you if somebody gives up their place?'],
      suggests: ['space-refused', 'callback-agreed'],
    }),
    page('no-papers', 'No papers', { say: ['Then I may not take them aboard yet. Please call again when the vet has signed.'], suggests: ['papers-missing'] }),
  ],
}

export const SCRIPTS: readonly Script[] = [SAILINGS, FREIGHT, DISRUPTION, ASSISTANCE]
