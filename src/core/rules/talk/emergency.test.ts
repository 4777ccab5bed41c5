// The emergency services are called whatever stands in the way of another call, and whoever supervises is told at once.
import { describe, expect, test } from 'vitest'
import type { Command } from '@/core/floor'
import { toCallId } from '@/core/ids'
import { get } from '@/core/table'
import { ANN, aFloor, arrives, BO, CENTRE, CY, FIRST, SECOND_QUEUE, SMALL, save } from '@/core/testing'

const call = (n: number) => toCallId(`call_test_${n}`)
const dial = (typed: string, agentId = ANN): Command => ({ kind: 'makeCall', agentId, typed, customer: null })
const urgent = (typed: string, agentId = CY): Command => ({ kind: 'callEmergency', agentId, typed })
const add = (typed: string): Command => ({ kind: 'addParty', agentId: ANN, callId: call(1), target: { kind: 'number', typed, name: null } })
const TALKING: readonly Command[] = [arrives(), { kind: 'answer', agentId: ANN, callId: call(1) }]
const ENDED: readonly Command[] = [...TALKING, { kind: 'hangUp', agentId: ANN, callId: call(1) }]
const BARRED = { ...SMALL, agents: SMALL.agents.map((a) => ({ ...a, may: [] })) }

const after = (given: readonly Command[], setUp = SMALL) => {
  const floor = aFloor(setUp)
  for (const agentId of [ANN, BO]) {
    expect(floor.give({ kind: 'startShift', agentId, queueIds: [FIRST, SECOND_QUEUE], seat: 'desk' })).toBe('ok')
    expect(floor.give({ kind: 'goReady', agentId })).toBe('ok')
  }
  for (const command of given) expect(floor.give(command, 10_000), JSON.stringify(command)).toBe('ok')
  return floor
}

describe('dialled', () => {
  test.each<{ says: string; given: readonly Command[]; when: Command; then: string; mayNothing?: boolean }>([
    { says: 'by who is ready', given: [], when: dial('999'), then: 'ok' },
    { says: 'by who may call nobody outside', given: [], when: dial('999'), then: 'ok', mayNothing: true },
    { says: 'a short number by who may call nobody outside', given: [], when: dial('101'), then: 'notEntitled', mayNothing: true },
    { says: 'a short number of the country', given: [], when: dial('101'), then: 'ok' },
    { says: 'a code of the network', given: [], when: dial('*21#'), then: 'ok' },
    { says: 'with an outcome owed', given: ENDED, when: dial('999'), then: 'ok' },
    { says: 'anybody else with an outcome owed', given: ENDED, when: dial('01632 960112'), then: 'outcomeOwed' },
    { says: 'beside a call', given: TALKING, when: dial('999'), then: 'callUnderWay' },
    { says: 'while a call rings', given: [arrives()], when: dial('999'), then: 'callRings' },
    { says: 'into a call', given: TALKING, when: add('999'), then: 'ok' },
    { says: 'before a shift', given: [], when: urgent('112'), then: 'ok' },
    { says: 'before a shift, by who may call nobody', given: [], when: urgent('112'), then: 'ok', mayNothing: true },
    { says: 'before a shift anybody else', given: [], when: urgent('01632 960112'), then: 'notEmergencyNumber' },
    { says: 'before a shift nothing', given: [], when: urgent(' '), then: 'notEmergencyNumber' },
    { says: 'by nobody', given: [], when: urgent('999', 'agent_nobody' as typeof CY), then: 'noSuchAccount' },
    { says: 'from another desk in the middle of a call', given: TALKING, when: urgent('999', ANN), then: 'callUnderWay' },
  ])('$says: $then', ({ given, when, then, mayNothing = false }) => {
    expect(after(given, mayNothing ? BARRED : SMALL).give(when)).toBe(then)
  })
})

test('before a shift one without queues begins, help is asked for, and it is worked like any other call', () => {
  const floor = aFloor(BARRED)
  expect(floor.give(urgent('999'))).toBe('ok')
  const cy = get(floor.state().agents, CY)
  expect(cy).toMatchObject({ shift: { queueIds: [], seat: 'desk' }, help: { callId: call(1), takenBy: null }, engagements: [{ callId: call(1) }] })
  expect(get(floor.state().calls, call(1))?.number).toBe('999')
  expect(floor.give({ kind: 'hangUp', agentId: CY, callId: call(1) }, 5_000)).toBe('ok')
  expect(get(floor.state().agents, CY)?.help).toBeNull()
})

test('what was owed before it is still owed after it', () => {
  const floor = after([...ENDED, dial('999')])
  expect(get(floor.state().agents, ANN)).toMatchObject({ wrapUps: [], owed: [{ callId: call(1) }], help: { callId: call(2) } })
})

test('asked into a call by who may hold no conference, help is asked for with that call; once', () => {
  const floor = after(TALKING, BARRED)
  expect(floor.give({ kind: 'askForHelp', agentId: ANN, callId: call(1) })).toBe('ok')
  const before = floor.entries.length
  expect(floor.give(add('999'))).toBe('ok')
  expect(floor.entries.slice(before).map((e) => e.event.kind)).toEqual(['connectionInitiated'])
  expect(get(floor.state().agents, ANN)?.help?.callId).toBe(call(1))
})

test('by a consult the caller is held, and the floor is told of the second line', () => {
  const floor = after(TALKING)
  expect(floor.give({ kind: 'consult', agentId: ANN, callId: call(1), target: { kind: 'number', typed: '112', name: null } })).toBe('ok')
  expect(get(floor.state().agents, ANN)?.help?.callId).toBe(call(2))
  expect(get(floor.state().calls, call(1))?.connections.filter((c) => c.state === 'held')).toHaveLength(1)
})

test('all called at once: the floor is told of it', () => {
  const floor = after([])
  expect(floor.give({ kind: 'callTogether', agentId: ANN, targets: [{ kind: 'number', typed: '999', name: null }] })).toBe('ok')
  expect(get(floor.state().agents, ANN)?.help?.callId).toBe(call(1))
})

test.each(['again', 'never-number', 'call-back'])('coded “%s” it is nobody to be called again, and nobody to be barred', (code) => {
  const floor = aFloor(CENTRE)
  expect(floor.give(urgent('999', ANN))).toBe('ok')
  floor.give({ kind: 'hangUp', agentId: ANN, callId: call(1) }, 10_000)
  floor.give({ kind: 'passTime' }, 10_000)
  const callback = { dueAtMs: floor.state().atMs + 3_600_000, timeZone: 'Europe/London', owner: 'mine', typed: '' } as const
  expect(floor.give(save(code, code === 'call-back' ? { callback } : {}))).toBe(code === 'call-back' ? 'numberTooShort' : 'ok')
  expect(floor.state().callbacks.size).toBe(0)
  expect(floor.state().doNotCall.size).toBe(0)
})
