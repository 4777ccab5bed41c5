// What is said by people and machines whatever the queue.
import type { Words } from '@/world'
import { FREIGHT, SAILINGS } from './queue-ids'

export const WORDS: Words = {
  dialled: [
    ['Hello?', 'Yes, hello?', 'Good day, who is calling?'],
    ['Yes, that is me.', 'Speaking.', 'That is right.'],
    ['Oh, the ferry. Yes, go on.', 'I see. And what does that mean for me?', 'Good of you to ring.'],
    ['That is fine by me.', 'All right, let us do that.', 'Yes, please.'],
    ['Thank you for the call. Good-bye.', 'Thanks. Bye.', 'Good-bye.'],
  ],
  wrongNumber: [
    ['Hello, is that the chemist in the High Street?', 'Good day. Is my prescription ready?'],
    ['Oh, I am sorry. I have the wrong number. Good-bye.'],
  ],
  noBooking: 'I do not have it at hand',
  fedUp: 'I cannot wait any longer. Good-bye.',
  machine: 'You have reached an answering machine. Please speak after the tone.',
  messages: [
    { of: null, says: ['Hello, it is about my crossing next week.', 'Could you call me back when you are in? Thank you.'] },
    { of: null, says: ['Good evening. You rang me this afternoon, and I missed it.', 'I am at home all morning tomorrow. Good-bye.'] },
    { of: null, says: ['It is me again, about the refund.', 'The money is there now, so you need not call back. Thank you.'] },
    { of: SAILINGS, says: ['Hello. We would like to take the early boat instead, if there is room.', 'Please call me back. Thank you.'] },
    { of: SAILINGS, says: ['Good evening. Is there still room for a car on Saturday?', 'Two adults, one child and the dog. Please call me back.'] },
    { of: FREIGHT, says: ['Good evening. The lorry is two metres longer than we booked.', 'Please call me back before the morning boat.'] },
    { of: FREIGHT, says: ['It is about twelve sheep for the Thursday boat.', 'I need to know when they must be there. Thank you.'] },
  ],
  writtenBack: [
    'Yes, go on.',
    'The harbour office says half past four at the earliest.',
    'I would book them on the early boat and leave the evening one open.',
    'Have a look at the notes of this morning, there was one like it.',
    'Give me a minute, I am just finishing.',
  ],
  colleague: ['Yes, what have you got?', 'Go on, I am listening.', 'Is it about the late boat?', 'I have a minute. What is it?'],
  stranger: ['Hello?', 'Yes, who is it?', 'Good day.'],
  notOnTheMenu: 'That is not on offer.',
}
