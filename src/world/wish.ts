import type { Written } from '@/core/channels'
import type { QueueId } from '@/core/ids'

/** What a trainer may ask of the next caller instead of leaving it to chance. */
export interface PersonaWish {
  readonly patienceMs: number | null
  readonly staysMs: number | null
}

/** Somebody who is made to write. */
export interface WriteWish {
  readonly channel: Written
  readonly queueId: QueueId
  readonly customerId: string | null
  /** How long they stay in a chat in which nobody says anything; null for as people do. */
  readonly patienceMs: number | null
  /** After this, if they still wait in their line, they leave the chat and want to be rung; null to wait in it. */
  readonly keepsPlaceMs: number | null
}

/** A caller whom somebody made to ring. */
export interface RingWish extends PersonaWish {
  readonly queueId: QueueId
  readonly customerId: string | null
  /** After this they hang up and want to be called back; null to wait on the line. */
  readonly keepsPlaceMs: number | null
}
