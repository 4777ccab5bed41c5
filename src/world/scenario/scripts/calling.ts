// How every script of a campaign opens: who calls and why, whether it is the right person, and a branch for each way that can go.
import type { Page, Say } from '@/core/scripts'
import { choice, moment, page, when, yesNo } from './builders'

interface Calling {
  /** Who calls and why, in a sentence. */
  readonly greets: readonly Say[]
  /** The page that follows with the right person on the line. */
  readonly onward: string
  /** Said to a machine. */
  readonly message: string
}

export const calling = ({ greets, onward, message }: Calling): readonly Page[] => [
  page('greeting', 'Greeting', {
    say: ['Good day, this is {agent.firstName} of Fennholm Line. Am I speaking with {caller.name|the right person}?', ...greets],
    direction: 'Ask first, and say what it is about only to the right person.',
    questions: [
      choice('speaking', 'Who is on the line', {
        booker: 'The right person',
        fetched: 'They fetch the person',
        notThere: 'The person is not there',
        wrongNumber: 'Nobody of that name there',
        noTime: 'They do not want to talk',
        machine: 'A machine',
      }),
    ],
    ways: when('speaking', { booker: onward, fetched: 'fetched', notThere: 'not-there', wrongNumber: 'wrong-number', noTime: 'no-time', machine: 'machine' }),
  }),
  page('fetched', 'The right person comes', {
    say: ['Thank you, I will wait.[pause]Good day, this is {agent.firstName} of Fennholm Line. Am I speaking with {caller.name|the right person}?'],
    questions: [yesNo('rightPerson', 'It is the right person')],
    ways: [
      { when: { field: 'rightPerson', is: true }, to: onward },
      { when: { field: 'rightPerson', is: false }, to: 'not-there' },
    ],
  }),
  page('not-there', 'Not there', {
    say: ['Thank you. When would be a good time to reach {caller.firstName|them}?'],
    questions: [moment('tryAgain', 'Try again at')],
    suggests: ['not-there', 'callback-agreed'],
  }),
  page('no-time', 'Does not want to talk', {
    say: ['I understand. May I call at another time, or would you rather not be called about this again?'],
    direction: 'Do not press. If they ask never to be called again, code it so.',
    suggests: ['callback-agreed', 'never-call'],
  }),
  page('machine', 'A machine', { say: [message], direction: 'Say nothing of the booking: anybody may hear it.', suggests: ['message-left'] }),
  page('wrong-number', 'Wrong number', {
    say: ['I am sorry to have disturbed you. We will not call this number for them again. Good-bye.'],
    suggests: ['wrong-number'],
  }),
]
