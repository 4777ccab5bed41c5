// What a caller says, in captions. Turns follow the talk: the first when they are answered, later ones as the agent
// goes on in the script or after a while of listening.

import type { QueueId } from '@/core/ids'
import type { Work } from '@/core/work'
import { ASSISTANCE, DISRUPTION, FREIGHT, SAILINGS } from '@/world/scenario'
import { chanceOfCall } from './chance-of-call'
import type { Intent } from './intent'

const SAILING_LINES = [
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
]
const FREIGHT_LINES = [
  ['Morning. I need deck space for a trailer.', 'Hello, I have a lorry to get across.', 'Good day. It is about a horse box.'],
  ['Twelve metres, eighteen tonnes.', 'Six metres, and one horse in it.', 'Sixteen and a half metres, full load.'],
  ['The papers are signed, yes.', 'Yes, I have all the papers here.', 'The vet signed them this morning.'],
  ['First sailing tomorrow, if there is room.', 'Whatever goes tonight.', 'The afternoon one to Great Hythe.'],
  ['Good. Put me down for that.', 'That works.', 'Right you are.'],
  ['Cheers. Bye.', 'Thanks, good-bye.', 'That is it, then. Bye.'],
]
const DISRUPTION_LINES = [
  ['Is my boat running? The board at the port says nothing.', 'Hello, I hear the sailings are off?', 'We are on the quay and nobody tells us anything.'],
  ['The one to Skarvey, this afternoon.', 'Arnmoor to Oskerry, the next one.', 'The evening boat from Great Hythe.'],
  ['And what do we do now?', 'Can we go later instead?', 'We have children with us. What can you offer?'],
  ['Then move us to the next one. It is {booking}.', 'I would rather have the fare back. {booking}.', 'We can wait a little. Our booking is {booking}.'],
  ['All right. It is nobody’s fault.', 'Thank you for being straight with me.', 'Good, that helps.'],
  ['Good-bye.', 'Thanks. Good-bye.', 'Right. Bye.'],
]
const ASSISTANCE_LINES = [
  ['Hello. I need a little help to get on board.', 'Good morning, it is for my mother. She cannot do stairs.', 'Hello, I travel with a wheelchair.'],
  ['A ramp, if there is one.', 'Somebody to walk with her would be kind.', 'A chair at the quay, please.'],
  ['The booking is {booking}.', 'It says {booking} on the letter.', '{booking}.'],
  ['No, it is not until the weekend.', 'It is tomorrow morning.', 'In three hours, I am afraid.'],
  ['That is very kind.', 'Oh, good. Thank you.', 'Thank you so much.'],
  ['Good-bye, dear.', 'Bye, and thank you.', 'Thanks. Good-bye.'],
]
const DIALLED_LINES = [
  ['Hello?', 'Yes, hello?', 'Good day, who is calling?'],
  ['Yes, that is me.', 'Speaking.', 'That is right.'],
  ['Oh, the ferry. Yes, go on.', 'I see. And what does that mean for me?', 'Good of you to ring.'],
  ['That is fine by me.', 'All right, let us do that.', 'Yes, please.'],
  ['Thank you for the call. Good-bye.', 'Thanks. Bye.', 'Good-bye.'],
]

const LINES: ReadonlyMap<QueueId | null, readonly (readonly string[])[]> = new Map([
  [FREIGHT, FREIGHT_LINES],
  [DISRUPTION, DISRUPTION_LINES],
  [ASSISTANCE, ASSISTANCE_LINES],
])

export const MACHINE_GREETING = 'You have reached an answering machine. Please speak after the tone.'
export const FED_UP = 'I cannot wait any longer. Good-bye.'

/** What is said instead, at some turns, by who wants something else than most. */
const INSTEAD: ReadonlyMap<QueueId, Readonly<Record<string, Readonly<Record<number, readonly string[]>>>>> = new Map([
  [
    SAILINGS,
    {
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
  ],
  [
    FREIGHT,
    {
      ask: { 0: ['Morning. What is the most a lorry may weigh?'], 1: ['I see.'], 2: ['And how high?'], 3: ['That is all I wanted to know.'] },
      full: { 4: ['Full? Then I will try somebody else.'] },
      fullCallBack: { 4: ['Full? Ring me if somebody gives up their place.'] },
      noPapers: { 2: ['No, the vet has not signed yet.'], 4: ['Right. I will call again when I have them.'] },
    },
  ],
  [
    DISRUPTION,
    {
      runs: { 2: ['Then we come as planned?'], 3: ['Good. Our booking is {booking}, if you need it.'] },
      lateWait: { 3: ['We can wait a little. Our booking is {booking}.'] },
      offWait: { 3: ['We can wait a little. Our booking is {booking}.'] },
      offCallBack: { 3: ['Could you ring us when it sails? It is {booking}.'] },
      lateMove: { 3: ['Then move us to the next one. It is {booking}.'] },
      offMove: { 3: ['Then move us to the next one. It is {booking}.'] },
      offRefund: { 3: ['I would rather have the fare back. {booking}.'] },
    },
  ],
  [
    ASSISTANCE,
    {
      help: { 3: ['No, it is not until the weekend.', 'It is tomorrow morning.'] },
      change: { 0: ['Hello. You have arranged help for me, and now we travel a day later.'], 3: ['It is tomorrow morning.'] },
      soon: { 3: ['In three hours, I am afraid.'] },
      ask: { 0: ['Hello. Is there a lift on the boat?'], 1: ['From the car deck, I mean.'], 3: ['That is all I wanted to know.'] },
    },
  ],
])

const WRONG_NUMBER_LINES = [
  ['Hello, is that the chemist in the High Street?', 'Good day. Is my prescription ready?'],
  ['Oh, I am sorry. I have the wrong number. Good-bye.'],
]

type Asked = Pick<Work, 'queueId' | 'direction'>

function linesFor({ queueId, direction }: Asked, { wants, isWrongNumber }: Intent): readonly (readonly string[])[] {
  if (direction === 'outbound') return DIALLED_LINES
  if (isWrongNumber) return WRONG_NUMBER_LINES
  const usual = LINES.get(queueId) ?? SAILING_LINES
  const instead = queueId === null ? undefined : INSTEAD.get(queueId)?.[wants]
  return usual.map((choices, turn) => instead?.[turn] ?? choices)
}

export const turnsOf = (work: Asked, intent: Intent): number => linesFor(work, intent).length

/** What this caller says at this turn: the same for the same seed and call. */
export function lineOf(seed: number, work: Work, intent: Intent, turn: number): string {
  const choices = linesFor(work, intent)[turn]
  if (choices === undefined) throw new Error(`the conversation has no turn ${turn}`)
  const booking = work.customer?.facts.find((f) => f.label === 'Booking')?.value ?? 'I do not have it at hand'
  return chanceOfCall(seed, work.id, `turn ${turn}`).pick(choices).replace('{booking}', booking)
}

/** Everything a caller may say, before a booking is filled in: what there are voices for. */
export const CALLER_LINES: readonly string[] = [
  ...[SAILING_LINES, FREIGHT_LINES, DISRUPTION_LINES, ASSISTANCE_LINES, DIALLED_LINES, WRONG_NUMBER_LINES].flat(2),
  ...[...INSTEAD.values()].flatMap((byIntent) => Object.values(byIntent).flatMap((byTurn) => Object.values(byTurn).flat())),
  MACHINE_GREETING,
  FED_UP,
]
