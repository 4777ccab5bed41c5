import { expect, test } from 'vitest'
import type { AgentStateName } from '@/core/agents'
import { tourStep } from './tour'

test.each<{ says: string; state: AgentStateName; coded: number; calls: number; step: string }>([
  { says: 'just signed in', state: 'notReady', coded: 0, calls: 0, step: 'ready' },
  { says: 'ready', state: 'ready', coded: 0, calls: 0, step: 'ring' },
  { says: 'ringing', state: 'ringing', coded: 0, calls: 1, step: 'answer' },
  { says: 'talking', state: 'onCall', coded: 0, calls: 1, step: 'talk' },
  { says: 'coded while still talking', state: 'onCall', coded: 1, calls: 1, step: 'talk' },
  { says: 'in wrap-up', state: 'wrapUp', coded: 0, calls: 0, step: 'code' },
  { says: 'coded and ready', state: 'ready', coded: 1, calls: 0, step: 'done' },
  { says: 'coded, and the next one rings at once', state: 'ringing', coded: 1, calls: 1, step: 'done' },
  { says: 'coded and on a break', state: 'notReady', coded: 1, calls: 0, step: 'done' },
])('$says: $step', ({ state, coded, calls, step }) => expect(tourStep({ state, codedCount: coded }, Array(calls))).toBe(step))
