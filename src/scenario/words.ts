// What is said by people and machines whatever the queue.
import type { Words } from '@/world'

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
  message: 'It is about my crossing. Please call me back. Thank you.',
  colleague: ['Yes, what have you got?', 'Go on, I am listening.', 'Is it about the late boat?', 'I have a minute. What is it?'],
  stranger: ['Hello?', 'Yes, who is it?', 'Good day.'],
  notOnTheMenu: 'That is not on offer.',
}
