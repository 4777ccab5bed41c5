// How every script opens: who this is, whether it is the right person, and a branch for each way that can go.
import type { Page, Say } from '@/core/scripts'
import { choice, moment, page, when, yesNo } from './builders'

interface Opening {
  readonly greets: readonly Say[]
  /** The page that follows with the right person on the line. */
  readonly onward: string
  /** The page for somebody who calls for them. */
  readonly behalf: string
  /** Outcome codes of the set for who is not there, and for who does not want to talk. */
  readonly notThere: string
  readonly noTime: string
}

export const opening = ({ greets, onward, behalf, notThere, noTime }: Opening): readonly Page[] => [
  page('greeting', 'Greeting', {
    say: [
      ...greets,
      { text: 'Am I speaking with {caller.name|the right person}?', when: { field: 'caller.known', is: true } },
      { text: 'Am I speaking with the person who made the booking?', when: { field: 'caller.known', is: false } },
    ],
    direction: 'Let them finish. Most callers say what they want before you ask.',
    questions: [
      choice('speaking', 'Who is on the line', {
        booker: 'The person who booked',
        fetched: 'They fetch the person',
        someoneElse: 'Somebody calling for them',
        notThere: 'The person is not there',
        wrongNumber: 'They meant another number',
        noTime: 'They do not want to talk',
        machine: 'A machine',
      }),
    ],
    ways: when('speaking', {
      booker: onward,
      fetched: 'fetched',
      someoneElse: behalf,
      notThere: 'not-there',
      wrongNumber: 'wrong-number',
      noTime: 'no-time',
      machine: 'machine',
    }),
  }),
  page('fetched', 'The right person comes', {
    say: ['Thank you, I will wait.[pause]Good day, this is {agent.firstName} of Fennholm Line. Am I speaking with {caller.name|the person who booked}?'],
    questions: [yesNo('rightPerson', 'It is the right person')],
    ways: [
      { when: { field: 'rightPerson', is: true }, to: onward },
      { when: { field: 'rightPerson', is: false }, to: 'not-there' },
    ],
  }),
  page('not-there', 'Not there', {
    say: ['When would be a good time to reach them? I will call again then.'],
    questions: [moment('tryAgain', 'Try again at')],
    suggests: [notThere],
  }),
  page('no-time', 'Does not want to talk', {
    say: ['I understand. Thank you for telling me, and good-bye.'],
    direction: 'Do not press. If they ask never to be called again, code it so.',
    suggests: [noTime],
  }),
  page('machine', 'A machine', {
    say: ['Good day, this is {agent.firstName} of Fennholm Line with a message for {caller.name|you}.[pause]Please call us back when it suits you. Thank you.'],
    direction: 'Say nothing of the booking: anybody may hear it.',
    suggests: [notThere],
  }),
  page('wrong-number', 'Wrong number', { say: ['You have reached Fennholm Line, the ferry company. No harm done. Good-bye.'], suggests: ['wrong-number'] }),
]

/** Somebody who calls for another: their name, and whether they may. */
export const onBehalf = (onward: string, otherwise: string): Page =>
  page('behalf', 'Calling for somebody else', {
    say: ['Thank you. May I have your own name, and does the person who booked know that you are calling?'],
    questions: [{ kind: 'text', field: 'callerIs', label: 'Name of the caller', shape: null }, yesNo('mayAct', 'The booker agrees')],
    ways: [
      { when: { field: 'mayAct', is: true }, to: onward },
      { when: null, to: otherwise },
    ],
  })
