import { expect, test } from 'vitest'
import type { AgentStateName } from '@/core/agents'
import { toAgentId } from '@/core/ids'
import { tourStep } from './tour'

const LINE = { call: { messageId: null, connections: [] } } as unknown as Parameters<typeof tourStep>[1][number]
const mine = { party: { kind: 'agent', agentId: 'agent_eluned' }, state: 'connected' }
const MESSAGE = { call: { messageId: 'message-1', connections: [mine] } } as unknown as typeof LINE
const CALLED_BACK = { call: { messageId: 'message-1', connections: [mine, { party: { kind: 'number' }, state: 'connected' }] } } as unknown as typeof LINE

test.each<{ says: string; state: AgentStateName; coded: number; calls: readonly (typeof LINE)[]; step: string }>([
  { says: 'just signed in', state: 'notReady', coded: 0, calls: [], step: 'ready' },
  { says: 'ready', state: 'ready', coded: 0, calls: [], step: 'ring' },
  { says: 'ringing', state: 'ringing', coded: 0, calls: [LINE], step: 'answer' },
  { says: 'talking', state: 'onCall', coded: 0, calls: [LINE], step: 'talk' },
  { says: 'coded while still talking', state: 'onCall', coded: 1, calls: [LINE], step: 'talk' },
  { says: 'a message is offered', state: 'ringing', coded: 0, calls: [MESSAGE], step: 'offered' },
  { says: 'with a message and nobody on the line', state: 'onCall', coded: 0, calls: [MESSAGE], step: 'message' },
  { says: 'who left it is called back', state: 'onCall', coded: 0, calls: [CALLED_BACK], step: 'talk' },
  { says: 'answering a chat', state: 'writing', coded: 0, calls: [], step: 'writing' },
  { says: 'in wrap-up', state: 'wrapUp', coded: 0, calls: [], step: 'code' },
  { says: 'coded and ready', state: 'ready', coded: 1, calls: [], step: 'done' },
  { says: 'coded, and the next one rings at once', state: 'ringing', coded: 1, calls: [LINE], step: 'done' },
  { says: 'coded and on a break', state: 'notReady', coded: 1, calls: [], step: 'done' },
])('$says: $step', ({ state, coded, calls, step }) => expect(tourStep({ id: toAgentId('agent_eluned'), state, codedCount: coded }, calls)).toBe(step))
