// Who may have somebody forgotten, when, and what the floor holds of them afterwards.
import { describe, expect, test } from 'vitest'
import type { Command } from '@/core/floor'
import { FORGOTTEN } from '@/core/forgotten'
import { toCallId } from '@/core/ids'
import { createLedgerFolder } from '@/core/ledger'
import { ANN, aFloor, BO, FIRST, IDA, NUMBER, SMALL } from '@/core/testing'

const MAY = { ...SMALL, agents: SMALL.agents.map((a) => (a.id === BO ? { ...a, may: [...a.may, 'forgetting' as const] } : a)) }
const CALL = toCallId('call_test_1')
const forget = (more: object = {}): Command => ({ kind: 'forgetPerson', agentId: BO, about: [CALL], listed: [], ...more }) as Command

/** A call of Ida's, talked through and hung up, and, with `coded`, closed with a callback agreed and her number listed. */
function afterCall(coded = true) {
  const floor = aFloor(MAY)
  const give = (command: object, ms?: number) => expect(floor.give(command as Command, ms), JSON.stringify(command)).toBe('ok')
  give({ kind: 'startShift', agentId: ANN, queueIds: [FIRST], seat: 'desk' })
  give({ kind: 'goReady', agentId: ANN })
  give({ kind: 'callArrives', queueId: FIRST, number: NUMBER, customer: IDA, path: null }, 1_000)
  give({ kind: 'answer', agentId: ANN, callId: CALL }, 2_000)
  give({ kind: 'hangUp', agentId: ANN, callId: CALL }, 20_000)
  if (!coded) return floor
  give({ kind: 'passTime' }, 5_000)
  const outcome = { code: 'done', notes: `Ring ${NUMBER} again`, followUp: '', andThen: { state: 'ready' }, callback: null, task: null }
  give({ kind: 'saveOutcome', agentId: ANN, callId: CALL, ...outcome }, 2_000)
  give({ kind: 'addDoNotCall', agentId: ANN, entries: [{ whom: { number: NUMBER, name: IDA.name }, why: 'Asked us' }] })
  return floor
}

test.each([
  { says: 'somebody without the right', when: forget({ agentId: ANN }), coded: true, then: 'notEntitled' },
  { says: 'an account that is not there', when: forget({ agentId: 'agent_nobody' }), coded: true, then: 'noSuchAccount' },
  { says: 'nothing', when: forget({ about: [] }), coded: true, then: 'nothingToForget' },
  { says: 'what is no id of anything', when: forget({ about: ['number +441632960112', '__proto__'] }), coded: true, then: 'nothingToForget' },
  { says: 'while an outcome is owed', when: forget(), coded: false, then: 'underWayWithThem' },
  { says: 'once all is over', when: forget(), coded: true, then: 'ok' },
  { says: 'only who is on the do-not-call list', when: forget({ about: [], listed: [{ number: NUMBER }] }), coded: true, then: 'ok' },
] as const)('$says: $then', ({ when, coded, then }) => expect(afterCall(coded).give(when)).toBe(then))

test('what is older than it may be: said in the ledger, and nothing on the floor changes', () => {
  const floor = afterCall()
  const before = { ...floor.state() }
  expect(floor.give({ kind: 'forgetDetails', what: 'recordings', beforeMs: before.atMs })).toBe('ok')
  expect({ ...floor.state(), seq: 0, atMs: 0 }).toEqual({ ...before, seq: 0, atMs: 0 })
})

describe('whoever is forgotten', () => {
  test('stands nowhere on the floor, nor in the records; what the figures are made of stays', () => {
    const floor = afterCall()
    const recordsOf = () => {
      const folder = createLedgerFolder()
      for (const entry of floor.entries) folder.add(entry)
      return folder.records()
    }
    const [before] = recordsOf()
    expect(JSON.stringify([...floor.state().doNotCall, ...floor.state().lately])).toContain(NUMBER)
    expect(floor.give(forget({ listed: [{ number: NUMBER }] }))).toBe('ok')
    const { setUp: _, ...held } = floor.state()
    const text = JSON.stringify(held, (_key, value) => (value instanceof Map ? [...value] : value))
    for (const personal of [NUMBER, IDA.name]) expect(text).not.toContain(personal)
    const [after] = recordsOf()
    expect(after).toEqual({ ...before, number: FORGOTTEN, customer: FORGOTTEN, notes: FORGOTTEN })
  })

  test('is somebody new when they call again', () => {
    const floor = afterCall()
    floor.give(forget({ listed: [{ number: NUMBER }] }))
    expect(floor.give({ kind: 'callArrives', queueId: FIRST, number: NUMBER, customer: IDA, path: null })).toBe('ok')
    expect(floor.state().calls.get('call_test_2')?.customer).toEqual(IDA)
    // Having them forgotten twice changes nothing twice.
    expect(floor.give(forget())).toBe('ok')
    expect(floor.state().calls.get('call_test_2')?.customer).toEqual(IDA)
  })
})
