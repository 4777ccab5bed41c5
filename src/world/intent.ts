// What a caller wants: settled by the seed and the call before it rings.
import type { CallId } from '@/core/ids'
import { chanceOfCall } from './chance-of-call'
import type { Pace } from './paces'
import { type BusinessId, businessOf, type Intent, type Stage } from './stage'

/** Callers somebody asked for come with business of the queue; others may have meant to call somebody else. */
export function intentOf(stage: Stage, seed: number, callId: CallId, of: BusinessId | null, pace: Pace, wished = false): Intent {
  const { intents } = businessOf(stage, of)
  const ofQueue = intents.filter((i) => i.isWrongNumber !== true && i.belongsIn === undefined)
  const may = wished && ofQueue.length > 0 ? ofQueue : intents
  const weight = ({ weight, inStorm = 1 }: Intent) => (pace === 'storm' ? weight * inStorm : weight)
  return chanceOfCall(seed, callId, 'intent').weighted(may.map((item) => ({ item, weight: weight(item) })))
}
