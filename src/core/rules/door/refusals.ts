// Why a caller does not keep their place, and what is said of it.
import type { WordsOf } from '@/core/refusal'

export type DoorRefusal =
  | { readonly reason: 'notWaiting' }
  | { readonly reason: 'placesNotKept'; readonly queue: string }
  | { readonly reason: 'messagesNotTaken'; readonly queue: string }
  | { readonly reason: 'numberWithheld' }

export const DOOR_WORDS: WordsOf<DoorRefusal> = {
  notWaiting: () => ({ says: 'That caller is no longer waiting.', next: 'Look at the queue for who is waiting now.' }),
  placesNotKept: (refusal) => ({ says: `${refusal.queue} keeps no places.`, next: 'Wait on the line, or call again later.' }),
  messagesNotTaken: (refusal) => ({ says: `${refusal.queue} takes no messages.`, next: 'Wait on the line, or call again later.' }),
  numberWithheld: () => ({ says: 'The number is withheld, so nobody could call back.', next: 'Wait on the line.' }),
}
