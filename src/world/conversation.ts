// What a caller says, in captions. Turns follow the talk: the first when they are answered, later ones as the agent
// goes on in the script or after a while of listening.
import type { Contact } from '@/core/contacts'
import type { QueueId } from '@/core/ids'
import { ASSISTANCE, DISRUPTION, FREIGHT } from '@/world/scenario'
import { chanceOfCall } from './persona'

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

export const MACHINE_GREETING = 'You have reached an answering machine. Please speak after the tone.'
export const FED_UP = 'I cannot wait any longer. Good-bye.'

function linesFor(contact: Pick<Contact, 'queueId' | 'direction'>): readonly (readonly string[])[] {
  if (contact.direction === 'outbound') return DIALLED_LINES
  const byQueue = new Map<QueueId | null, readonly (readonly string[])[]>([
    [FREIGHT, FREIGHT_LINES],
    [DISRUPTION, DISRUPTION_LINES],
    [ASSISTANCE, ASSISTANCE_LINES],
  ])
  return byQueue.get(contact.queueId) ?? SAILING_LINES
}

export const turnsOf = (contact: Pick<Contact, 'queueId' | 'direction'>): number => linesFor(contact).length

/** What this caller says at this turn: the same for the same seed and call. */
export function lineOf(seed: number, contact: Contact, turn: number): string {
  const choices = linesFor(contact)[turn]
  if (choices === undefined) throw new Error(`the conversation has no turn ${turn}`)
  const booking = contact.customer?.facts.find((f) => f.label === 'Booking')?.value ?? 'I do not have it at hand'
  return chanceOfCall(seed, contact.callId, `turn ${turn}`).pick(choices).replace('{booking}', booking)
}

/** Everything a caller may say, before a booking is filled in: what there are voices for. */
export const CALLER_LINES: readonly string[] = [
  ...[SAILING_LINES, FREIGHT_LINES, DISRUPTION_LINES, ASSISTANCE_LINES, DIALLED_LINES].flat(2),
  MACHINE_GREETING,
  FED_UP,
]
