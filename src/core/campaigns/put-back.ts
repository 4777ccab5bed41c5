// Whether a record is one of those a supervisor puts back.
import { type EpochMs, HOUR } from '@/core/time'
import type { RecordLife } from './record'
import type { RecordState } from './standing'
import type { PutBack } from './which'

/** Whoever is being called, is promised a callback, asked never to be called or may not be called stays as they are. */
const MAY_BE: ReadonlySet<RecordState> = new Set(['again', 'final', 'invalid', 'waitingForHours'])

export function isPutBackBy(which: PutBack, life: RecordLife, state: RecordState, atMs: EpochMs): boolean {
  const last = life.tries.at(-1)
  if (last === undefined || !MAY_BE.has(state)) return false
  if (which.lastResult !== null && last.result !== which.lastResult) return false
  if (which.label !== null && (life.becomes?.label ?? last.label) !== which.label) return false
  if (which.triesAtLeast !== null && life.tries.length < which.triesAtLeast) return false
  return which.restedHours === null || atMs - last.atMs >= which.restedHours * HOUR
}
