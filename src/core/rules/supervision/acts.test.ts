import { describe, expect, test } from 'vitest'
import type { Command } from '@/core/floor'
import { deviceOfQueue, toAgentId, toCallId, toQueueId } from '@/core/ids'
import { get, must } from '@/core/table'
import { ANN, aFloor, arrives, BO, CY, FIRST, SECOND_QUEUE, SMALL, type TestFloor } from '@/core/testing'

const SUE = toAgentId('agent_sue')
const LED: typeof SMALL = {
  ...SMALL,
  agents: [
    ...SMALL.agents,
    { ...(SMALL.agents[0] as (typeof SMALL.agents)[number]), id: SUE, name: 'Sue', role: 'supervisor', queueIds: [], may: ['supervision'] },
  ],
}
const CALL = toCallId('call_test_1')
const starts = (agentId: typeof ANN, queueIds = [FIRST]): Command => ({ kind: 'startShift', agentId, queueIds, seat: 'desk' })
const assigns = (add: string[], drop: string[] = [], agentIds = [ANN], agentId = SUE) => ({ kind: 'assignWork', agentId, agentIds, add, drop }) as Command
const sets = (ready: boolean, agentIds = [ANN], reason = 'Break'): Command => ({ kind: 'setReadiness', agentId: SUE, agentIds, ready, reason })
const moves = (to: Extract<Command, { kind: 'moveWaiting' }>['to'], callId = CALL): Command => ({ kind: 'moveWaiting', agentId: SUE, callId, to })
const door = (is: 'open' | 'closed' | null): Command => ({ kind: 'setDoor', agentId: SUE, queueId: FIRST, door: is })
const word = (text: string, agentIds = [ANN, BO]): Command => ({ kind: 'sendWord', agentId: SUE, agentIds, text })
const READY: Command = { kind: 'goReady', agentId: ANN }

/** Ann and Bo are on shift for the first queue, Cy is not; Sue, at no desk, answers for the floor. */
function led(...more: readonly Command[]): TestFloor {
  const floor = aFloor(LED)
  for (const command of [starts(ANN), starts(BO), ...more]) expect(floor.give(command)).toBe('ok')
  return floor
}
const told = (floor: TestFloor, id = ANN) => must(floor.state().agents, id).told.map((t) => [t.byAgentId, t.what])

describe('each act and what refuses it', () => {
  test.each<{ says: string; given?: readonly Command[]; when: Command; then: string }>([
    { says: 'a queue more for two', when: assigns([SECOND_QUEUE], [], [ANN, BO]), then: 'ok' },
    { says: 'not by an agent', when: assigns([SECOND_QUEUE], [], [ANN], BO), then: 'notEntitled' },
    { says: 'not of who is off shift, and then of nobody', when: assigns([SECOND_QUEUE], [], [ANN, CY]), then: 'agentOffShift' },
    { says: 'not of nobody', when: assigns([SECOND_QUEUE], [], []), then: 'nobodyChosen' },
    { says: 'not a queue that is not there', when: assigns([toQueueId('queue_none')]), then: 'targetUnknown' },
    { says: 'not the only queue', when: assigns([], [FIRST]), then: 'agentServesNothing' },
    { says: 'ready', when: sets(true), then: 'ok' },
    { says: 'not ready for a reason of the list', given: [READY], when: sets(false), then: 'ok' },
    { says: 'not for another', given: [READY], when: sets(false, [ANN], 'Because'), then: 'unknownReason' },
    { says: 'ready again changes nothing', given: [READY], when: sets(true), then: 'ok' },
    {
      says: 'not ready with the sound lost',
      given: [{ kind: 'reportSoundLost', agentId: ANN, why: 'Unplugged.' }],
      when: sets(true),
      then: 'agentCannotBeReady',
    },
    { says: 'the shift of somebody who went home', when: { kind: 'endShiftOf', agentId: SUE, toAgentId: ANN }, then: 'ok' },
    {
      says: 'not in a call',
      given: [READY, arrives(), { kind: 'answer', agentId: ANN, callId: CALL }],
      when: { kind: 'endShiftOf', agentId: SUE, toAgentId: ANN },
      then: 'agentAtWork',
    },
    { says: 'a word to two', when: word('Storm at noon.'), then: 'ok' },
    { says: 'not an empty one', when: word('  '), then: 'wordEmpty' },
    { says: 'a waiting call to another queue', given: [arrives()], when: moves({ kind: 'queue', queueId: SECOND_QUEUE }), then: 'ok' },
    { says: 'not to the queue it is in', given: [arrives()], when: moves({ kind: 'queue', queueId: FIRST }), then: 'targetUnknown' },
    { says: 'not to the head where it stands', given: [arrives()], when: moves({ kind: 'head' }), then: 'alreadyAtHead' },
    { says: 'to an agent who is ready for something else', given: [arrives(SECOND_QUEUE), READY], when: moves({ kind: 'agent', agentId: ANN }), then: 'ok' },
    { says: 'not to one who is not', given: [arrives()], when: moves({ kind: 'agent', agentId: ANN }), then: 'agentNotReady' },
    { says: 'to be called back', given: [arrives()], when: moves({ kind: 'callback' }), then: 'ok' },
    { says: 'not who is answered', given: [READY, arrives()], when: moves({ kind: 'head' }), then: 'notWaitingNow' },
    { says: 'a door', when: door('closed'), then: 'ok' },
    { says: 'not twice', given: [door('closed')], when: door('closed'), then: 'doorUnchanged' },
  ])('$says: $then', ({ given = [], when, then }) => {
    const floor = led(...given)
    const before = JSON.stringify([...floor.state().agents])
    expect(floor.give(when)).toBe(then)
    if (then !== 'ok') expect(JSON.stringify([...floor.state().agents])).toBe(before)
  })
})

test('an agent given a queue gets the caller who waits there, is told who did it, and puts it away', () => {
  const floor = led(arrives(SECOND_QUEUE), READY)
  expect(must(floor.state().agents, ANN).state.name).toBe('ready')
  expect(floor.give(assigns([SECOND_QUEUE], [FIRST]))).toBe('ok')
  expect(must(floor.state().agents, ANN).state.name).toBe('ringing')
  expect(told(floor)).toEqual([[SUE, { is: 'queues', added: [SECOND_QUEUE], dropped: [FIRST] }]])
  expect(floor.give({ kind: 'putAwayTold', agentId: ANN, no: 1 })).toBe('ok')
  expect(told(floor)).toEqual([])
})

test('a shift forgotten in a wrap-up ends owing its outcome, which its agent finds and saves on the next one', () => {
  const floor = led(READY, arrives(), { kind: 'answer', agentId: ANN, callId: CALL }, { kind: 'hangUp', agentId: ANN, callId: CALL })
  expect(must(floor.state().agents, ANN).wrapUps).toHaveLength(1)
  expect(floor.give({ kind: 'endShift', agentId: ANN })).toBe('outcomeOwed')
  expect(floor.give({ kind: 'endShiftOf', agentId: SUE, toAgentId: ANN })).toBe('ok')
  const gone = must(floor.state().agents, ANN)
  expect({ shift: gone.shift, wrapUps: gone.wrapUps, owed: gone.owed.map((o) => o.callId) }).toEqual({ shift: null, wrapUps: [], owed: [CALL] })
  expect(floor.give({ kind: 'startShift', agentId: ANN, queueIds: [FIRST], seat: 'desk' })).toBe('ok')
  expect(must(floor.state().agents, ANN).owed).toHaveLength(1)
  expect(floor.give({ kind: 'saveOutcome', agentId: ANN, callId: CALL, code: 'done', notes: '', followUp: '', andThen: { state: 'ready' } })).toBe('ok')
  expect(must(floor.state().agents, ANN).owed).toEqual([])
})

test('levels given for the shift are what routing goes by, and end with it', () => {
  const skilled = {
    ...LED,
    skills: [{ id: 'skill_craft', name: 'Craft' }],
    queues: LED.queues.map((q) => ({ ...q, needs: [{ skillId: 'skill_craft', level: 3 }] })),
  } as unknown as typeof LED
  const floor = aFloor(skilled)
  for (const command of [starts(ANN), READY, arrives()]) floor.give(command)
  expect(must(floor.state().agents, ANN).state.name).toBe('ready')
  expect(floor.give({ ...assigns([]), levels: [{ skillId: 'skill_craft', level: 4 }] } as unknown as Command)).toBe('ok')
  expect(must(floor.state().agents, ANN).state.name).toBe('ringing')
  expect(told(floor)).toEqual([[SUE, { is: 'levels' }]])
})

test('a closed queue turns away and an opened one takes in, until the hours have it back', () => {
  const floor = led(door('closed'))
  floor.give(arrives())
  expect(floor.state().waiting[FIRST] ?? []).toEqual([])
  for (const command of [door(null), arrives()]) floor.give(command)
  expect(floor.state().waiting[FIRST]).toHaveLength(1)
})

test('who did what to a waiting caller stands in the ledger before what came of it', () => {
  const floor = led(arrives(), arrives(), moves({ kind: 'head' }, toCallId('call_test_2')))
  expect(floor.state().waiting[FIRST]).toEqual([toCallId('call_test_2'), CALL])
  const [moved, queued] = floor.entries.slice(-2).map((e) => e.event)
  expect(moved).toEqual({ kind: 'waitingMoved', callId: toCallId('call_test_2'), byAgentId: SUE, to: { kind: 'head' } })
  expect(queued).toMatchObject({ kind: 'connectionQueued', place: 'head' })
  for (const command of [moves({ kind: 'queue', queueId: SECOND_QUEUE })]) expect(floor.give(command)).toBe('ok')
  expect(get(floor.state().calls, CALL)?.connections.map((c) => c.deviceId)).toContain(deviceOfQueue(SECOND_QUEUE))
  expect(floor.give(moves({ kind: 'callback' }))).toBe('ok')
  expect(get(floor.state().calls, CALL)?.keptFor).toBe('+441632960112')
})
