// With how much patience somebody calls, and how long their business takes. A pure function of the day's seed and the
// call, so that a floor that comes back after a break meets the same people.
import type { CallId, QueueId } from '@/core/ids'
import { MINUTE, SECOND } from '@/core/time'
import { ASSISTANCE, DISRUPTION, FREIGHT } from '@/world/scenario'
import { chanceOfCall } from './chance-of-call'
import { type Intent, intentOf } from './intent'
import type { Pace } from './paces'

export interface Persona {
  readonly intent: Intent
  /** How long they wait in the queue before they give up. */
  readonly patienceMs: number
  /** How long they bear being on hold at a stretch. */
  readonly holdPatienceMs: number
  /** How long a colleague needs with them, holds included. */
  readonly businessMs: number
  /** They go in the middle of it, without a word. */
  readonly breaksOff: boolean
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

export function personaOf(seed: number, callId: CallId, queueId: QueueId | null, pace: Pace, wish: PersonaWish | null): Persona {
  const chance = chanceOfCall(seed, callId, 'persona')
  const intent = intentOf(seed, callId, queueId, pace, wish !== null)
  const medianMs = intent.isWrongNumber ? 22 * SECOND : intent.belongsIn === undefined ? medianBusinessMs(queueId) : 60 * SECOND
  return {
    intent,
    patienceMs: wish?.patienceMs ?? Math.round(2 * SECOND + chance.logNormal(190 * SECOND, 1.1)),
    holdPatienceMs: Math.round(60 * SECOND + chance.exponential(90 * SECOND)),
    businessMs: Math.round(Math.min(25 * MINUTE, Math.max(15 * SECOND, chance.logNormal(medianMs, intent.isWrongNumber ? 0.25 : 0.5)))),
    hangsUpFirst: chance.next() < 0.55,
    staysMs: wish?.staysMs ?? Math.round(6 * MINUTE + chance.exponential(4 * MINUTE)),
    breaksOff: intent.isWrongNumber !== true && chance.next() < 0.022,
  }
}

function medianBusinessMs(queueId: QueueId | null): number {
  if (queueId === FREIGHT) return 235 * SECOND
  if (queueId === DISRUPTION) return 165 * SECOND
  return queueId === ASSISTANCE ? 225 * SECOND : 230 * SECOND
}
