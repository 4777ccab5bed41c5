// Travellers who book, change or give up a crossing.
import { SECOND } from '@/core/time'
import type { Business } from '@/world'
import { FREIGHT } from '@/world/scenario/people'
import { SPEAKING, wrongNumber } from './any'

const CHANGE = ['Change a booking']
const BOOK = ['Book a sailing']
const ELSE = ['Something else']

export const sailings: Business = {
  medianMs: 230 * SECOND,
  intents: [
    { wants: 'change', weight: 44, paths: CHANGE, answers: { ...SPEAKING, purpose: 'change', confirmed: true }, code: 'booking-changed' },
    { wants: 'book', weight: 22, paths: BOOK, answers: { ...SPEAKING, purpose: 'book', confirmed: true }, code: 'booking-made' },
    { wants: 'refund', weight: 7, paths: CHANGE, answers: { ...SPEAKING, purpose: 'cancel', refundAgreed: true }, code: 'refund-requested' },
    { wants: 'keepAfterAll', weight: 1, paths: CHANGE, answers: { ...SPEAKING, purpose: 'cancel', refundAgreed: false }, code: 'information' },
    { wants: 'ask', weight: 15, paths: ELSE, answers: { ...SPEAKING, purpose: 'ask' }, code: 'information' },
    { wants: 'askLater', weight: 5, paths: ELSE, answers: { ...SPEAKING, purpose: 'ask' }, code: 'callback-agreed' },
    { wants: 'notThere', weight: 1, paths: CHANGE, answers: { speaking: 'notThere' }, code: 'callback-agreed' },
    { wants: 'mayNotAct', weight: 2, paths: CHANGE, answers: { speaking: 'someoneElse', mayAct: false }, code: 'passed-on' },
    { wants: 'freight', weight: 2, paths: BOOK, answers: { ...SPEAKING, purpose: 'ask' }, code: 'passed-on', belongsIn: FREIGHT, pages: 1 },
    wrongNumber,
  ],
  lines: [
    [
      'Hello. I have a sailing booked and I need to move it, please.',
      'Good morning. I think I booked the wrong day.',
      'Hello, is that the ferry? I want to change my crossing.',
    ],
    ['Yes, speaking. It is my own booking.', 'Yes, that is me.', 'That is right, I made it myself.'],
    ['The reference is {booking}.', 'I have it here: {booking}.', '{booking}, if I read it correctly.'],
    ['Could it be the next day, in the morning?', 'Saturday would suit us better.', 'Any later one, so long as the car fits.'],
    ['Yes, please. That is perfect.', 'That will do very well.', 'Lovely. Thank you.'],
    ['That was all. Good-bye!', 'You have been a great help. Good-bye.', 'Thanks. Bye, then.'],
  ],
  instead: {
    book: {
      0: ['Hello. I would like to book a crossing, please.', 'Good morning. Have you room for a car this week?'],
      2: ['From Arnmoor to Skarvey, two of us and a car.', 'To Great Hythe and back, one adult.'],
    },
    refund: {
      0: ['Hello. I have to give up a booking, I am afraid.', 'Good day. We cannot travel after all.'],
      3: ['Yes, I understand the terms.', 'I would like the fare back, please.'],
    },
    keepAfterAll: {
      0: ['Hello. What happens if I give up my booking?'],
      3: ['Oh, only three quarters. Then I will keep it.'],
      4: ['No, leave it as it is, please.'],
    },
    ask: {
      0: ['Good day. I only have a question.', 'Hello, can you tell me something about the crossing?'],
      2: ['Are dogs allowed on deck?', 'How early must a car be there?', 'When does the winter timetable begin?'],
      3: ['I see. And with a bicycle?', 'That is good to know.'],
      4: ['Then I know what I wanted to know.'],
    },
    askLater: {
      0: ['Hello. I want to know about the school fares in spring.'],
      2: ['It is for twenty-eight children.', 'For our whole club, about forty people.'],
      3: ['You do not have them yet? Could you ring me when you do?', 'Could somebody call me back about it?'],
    },
    notThere: { 0: ['My wife made the booking, and she is not here just now.'], 1: ['No, she is back tomorrow.'], 3: ['Could you ring her then?'] },
    mayNotAct: { 0: ['I call for a neighbour. It is to be a surprise.'], 1: ['No, he does not know that I call.'], 3: ['Then I will ask him to ring you.'] },
    freight: { 0: ['I have a lorry to get across. Am I right with you?'], 1: ['Oh. Would you put me through?'] },
  },
}
