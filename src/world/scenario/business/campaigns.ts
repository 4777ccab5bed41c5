// What those whom a campaign calls have to say.
import { SECOND } from '@/core/time'
import type { Business } from '@/world'
import { SPEAKING } from './any'

const NOT_THERE = { wants: 'notThere', weight: 22, paths: null, answers: { speaking: 'notThere' }, code: 'not-there' }
const SOMEBODY_ELSE = { wants: 'somebodyElse', weight: 5, paths: null, answers: { speaking: 'wrongNumber' }, code: 'wrong-number' }
const NEVER = { wants: 'never', weight: 3, paths: null, answers: { speaking: 'noTime' }, code: 'never-call' }

const BRIEFLY = {
  notThere: {
    1: ['No, she is out. Try after six.', 'He is at work until five, I am afraid.', 'Not here. I am the neighbour.'],
    2: ['Perhaps this evening.', 'Tomorrow would be better.'],
    3: ['I will say that you called.'],
    4: ['Good-bye.'],
  },
  somebodyElse: {
    1: ['There is nobody of that name here.', 'You have the wrong number.'],
    2: ['No, never heard of them.'],
    3: ['No harm done.'],
    4: ['Good-bye.'],
  },
  never: {
    1: ['Yes, but I do not want to be called about this.', 'Speaking. Please take me off your list.'],
    2: ['Never again, please.'],
    3: ['Thank you.'],
    4: ['Good-bye.'],
  },
}

export const winter: Business = {
  medianMs: 95 * SECOND,
  intents: [
    { wants: 'take', weight: 38, paths: null, answers: { ...SPEAKING, wish: 'take', confirmed: true }, code: 'booking-moved' },
    { wants: 'other', weight: 12, paths: null, answers: { ...SPEAKING, wish: 'other', found: true, confirmed: true }, code: 'booking-moved' },
    { wants: 'refund', weight: 9, paths: null, answers: { ...SPEAKING, wish: 'refund', termsRead: true }, code: 'fare-back' },
    { wants: 'think', weight: 11, paths: null, answers: { ...SPEAKING, wish: 'think' }, code: 'callback-agreed' },
    NOT_THERE,
    SOMEBODY_ELSE,
    NEVER,
  ],
  lines: [
    ['Hello?', 'Yes, hello?', 'Good day, who is calling?'],
    ['Yes, that is me.', 'Speaking. Is something wrong with our crossing?', 'That is right.'],
    ['Oh. And what is there instead?', 'I see. Two hours later would be all right.', 'Does the car still fit?'],
    ['Yes, that suits us.', 'All right, let us do that.', 'Good of you to ring.'],
    ['Thank you for the call. Good-bye.', 'Thanks. Bye.', 'Good-bye.'],
  ],
  instead: {
    ...BRIEFLY,
    other: { 3: ['Could it be the Saturday?', 'The morning boat, if there is room.'] },
    refund: { 3: ['Then I would rather have the money back.', 'No, that is no use to us. The fare back, please.'] },
    think: { 3: ['I must ask my wife first.', 'Let me think about it.'] },
  },
}

export const islandPass: Business = {
  medianMs: 75 * SECOND,
  intents: [
    { wants: 'renew', weight: 24, paths: null, answers: { ...SPEAKING, wish: 'renew', termsRead: true, confirmed: true }, code: 'renewed' },
    { wants: 'question', weight: 8, paths: null, answers: { ...SPEAKING, wish: 'renew', termsRead: true, confirmed: true }, code: 'renewed' },
    { wants: 'think', weight: 14, paths: null, answers: { ...SPEAKING, wish: 'think' }, code: 'callback-agreed' },
    { wants: 'no', weight: 22, paths: null, answers: { ...SPEAKING, wish: 'no' }, code: 'declined' },
    { wants: 'movedAway', weight: 2, paths: null, answers: { ...SPEAKING, wish: 'no' }, code: 'moved-away' },
    NOT_THERE,
    SOMEBODY_ELSE,
    NEVER,
  ],
  lines: [
    ['Hello?', 'Yes, hello?', 'Hello, who is it?'],
    ['Yes, that is me.', 'Speaking.', 'That is right.'],
    ['Ah yes, the pass.', 'Is it that time of year again?', 'I was going to ask about that.'],
    ['Yes, please renew it.', 'At the same price? Then yes.', 'All right.'],
    ['Thank you. Good-bye.', 'Thanks. Bye.', 'Good-bye.'],
  ],
  instead: {
    ...BRIEFLY,
    question: { 2: ['Does it take a bicycle as well?', 'And the dog?'] },
    think: { 3: ['Not now. Could you call again?', 'I have to look how often we went.'] },
    no: { 3: ['No, thank you. We hardly used it.', 'I shall let it end.'] },
    movedAway: { 3: ['We have moved to the mainland, so no.'] },
  },
}
