// With how much patience somebody calls, and how long their business takes. A pure function of the day's seed and the
// call, so that a floor that comes back after a break meets the same people.
import type { CallId } from '@/core/ids'
import { MINUTE, SECOND } from '@/core/time'
import { chanceOfCall } from './chance-of-call'
import { intentOf } from './intent'
import type { Pace } from './paces'
import { type BusinessId, businessOf, type Intent, type Stage } from './stage'
import type { PersonaWish } from './wish'

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

interface Drawn {
  readonly seed: number
  readonly pace: Pace
}

export function personaOf(stage: Stage, { seed, pace }: Drawn, callId: CallId, of: BusinessId | null, wish: PersonaWish | null): Persona {
  const chance = chanceOfCall(seed, callId, 'persona')
  const intent = intentOf(stage, seed, callId, of, pace, wish !== null)
  const medianMs = intent.isWrongNumber ? 22 * SECOND : intent.belongsIn === undefined ? businessOf(stage, of).medianMs : 60 * SECOND
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
