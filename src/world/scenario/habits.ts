// How people at Fennholm Line do things.
import { MINUTE, SECOND } from '@/core/time'
import type { Codes, Habits } from '@/world'
import { LEAVES_IN_A_HURRY } from './people'

const HURRIES_OFTEN = 0.05

const CODES: Codes = {
  ended: {
    brokenOff: ['caller-hung-up'],
    putThrough: ['information', 'told-status'],
    noAnswer: ['no-answer'],
    busy: ['busy', 'no-answer'],
    machine: ['message-left', 'no-answer'],
  },
  placeReached: 'reached',
  byHand: [
    { weight: 60, item: 'reached' },
    { weight: 12, item: 'message-left' },
    { weight: 8, item: 'callback-agreed' },
    { weight: 4, item: 'wrong-number' },
    { weight: 14, item: 'never-call-number' },
    { weight: 2, item: 'never-call' },
  ],
  otherwise: ['information', 'told-status'],
}

export const HABITS: Habits = {
  hurriesOften: (agentId) => LEAVES_IN_A_HURRY.get(agentId) ?? HURRIES_OFTEN,
  breaks: [
    { reason: 'Break', weight: 5, lastsMs: 12 * MINUTE },
    { reason: 'Lunch', weight: 3, lastsMs: 30 * MINUTE },
    { reason: 'Training', weight: 1, lastsMs: 20 * MINUTE },
  ],
  readsRecordMs: 8 * SECOND,
  numbersOutOfUse: 0.04,
  afterCall: 'Paperwork',
  awayNotes: ['Back soon.', 'Out for some air.', 'In the back room if it burns.', 'With the trainer.'],
  callNotes: [
    '',
    '',
    '',
    'Wants a text message as well.',
    'Prefers the morning boat.',
    'Asked about the lift on the car deck.',
    'Will call again if plans change.',
  ],
  noteWhenPutThrough: (queue) => `Put through to ${queue ?? 'a colleague'}.`,
  noteWhenNeeded: 'As agreed.',
  codes: CODES,
  texts: {
    newSailing: ['Saturday 09:40', 'tomorrow, first boat', 'Friday 16:30', 'Sunday 11:15'],
    callerIs: ['her sister', 'his daughter', 'a neighbour', 'the school office'],
    question: ['Are dogs allowed on deck?', 'When does the winter timetable begin?', 'How early must a car be there?'],
    lengthAndWeight: ['12 m, 18 t', '16.5 m, 40 t', '6.2 m, 2.4 t', '9 m, 11 t'],
  },
  otherText: 'see notes',
  number: '+441632960112',
  email: 'caller@example.com',
  moment: { date: '2026-12-01', time: '09:40', dateTime: '2026-12-01T09:40' },
}
