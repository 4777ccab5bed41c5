// Who calls, with how much patience, and how long their business takes. A pure function of the day's seed and the
// call, so that a floor that comes back after a break meets the same people.
import { type Chance, createChance, seedFor } from '@/core/chance'
import type { CallId, QueueId } from '@/core/ids'
import { MINUTE, SECOND } from '@/core/time'
import { ASSISTANCE, DISRUPTION, FREIGHT } from '@/world/scenario'

export interface Persona {
  /** How long they wait in the queue before they give up. */
  readonly patienceMs: number
  /** How long they bear being on hold at a stretch. */
  readonly holdPatienceMs: number
  /** How long a colleague needs with them, holds included. */
  readonly businessMs: number
  readonly hangsUpFirst: boolean
  /** How long they stay on the line with somebody at a desk, at most. */
  readonly staysMs: number
}

/** What a trainer may ask of the next caller instead of leaving it to chance. */
export interface PersonaWish {
  readonly patienceMs: number | null
  readonly staysMs: number | null
}

/** A caller whom somebody made to ring. */
export interface RingWish extends PersonaWish {
  readonly queueId: QueueId
  readonly customerId: string | null
  /** After this they hang up and want to be called back; null to wait on the line. */
  readonly keepsPlaceMs: number | null
}

export const chanceOfCall = (seed: number, callId: CallId, purpose: string): Chance => createChance(seedFor(seed, `${purpose} ${callId}`))

export function personaOf(seed: number, callId: CallId, queueId: QueueId | null, wish: PersonaWish | null): Persona {
  const chance = chanceOfCall(seed, callId, 'persona')
  return {
    patienceMs: wish?.patienceMs ?? Math.round(2 * SECOND + chance.exponential(5 * MINUTE)),
    holdPatienceMs: Math.round(60 * SECOND + chance.exponential(90 * SECOND)),
    businessMs: Math.round(Math.min(25 * MINUTE, Math.max(20 * SECOND, chance.logNormal(medianBusinessMs(queueId), 0.55)))),
    hangsUpFirst: chance.next() < 0.55,
    staysMs: wish?.staysMs ?? Math.round(6 * MINUTE + chance.exponential(4 * MINUTE)),
  }
}

function medianBusinessMs(queueId: QueueId | null): number {
  if (queueId === FREIGHT) return 290 * SECOND
  if (queueId === DISRUPTION) return 170 * SECOND
  return queueId === ASSISTANCE ? 260 * SECOND : 240 * SECOND
}
