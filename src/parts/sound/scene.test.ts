// What one desk hears and records, from what is on the floor.
import { expect, test } from 'vitest'
import { whoHearsWhom } from '@/core/calls'
import type { Command } from '@/core/floor'
import { toCallId } from '@/core/ids'
import { isMutedOn } from '@/core/state'
import { values } from '@/core/table'
import { ANN, aReadyFloor, arrives, BO, type TestFloor } from '@/core/testing'
import { sceneOf } from './scene'

const [LINE, CONSULT] = [toCallId('call_test_1'), toCallId('call_test_2')]
const on = (kind: 'answer' | 'hold' | 'retrieve' | 'endConsult' | 'conference', callId = LINE, agentId = ANN) => ({ kind, agentId, callId }) as Command
const record = (callId = LINE, agentId = ANN): Command => ({ kind: 'record', agentId, callId, to: 'on' })
const consult: Command = { kind: 'consult', agentId: ANN, callId: LINE, target: { kind: 'agent', agentId: BO } }

/** Which recording each of the two desks feeds now. */
function recorded(floor: TestFloor): readonly (string | null)[] {
  const state = floor.state()
  return [ANN, BO].map((agentId) => {
    const mine = values(state.calls).filter((c) => c.connections.some((x) => x.party.kind === 'agent' && x.party.agentId === agentId))
    return sceneOf(
      mine.map((call) => ({ call, ears: whoHearsWhom(call, isMutedOn(state)) })),
      agentId,
    ).recordingId
  })
}

test.each<{ says: string; then: readonly Command[]; feeds: readonly boolean[] }>([
  { says: 'in a call: its recording', then: [], feeds: [true, false] },
  { says: 'while it is held: nothing', then: [on('hold')], feeds: [false, false] },
  { says: 'in a consult about it: nothing of what the two say', then: [consult, on('answer', CONSULT, BO)], feeds: [false, false] },
  { says: 'back from it: the call again', then: [consult, on('answer', CONSULT, BO), on('endConsult', CONSULT)], feeds: [true, false] },
  { says: 'joined, the three are one line', then: [consult, on('answer', CONSULT, BO), on('conference', CONSULT)], feeds: [true, false] },
  {
    says: 'of a line its first agent has put on hold: what the other one of it hears',
    then: [consult, on('answer', CONSULT, BO), on('conference', CONSULT), on('hold')],
    feeds: [false, true],
  },
])('$says', ({ then, feeds }) => {
  const floor = aReadyFloor([ANN, BO])
  floor.give(arrives())
  floor.give(on('answer'))
  expect(floor.give(record())).toBe('ok')
  for (const command of then) expect([command, floor.give(command)]).toEqual([command, 'ok'])
  expect(recorded(floor).map((id) => id !== null)).toEqual(feeds)
})
