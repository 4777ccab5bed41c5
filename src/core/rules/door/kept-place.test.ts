import { expect, test } from 'vitest'
import type { Command } from '@/core/floor'
import { toCallId } from '@/core/ids'
import { must } from '@/core/table'
import { ANN, aReadyFloor, arrives, BO } from '@/core/testing'

const call = toCallId('call_test_1')

test('a colleague picks up the ring of somebody who kept their place: the caller is dialled, and the call goes on', () => {
  const floor = aReadyFloor([])
  floor.give(arrives())
  expect(floor.give({ kind: 'keepPlace', callId: call })).toBe('ok')
  for (const agentId of [ANN, BO]) floor.give({ kind: 'startShift', agentId, queueIds: ['queue_first'], seat: 'desk' } as unknown as Command)
  floor.give({ kind: 'goReady', agentId: ANN } as Command)
  expect(floor.give({ kind: 'pickUp', agentId: BO, callId: call } as Command)).toBe('ok')
  expect(must(floor.state().calls, call).connections.map((c) => [c.party.kind, c.state])).toEqual([
    ['agent', 'connected'],
    ['outside', 'initiated'],
  ])
})
