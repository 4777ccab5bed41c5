// Places outside the centre that agents call: a menu that listens for keypad digits, and desks that are answered by a person.
import type { QueueId } from '@/core/ids'
import type { Place } from '@/world'
import { ASSISTANCE, DISRUPTION, FREIGHT, SAILINGS } from './queue-ids'

export const PLACES: readonly Place[] = [
  {
    name: 'Port office, Arnmoor',
    number: '+441632960900',
    greeting: 'Port office, Arnmoor. Press 1 for berths, 2 for livestock.',
    menu: { '1': 'Berths. Berth two is free from six in the evening.', '2': 'Livestock. The pens open at five; have the papers ready.' },
  },
  { name: 'Night watch, Skarvey', number: '+441632960901', greeting: 'Night watch, Skarvey. What is it?', menu: null },
  { name: 'Vet on call, Great Hythe', number: '+441632960902', greeting: 'Vet on call. Go ahead.', menu: null },
  { name: 'Coach hire, Arnmoor', number: '+441632960903', greeting: 'Coach hire, good day.', menu: null },
]

/** Of the queues, and of everybody at a desk for themselves. */
export const QUEUE_NUMBERS: ReadonlyMap<QueueId, string> = new Map([SAILINGS, FREIGHT, DISRUPTION, ASSISTANCE].map((id, i) => [id, `+44163296096${i}`]))
/** Where the code of a conference is keyed. */
export const CONFERENCE_NUMBER = '+441632960980'
export const DESK_NUMBER = '+441632960970'

/** What agents dial from a phone of their own to speak through it. */
export const SOUND_LINE = '+441632960950'
