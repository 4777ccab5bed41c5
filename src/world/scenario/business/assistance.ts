// Help on the way aboard.
import { SECOND } from '@/core/time'
import type { Business } from '@/world'
import { SPEAKING, wrongNumber } from './any'

export const assistance: Business = {
  medianMs: 225 * SECOND,
  intents: [
    { wants: 'help', weight: 62, paths: null, answers: { ...SPEAKING, inTime: true }, code: 'help-arranged' },
    { wants: 'change', weight: 18, paths: null, answers: { ...SPEAKING, inTime: true }, code: 'help-changed' },
    { wants: 'soon', weight: 12, paths: null, answers: { ...SPEAKING, inTime: false, numberRight: true }, code: 'port-to-call' },
    { wants: 'ask', weight: 7, paths: null, answers: SPEAKING, code: 'information', pages: 1 },
    wrongNumber,
  ],
  lines: [
    ['Hello. I need a little help to get on board.', 'Good morning, it is for my mother. She cannot do stairs.', 'Hello, I travel with a wheelchair.'],
    ['A ramp, if there is one.', 'Somebody to walk with her would be kind.', 'A chair at the quay, please.'],
    ['The booking is {booking}.', 'It says {booking} on the letter.', '{booking}.'],
    ['No, it is not until the weekend.', 'It is tomorrow morning.', 'In three hours, I am afraid.'],
    ['That is very kind.', 'Oh, good. Thank you.', 'Thank you so much.'],
    ['Good-bye, dear.', 'Bye, and thank you.', 'Thanks. Good-bye.'],
  ],
  instead: {
    help: { 3: ['No, it is not until the weekend.', 'It is tomorrow morning.'] },
    change: { 0: ['Hello. You have arranged help for me, and now we travel a day later.'], 3: ['It is tomorrow morning.'] },
    soon: { 3: ['In three hours, I am afraid.'] },
    ask: { 0: ['Hello. Is there a lift on the boat?'], 1: ['From the car deck, I mean.'], 3: ['That is all I wanted to know.'] },
  },
}
