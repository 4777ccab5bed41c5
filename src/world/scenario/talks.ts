// What people write to Fennholm Line about, and how it is answered.
import type { Talk } from '@/world'
import { ASSISTANCE, DISRUPTION, FREIGHT, SAILINGS } from './queue-ids'

export const TALKS: readonly Talk[] = [
  {
    of: SAILINGS,
    subject: 'Taking the dog to Skarvey',
    code: 'information',
    says: [
      'Hello, may I take my dog on the early boat to Skarvey on Saturday?',
      'She is small, a terrier. We are two adults without a car.',
      'And does she need a ticket of her own?',
      'Lovely. Thank you, that is all I wanted to know.',
    ],
    answers: [
      'Good morning. Dogs are welcome on every sailing. How many of you will travel?',
      'The 07:20 has room for you. Dogs stay on a lead, and there is a deck set aside for them.',
      'No, dogs travel free of charge. Please mention her when you check in.',
      'You are welcome. Have a good crossing.',
    ],
  },
  {
    of: SAILINGS,
    subject: 'Change of my booking',
    code: 'booking-changed',
    says: [
      'Hi, I have booked for Friday and need to come a day later. Can that be changed here?',
      'FL-204816, two adults and a car.',
      'The 13:50 would be fine.',
      'Thanks, got it. Bye.',
    ],
    answers: [
      'Hello. Yes, we can do that together. What is the reference of the booking?',
      'Thank you. On Saturday there is room at 09:40 and at 13:50. Which one suits you?',
      'Done: Saturday, 13:50. The new confirmation is on its way to you.',
      'Have a good journey.',
    ],
  },
  {
    of: FREIGHT,
    subject: 'Twelve sheep for Thursday',
    code: 'space-booked',
    says: [
      'Good day. Is there room for a trailer with twelve sheep on Thursday?',
      'Seven metres forty with the drawbar.',
      'Understood. We will be there at six.',
      'Thank you.',
    ],
    answers: [
      'Good day. For livestock I need the length of the whole combination, please.',
      'There is room on the 07:20. Livestock boards first: please be there at 06:15 with the movement papers.',
      'That is noted. The pens are behind the weighbridge.',
      'Thank you, and good-bye.',
    ],
  },
  {
    of: DISRUPTION,
    subject: 'Is the evening boat running?',
    code: 'rebooked',
    says: [
      'Is the 18:45 from Oskerry running tonight?',
      'We have two children with us and no room for the night.',
      'The morning boat will do, if we are on it for certain.',
      'Thank you for your help.',
    ],
    answers: [
      'The 18:45 is cancelled because of the wind. I am sorry.',
      'I see. The harbour hotel keeps rooms for passengers, and we pay for the night. Shall I book you on the first boat tomorrow?',
      'You are booked on the 07:20, all four of you. The hotel knows your name.',
      'Good night, and see you tomorrow.',
    ],
  },
  {
    of: ASSISTANCE,
    subject: 'Help at boarding',
    code: 'help-arranged',
    says: [
      'Hello, my mother uses a wheelchair. Can somebody help her on board at Arnmoor?',
      'Next Tuesday, the 11:15.',
      'She can take a few steps.',
      'That is very kind. Thank you.',
    ],
    answers: [
      'Certainly. On which day does she travel, and at what time?',
      'Thank you. Can she manage a few steps by herself?',
      'Then two of our people will meet her at the ticket office, thirty minutes before.',
      'We look forward to meeting her.',
    ],
  },
]
