// Two people on one call: each codes their own part by the rules of the queue they took it from, and what follows from one part
// is not undone by the other.
import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { groundsOf } from '@/core/do-not-call'
import { type AgentCommand, broken, type Command } from '@/core/floor'
import { type AgentId, toAgentId, toCallId, toOutcomeSetId } from '@/core/ids'
import { createLedgerFolder } from '@/core/ledger'
import { type SetUp, SetUpSchema } from '@/core/set-up'
import { get, values } from '@/core/table'
import { ANN, aFloor, BO, CENTRE, FIRST, IDA, inAnHour, NUMBER, SECOND_QUEUE, type TestFloor } from '@/core/testing'

const CALL = toCallId('call_test_1')
const SUE = toAgentId('agent_sue')
const OWN = toAgentId('agent_own')

const OTHER_SET = { ...CENTRE.outcomeSets[0], id: toOutcomeSetId('outcomes_other'), name: 'Other' }
/** The second queue records, wraps up for another time, and has codes of its own. */
const TWO: SetUp = SetUpSchema.parse({
  ...CENTRE,
  takeBackMs: 4_000,
  mostOwed: 3,
  agents: CENTRE.agents.map((a) => (a.id === BO ? { ...a, takesWrapUp: true } : a)),
  queues: CENTRE.queues.map((q) =>
    q.id === SECOND_QUEUE ? { ...q, records: true, recommendedWrapUpMs: 77_000, outcomeSetId: OTHER_SET.id } : { ...q, keepsPlaces: true },
  ),
  outcomeSets: [...CENTRE.outcomeSets, { ...OTHER_SET, codes: OTHER_SET.codes?.map((c) => (c.code === 'done' ? { ...c, code: 'other-done' } : c)) }],
})

function give(floor: TestFloor, ...commands: readonly Command[]): void {
  for (const command of commands) expect([command.kind, floor.give(command)]).toEqual([command.kind, 'ok'])
}
const save = (agentId: AgentId, code: string, more: object = {}): AgentCommand =>
  ({ kind: 'saveOutcome', agentId, callId: CALL, code, notes: 'n', followUp: '', andThen: { state: 'ready' }, ...more }) as AgentCommand
const on = (kind: 'answer' | 'hangUp' | 'takeBackOutcome', agentId = ANN): AgentCommand => ({ kind, agentId, callId: CALL })

/** Ann talks with Ida, Bo is ready; both serve both queues. */
function talking(setUp = TWO): TestFloor {
  const floor = aFloor(setUp)
  give(floor, { kind: 'startShift', agentId: ANN, queueIds: [FIRST], seat: 'desk' }, { kind: 'goReady', agentId: ANN })
  give(floor, { kind: 'callArrives', queueId: FIRST, number: NUMBER, customer: IDA, path: 'one' }, on('answer'))
  give(floor, { kind: 'startShift', agentId: BO, queueIds: [SECOND_QUEUE], seat: 'desk' }, { kind: 'goReady', agentId: BO })
  return floor
}

/** Ann has sent Ida to the second queue, where Bo has taken her. Ann wraps up. */
function handedOn(setUp = TWO): TestFloor {
  const floor = talking(setUp)
  give(floor, { kind: 'transfer', agentId: ANN, callId: CALL, target: { kind: 'queue', queueId: SECOND_QUEUE } }, on('answer', BO))
  return floor
}

describe('what follows belongs to the call and to who coded it', () => {
  test('the next agent agrees a callback, then the first codes their part: the callback stands', () => {
    const floor = handedOn()
    give(floor, save(BO, 'call-back', { callback: { dueAtMs: inAnHour(floor), timeZone: 'UTC', typed: '', owner: 'mine' } }), save(ANN, 'done'))
    expect(values(floor.state().callbacks)).toMatchObject([{ callId: CALL, agreedBy: BO }])
  })

  test.each([
    { code: 'hand-on', left: (floor: TestFloor) => values(floor.state().tasks).length },
    { code: 'never-number', left: (floor: TestFloor) => values(floor.state().doNotCall).length },
    { code: 'wrong', left: (floor: TestFloor) => floor.state().struck.length },
  ])('the same for $code; recoded by who asked for it, it is withdrawn', ({ code, left }) => {
    const floor = handedOn()
    give(floor, save(BO, code), save(ANN, 'done'))
    expect(left(floor)).toBe(1)
    give(floor, save(BO, 'other-done'))
    expect(left(floor)).toBe(0)
  })

  test('a number listed by hand, then coded “never call”, then recoded, stays on the list for its first reason', () => {
    const floor = handedOn()
    give(floor, { kind: 'addDoNotCall', agentId: SUE, entries: [{ whom: { number: NUMBER }, why: 'By letter' }] })
    give(floor, save(BO, 'never-number'), save(BO, 'other-done'))
    expect(values(floor.state().doNotCall)).toMatchObject([{ whom: { number: NUMBER }, why: 'By letter', also: [] }])
  })

  test('two agents who both hear “never again” are two reasons: the entry goes with the last of them', () => {
    const floor = handedOn()
    give(floor, save(ANN, 'never-number'), save(BO, 'never-number'))
    expect(values(floor.state().doNotCall)[0]?.also).toHaveLength(1)
    give(floor, save(BO, 'other-done'))
    expect(values(floor.state().doNotCall)).toMatchObject([{ byAgentId: ANN, also: [] }])
  })

  test('coded again, a part is not one more', () => {
    const floor = handedOn()
    give(floor, save(BO, 'later'), save(BO, 'other-done'), save(ANN, 'done'))
    expect(get(floor.state().agents, BO)?.codedCount).toBe(1)
    expect(get(floor.state().agents, ANN)?.codedCount).toBe(1)
    // Each may correct their own part.
    const correct = (agentId: AgentId): AgentCommand =>
      ({ kind: 'correctOutcome', agentId, callId: CALL, queueId: null, direction: 'inbound', code: 'later', was: null, why: 'Misread.' }) as AgentCommand
    give(floor, correct(BO), correct(ANN))
  })
})

describe('a call that was handed on', () => {
  test('is recorded where the queue it came to records', () => {
    const floor = handedOn()
    expect(get(floor.state().calls, CALL)?.recording?.state).toBe('on')
  })

  test('is coded by each agent with the codes of the queue they took it from, and wrapped up in its time', () => {
    const floor = handedOn()
    expect(get(floor.state().agents, ANN)?.wrapUps[0]?.recommendedMs).not.toBe(77_000)
    expect(floor.give(save(ANN, 'other-done'))).toBe('unknownCode')
    expect(floor.give(save(BO, 'done'))).toBe('unknownCode')
    give(floor, save(ANN, 'done'), { kind: 'callerHangsUp', callId: CALL })
    expect(get(floor.state().agents, BO)?.wrapUps[0]?.recommendedMs).toBe(77_000)
    give(floor, save(BO, 'other-done'))
  })

  test('goes to no queue that is closed', () => {
    const floor = talking({ ...TWO, queues: TWO.queues.map((q) => (q.id === SECOND_QUEUE ? { ...q, hours: [{ days: [7], fromMinute: 0, toMinute: 1 }] } : q)) })
    const target = { kind: 'queue', queueId: SECOND_QUEUE } as const
    for (const kind of ['transfer', 'consult'] as const) expect(floor.give({ kind, agentId: ANN, callId: CALL, target })).toBe('queueClosed')
    expect(get(floor.state().agents, ANN)?.engagements).toMatchObject([{ state: 'connected' }])
  })
})

test('an outcome saved within the grace of a hang-up can be taken back: the call owes it again, with what was written', () => {
  const floor = talking()
  give(floor, on('hangUp'), save(ANN, 'done', { notes: 'All well.' }))
  expect(get(floor.state().agents, ANN)?.wrapUps).toEqual([])
  give(floor, on('takeBackOutcome'))
  expect(get(floor.state().agents, ANN)?.wrapUps).toMatchObject([{ callId: CALL }])
  expect(get(floor.state().work, CALL)).toMatchObject({ notes: 'All well.', outcome: null, owedBy: [ANN] })
  give(floor, save(ANN, 'later'))
  expect(values(floor.state().work)).toEqual([])
})

test('a kept place that is called back in vain is coded “nobody answered”', () => {
  const floor = aFloor({
    ...TWO,
    outcomeSets: TWO.outcomeSets.map((s) => ({ ...s, codes: s.codes.map((c) => (c.code === 'again' ? { ...c, onlyDialled: true } : c)) })),
  })
  give(floor, { kind: 'callArrives', queueId: FIRST, number: NUMBER, customer: IDA, path: null }, { kind: 'keepPlace', callId: CALL })
  give(floor, { kind: 'startShift', agentId: ANN, queueIds: [FIRST], seat: 'desk' }, { kind: 'goReady', agentId: ANN }, on('answer'))
  give(floor, { kind: 'farEnd', callId: CALL, report: 'noAnswer' }, on('hangUp'), save(ANN, 'again'))
  expect(values(floor.state().callbacks)).toMatchObject([{ why: 'retry', number: NUMBER }])
})

describe('a queue is retired', () => {
  const retire = (id: typeof FIRST) =>
    ({ kind: 'changeSetUp', agentId: OWN, setUp: { ...TWO, queues: TWO.queues.map((q) => ({ ...q, retired: q.id === id })) } }) as AgentCommand

  test('not while it is the only one somebody on shift serves', () => {
    const floor = talking()
    expect(floor.give(retire(SECOND_QUEUE))).toBe('worksThere')
  })

  test('and catches no call of no queue any more', () => {
    const floor = aFloor({ ...TWO, queues: TWO.queues.map((q) => (q.id === FIRST ? { ...q, headStartMs: 60_000 } : q)) })
    give(
      floor,
      { kind: 'startShift', agentId: ANN, queueIds: [FIRST, SECOND_QUEUE], seat: 'desk' },
      { kind: 'startShift', agentId: BO, queueIds: [SECOND_QUEUE], seat: 'desk' },
    )
    give(floor, retire(FIRST), { kind: 'makeCall', agentId: ANN, typed: '01632 960140', customer: null })
    give(floor, { kind: 'farEnd', callId: CALL, report: 'ringing' }, { kind: 'farEnd', callId: CALL, report: 'answered' })
    give(floor, { kind: 'transfer', agentId: ANN, callId: CALL, target: { kind: 'agent', agentId: BO } }, { kind: 'decline', agentId: BO, callId: CALL })
    floor.give({ kind: 'passTime' }, 4_000)
    floor.give({ kind: 'decline', agentId: ANN, callId: CALL })
    floor.give({ kind: 'passTime' }, 4_000)
    floor.give({ kind: 'passTime' }, 30_000)
    expect(floor.state().waiting[FIRST] ?? []).toEqual([])
    expect(values(floor.state().calls).every((c) => c.queueId !== FIRST)).toBe(true)
  })
})

test('two drafts of one set-up: the later is told that it would undo the earlier', () => {
  const floor = aFloor(TWO)
  const draft = (ringLimitMs: number, basedOn: number) =>
    ({ kind: 'changeSetUp', agentId: OWN, basedOn, setUp: { ...floor.state().setUp, ringLimitMs } }) as AgentCommand
  const { setUpSeq } = floor.state()
  give(floor, draft(15_000, setUpSeq))
  expect(floor.give(draft(25_000, setUpSeq))).toBe('setUpMoved')
  expect(floor.state().setUp.ringLimitMs).toBe(15_000)
  give(floor, draft(25_000, floor.state().setUpSeq))
})

test('an extension is sent once the number has answered, and not before', () => {
  const floor = talking()
  give(floor, on('hangUp'), save(ANN, 'done'), { kind: 'makeCall', agentId: ANN, typed: '01632 960140 ext. 12', customer: null })
  const second = toCallId('call_test_2')
  const sent = () => floor.entries.flatMap((e) => (e.event.kind === 'digitsSent' ? [e.event.digits] : []))
  give(floor, { kind: 'farEnd', callId: second, report: 'ringing' })
  expect(sent()).toEqual([])
  give(floor, { kind: 'farEnd', callId: second, report: 'answered' })
  expect(sent()).toEqual(['12'])
})

/** What stands because of each agent's part, as it should: the code they have given last and not taken back, and nothing else. */
describe('whatever two agents code of one call, in whatever order', () => {
  const CODES = ['later', 'call-back', 'never-number', 'never-person', 'wrong', 'hand-on'] as const
  const step = fc.record({
    who: fc.constantFrom(ANN, BO),
    code: fc.constantFrom(...CODES),
    takesBack: fc.boolean(),
    afterMs: fc.constantFrom(500, 3_000, 9_000),
  })
  const all = { ...TWO, outcomeSets: TWO.outcomeSets.map((s) => ({ ...s, codes: CENTRE.outcomeSets[0]?.codes ?? [] })) }

  test('what follows is what their last codes ask for, each by whoever gave it', () => {
    fc.assert(
      fc.property(fc.array(step, { maxLength: 12 }), fc.boolean(), (steps, endsFirst) => {
        const floor = handedOn(all)
        if (endsFirst) give(floor, { kind: 'callerHangsUp', callId: CALL })
        const has = new Map<AgentId, string>()
        for (const { who, code, takesBack, afterMs } of steps) {
          const callback = { dueAtMs: inAnHour(floor), timeZone: 'UTC', typed: '', owner: 'mine' }
          if (takesBack) {
            if (floor.give(on('takeBackOutcome', who), afterMs) === 'ok') has.delete(who)
          } else if (floor.give(save(who, code, { callback }), afterMs) === 'ok') has.set(who, code)
          expect(broken(floor.state())).toEqual([])
        }
        const who = (code: string) => [...has].flatMap(([id, c]) => (c === code ? [id] : [])).sort()
        const { callbacks, tasks, doNotCall, struck } = floor.state()
        const grounds = (whom: object) => {
          const entry = values(doNotCall).find((e) => JSON.stringify(e.whom) === JSON.stringify(whom))
          return entry === undefined ? [] : groundsOf(entry).map((g) => g.byAgentId)
        }
        const stands = {
          callbacks: values(callbacks).map((c) => c.agreedBy),
          tasks: values(tasks).map((t) => t.byAgentId),
          number: grounds({ number: NUMBER }),
          person: grounds({ person: IDA.name }),
          struck: struck.map((s) => s.byAgentId),
        }
        for (const of of Object.values(stands)) of.sort()
        expect(stands).toEqual({
          callbacks: who('call-back'),
          tasks: who('hand-on'),
          number: who('never-number'),
          person: who('never-person'),
          struck: who('wrong'),
        })
      }),
      { numRuns: 400 },
    )
  })
})

test('a call that comes back is coded by who had it last: what they say stands, also when the one between them says it later', () => {
  const back = (order: readonly AgentCommand[]) => {
    const floor = handedOn()
    give(floor, save(ANN, 'done', { andThen: { state: 'ready' } }))
    give(floor, { kind: 'transfer', agentId: BO, callId: CALL, target: { kind: 'queue', queueId: FIRST } }, on('answer'))
    give(floor, on('hangUp'))
    floor.give({ kind: 'passTime' }, 4_000)
    for (const command of order) give(floor, command)
    const folder = createLedgerFolder()
    for (const entry of floor.entries) folder.add(entry)
    return folder.records()[0]
  }
  const [bo, ann] = [save(BO, 'other-done', { notes: 'Bo' }), save(ANN, 'hand-on', { notes: 'Ann again' })]
  expect(back([bo, ann])).toMatchObject({ outcome: 'hand-on', outcomeById: ANN, notes: 'Ann again' })
  expect(back([ann, bo])).toMatchObject({ outcome: 'hand-on', outcomeById: ANN, notes: 'Ann again' })
})
