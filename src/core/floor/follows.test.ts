import { describe, expect, test } from 'vitest'
import type { AgentCommand, Command } from '@/core/floor'
import { toCallId } from '@/core/ids'
import type { FloorEvent } from '@/core/ledger'
import { type SetUp, SetUpSchema } from '@/core/set-up'
import { get, values } from '@/core/table'
import { ANN, aFloor, BO, FIRST, SECOND_QUEUE, SMALL, type TestFloor } from '@/core/testing'

const NUMBER = '+441632960112'
const IDA = { name: 'Ida Holm', group: 'Visitor', facts: [] }

const code = (key: string, id: string, follows: object, more: object = {}) => ({
  ...SMALL.outcomeSets[0]?.codes[0],
  key,
  code: id,
  label: id,
  follows,
  ...more,
})

/** The small centre with a code for everything that can follow, wrap-ups with a limit, a supervisor, and one outcome that may be owed. */
const CENTRE: SetUp = SetUpSchema.parse({
  ...SMALL,
  mostOwed: 1,
  callbackMissedAfterMs: 60_000,
  agents: [
    ...SMALL.agents.map((a) => (a.id === BO ? { ...a, takesWrapUp: false } : a)),
    { ...SMALL.agents[0], id: 'agent_sue', name: 'Sue', pin: '2222', role: 'supervisor', queueIds: [], may: ['supervision'] },
    { ...SMALL.agents[0], id: 'agent_own', name: 'Own', pin: '3333', role: 'supervisor', queueIds: [], may: ['setUp'] },
  ],
  queues: SMALL.queues.map((q) => ({
    ...q,
    wrapUpLimit: { afterMs: 90_000, andThen: q.id === FIRST ? 'notReady' : 'ready', extensionMs: 30_000 },
  })),
  outcomeSets: SMALL.outcomeSets.map((set) => ({
    ...set,
    codes: [
      ...set.codes,
      code('3', 'call-back', { kind: 'callback' }),
      code('4', 'again', { kind: 'retry', afterMs: 7_200_000, atMost: 2 }),
      code('5', 'never-number', { kind: 'neverCall', whom: 'number' }),
      code('6', 'never-person', { kind: 'neverCall', whom: 'person' }),
      code('7', 'wrong', { kind: 'wrongNumber' }),
      code('8', 'hand-on', { kind: 'task', title: 'See to {caller.name|them}', text: 'They chose {call.path|nothing}', dueAfterMs: 60_000, assignee: 'agent' }),
      code('9', 'noted', { kind: 'nothing' }, { needs: { notes: true, field: null } }),
      code('0', 'asked', { kind: 'nothing' }, { needs: { notes: false, field: 'reference' } }),
      code('1', 'old', { kind: 'nothing' }, { retired: true }),
      code('2', 'old-too', { kind: 'nothing' }, { retired: true }),
    ],
  })),
})

const save = (id: string | null, more: Partial<Extract<AgentCommand, { kind: 'saveOutcome' }>> = {}, n = 1): AgentCommand => ({
  ...{ kind: 'saveOutcome', agentId: ANN, callId: toCallId(`call_test_${n}`), code: id, notes: '', followUp: '', andThen: { state: 'ready' } },
  ...more,
})

/** Ann (or Bo) has talked with Ida and is rid of her. */
function talked(agentId = ANN, queueId = FIRST): TestFloor {
  const floor = aFloor(CENTRE)
  const pin = SMALL.agents.find((a) => a.id === agentId)?.pin ?? ''
  floor.give({ kind: 'startShift', agentId, pin, queueIds: [FIRST, SECOND_QUEUE], seat: 'desk' })
  floor.give({ kind: 'goReady', agentId })
  call(floor, agentId, queueId, 1)
  return floor
}

function call(floor: TestFloor, agentId = ANN, queueId = FIRST, n = 1): void {
  const callId = toCallId(`call_test_${n}`)
  floor.give({ kind: 'callArrives', queueId, number: NUMBER, customer: IDA, path: 'one' })
  expect(floor.give({ kind: 'answer', agentId, callId })).toBe('ok')
  expect(floor.give({ kind: 'hangUp', agentId, callId })).toBe('ok')
}

const events = (floor: TestFloor, from: number): FloorEvent['kind'][] => floor.entries.slice(from).map((e) => e.event.kind)
const ann = (floor: TestFloor) => get(floor.state().agents, ANN)
const callbacks = (floor: TestFloor) => values(floor.state().callbacks)
const inAnHour = (floor: TestFloor) => floor.state().atMs + 3_600_000
const agreed = (floor: TestFloor, owner: 'mine' | 'anyone' = 'mine') =>
  save('call-back', { callback: { dueAtMs: inAnHour(floor), timeZone: 'Europe/London', typed: '', owner } })

describe('what an outcome asks for', () => {
  test.each([
    { says: 'no code', asked: save(null), then: 'outcomeMissing' },
    { says: 'a code of another set', asked: save('nonsense'), then: 'unknownCode' },
    { says: 'a code that is retired', asked: save('old'), then: 'unknownCode' },
    { says: 'no notes where the code needs them', asked: save('noted'), then: 'notesMissing' },
    { says: 'notes where the code needs them', asked: save('noted', { notes: 'Told her.' }), then: 'ok' },
    { says: 'no answer where the code needs one', asked: save('asked'), then: 'fieldMissing' },
    { says: 'a callback without a time', asked: save('call-back'), then: 'callbackTimeMissing' },
    {
      says: 'a callback in the past',
      asked: save('call-back', { callback: { dueAtMs: 5, timeZone: 'UTC', typed: '', owner: 'mine' } }),
      then: 'callbackInThePast',
    },
    {
      says: 'a callback to half a number',
      asked: save('call-back', { callback: { dueAtMs: 9e12, timeZone: 'UTC', typed: '01632', owner: 'mine' } }),
      then: 'numberTooShort',
    },
    { says: 'a task without a title', asked: save('hand-on', { task: { title: ' ', text: '', dueAtMs: 9e12, assignee: 'agent' } }), then: 'taskTitleMissing' },
  ])('$says: $then', ({ asked, then }) => expect(talked().give(asked)).toBe(then))
})

describe('what follows from an outcome', () => {
  test.each([
    { says: 'nothing', id: 'done', then: [] },
    { says: 'another try', id: 'again', then: ['callbackAgreed'] },
    { says: 'the number is never called', id: 'never-number', then: ['doNotCallAdded'] },
    { says: 'the number is struck', id: 'wrong', then: ['numberStruck'] },
    { says: 'a task is filed', id: 'hand-on', then: ['taskFiled'] },
  ])('$says', ({ id, then }) => {
    const floor = talked()
    const from = floor.entries.length
    expect(floor.give(save(id))).toBe('ok')
    expect(events(floor, from)).toEqual(['outcomeSaved', ...then, 'wrapUpEnded'])
    const saved = floor.entries[from]?.seq
    for (const entry of floor.entries.slice(from + 1, from + 1 + then.length)) expect(entry.causedBy).toBe(saved)
  })

  test('a task is prefilled from the call, and takes what the agent made of it', () => {
    const floor = talked()
    floor.give(save('hand-on'))
    expect(values(floor.state().tasks)[0]).toMatchObject({ title: 'See to Ida Holm', text: 'They chose one', customer: 'Ida Holm', assigneeId: ANN })
    const own = talked()
    own.give(save('hand-on', { task: { title: 'Ring the port', text: 'Soon', dueAtMs: 9e12, assignee: 'anybody' } }))
    expect(values(own.state().tasks)[0]).toMatchObject({ title: 'Ring the port', text: 'Soon', dueAtMs: 9e12, assigneeId: null })
    expect(own.give({ kind: 'closeTask', agentId: ANN, taskId: values(own.state().tasks)[0]?.taskId as never })).toBe('ok')
    expect(values(own.state().tasks)).toEqual([])
  })

  test('another outcome withdraws what followed from the first', () => {
    for (const [first, leaves] of [
      ['again', callbacks],
      ['never-person', (f: TestFloor) => values(f.state().doNotCall)],
      ['wrong', (f: TestFloor) => f.state().struck],
      ['hand-on', (f: TestFloor) => values(f.state().tasks)],
    ] as const) {
      const floor = aFloor(CENTRE)
      floor.give({ kind: 'startShift', agentId: ANN, pin: '1110', queueIds: [FIRST], seat: 'desk' })
      floor.give({ kind: 'goReady', agentId: ANN })
      floor.give({ kind: 'callArrives', queueId: FIRST, number: NUMBER, customer: IDA, path: null })
      floor.give({ kind: 'answer', agentId: ANN, callId: toCallId('call_test_1') })
      floor.give(save(first))
      expect(leaves(floor)).toHaveLength(1)
      expect(floor.give(save('done'))).toBe('ok')
      expect(leaves(floor)).toHaveLength(0)
    }
  })

  test('tries are counted through the calls made for them, and end at their number', () => {
    const floor = talked()
    floor.give(save('again'))
    for (const [attempt, after] of [
      [1, 1],
      [2, 0],
    ] as const) {
      const callback = callbacks(floor)[0]
      expect(callback).toMatchObject({ why: 'retry', attempt, atMost: 2, ownerId: null, number: NUMBER })
      const callId = toCallId(`call_test_${attempt + 1}`)
      expect(floor.give({ kind: 'makeCall', agentId: ANN, typed: '', customer: null, callbackId: callback?.id as never })).toBe('ok')
      expect(get(floor.state().calls, callId)).toMatchObject({ queueId: FIRST, number: NUMBER, customer: { name: 'Ida Holm' } })
      floor.give({ kind: 'farEnd', callId, report: 'noAnswer' })
      floor.give({ kind: 'hangUp', agentId: ANN, callId })
      expect(floor.give(save('again', {}, attempt + 1))).toBe('ok')
      expect(callbacks(floor)).toHaveLength(after)
    }
    expect(floor.entries.findLast((e) => e.event.kind === 'callbackClosed')?.event).toMatchObject({ because: 'noTriesLeft' })
  })
})

describe('callbacks', () => {
  const withCallback = (owner: 'mine' | 'anyone') => {
    const floor = talked()
    floor.give(agreed(floor, owner))
    floor.give({ kind: 'startShift', agentId: BO, pin: '1111', queueIds: [FIRST], seat: 'desk' })
    return { floor, callbackId: callbacks(floor)[0]?.id as never }
  }
  test.each([
    { says: 'a colleague dials one that is anybody’s', owner: 'anyone', when: { kind: 'makeCall', typed: '', customer: null }, then: 'ok' },
    { says: 'a colleague does not dial mine', owner: 'mine', when: { kind: 'makeCall', typed: '', customer: null }, then: 'callbackOfAnother' },
    { says: 'nor move it', owner: 'mine', when: { kind: 'moveCallback', dueAtMs: 9e12, timeZone: 'UTC', why: '' }, then: 'callbackOfAnother' },
    { says: 'it is moved', owner: 'anyone', when: { kind: 'moveCallback', dueAtMs: 9e12, timeZone: 'UTC', why: '' }, then: 'ok' },
    { says: 'but not into the past', owner: 'anyone', when: { kind: 'moveCallback', dueAtMs: 5, timeZone: 'UTC', why: '' }, then: 'callbackInThePast' },
    { says: 'it is taken over', owner: 'anyone', when: { kind: 'handOverCallback', ownerId: BO }, then: 'ok' },
    { says: 'not handed to whoever has it', owner: 'anyone', when: { kind: 'handOverCallback', ownerId: null }, then: 'callbackUnchanged' },
    { says: 'nor to a stranger', owner: 'anyone', when: { kind: 'handOverCallback', ownerId: 'agent_nobody' }, then: 'targetUnknown' },
    { says: 'it is given up with a reason', owner: 'anyone', when: { kind: 'dropCallback', why: 'She called us.' }, then: 'ok' },
    { says: 'and not without', owner: 'anyone', when: { kind: 'dropCallback', why: ' ' }, then: 'whyMissing' },
  ] as const)('$says: $then', ({ owner, when, then }) => {
    const { floor, callbackId } = withCallback(owner)
    expect(floor.give({ ...when, agentId: BO, callbackId } as Command)).toBe(then)
  })

  test('one that is being called is nobody else’s, and is done when that call is coded', () => {
    const { floor, callbackId } = withCallback('anyone')
    floor.give({ kind: 'makeCall', agentId: ANN, typed: '', customer: null, callbackId })
    expect(floor.give({ kind: 'makeCall', agentId: BO, typed: '', customer: null, callbackId })).toBe('callbackUnderWay')
    floor.give({ kind: 'farEnd', callId: toCallId('call_test_2'), report: 'ringing' })
    floor.give({ kind: 'farEnd', callId: toCallId('call_test_2'), report: 'answered' })
    expect(get(floor.state().contacts, 'call_test_2')?.run?.scriptId).toBe('script_small')
    floor.give({ kind: 'hangUp', agentId: ANN, callId: toCallId('call_test_2') })
    floor.give(save('done', {}, 2))
    expect(floor.give({ kind: 'dropCallback', agentId: BO, callbackId, why: 'Over.' })).toBe('noSuchCallback')
  })

  test('one that nobody makes escalates: it is anybody’s, and moving it brings it back to its time', () => {
    const { floor, callbackId } = withCallback('mine')
    floor.give({ kind: 'passTime' }, 3_600_000 + 50_000)
    expect(callbacks(floor)[0]?.escalatedAtMs).toBeNull()
    floor.give({ kind: 'passTime' }, 20_000)
    expect(callbacks(floor)[0]).toMatchObject({ ownerId: null, escalatedAtMs: floor.state().atMs })
    floor.give({ kind: 'moveCallback', agentId: BO, callbackId, dueAtMs: inAnHour(floor), timeZone: 'UTC', why: '' })
    expect(callbacks(floor)[0]?.escalatedAtMs).toBeNull()
  })
})

describe('the do-not-call list', () => {
  const SUE = 'agent_sue' as never
  const add = (whom: object, more: object = {}): Command =>
    ({ kind: 'addDoNotCall', agentId: ANN, pin: '1110', entries: [{ whom, why: 'Asked us' }], ...more }) as Command
  const listed = (whom: object) => {
    const floor = talked()
    floor.give(save('done'))
    expect(floor.give(add(whom))).toBe('ok')
    return floor
  }
  const dial = (more: object = {}): Command => ({ kind: 'makeCall', agentId: ANN, typed: '01632 960112', customer: IDA, ...more }) as Command
  const waiver = (more: object = {}) => ({ waiver: { agentId: SUE, pin: '2222', why: 'She asked for this one.', ...more } })

  test.each([
    { says: 'dialling by hand', when: dial(), then: 'onDoNotCall' },
    { says: 'diverting to it', when: { kind: 'setDiversion', agentId: ANN, to: { kind: 'number', typed: '01632 960112' } }, then: 'onDoNotCall' },
    { says: 'a supervisor lets one call be made', when: dial(waiver()), then: 'ok' },
    { says: 'without a reason not', when: dial(waiver({ why: '' })), then: 'whyMissing' },
    { says: 'nor with a wrong PIN', when: dial(waiver({ pin: '9999' })), then: 'wrongAgentOrPin' },
    { says: 'nor by who is no supervisor', when: dial(waiver({ agentId: BO, pin: '1111' })), then: 'notEntitled' },
  ] as const)('$says: $then', ({ when, then }) => expect(listed({ number: NUMBER }).give(when as Command)).toBe(then))

  test('a person is listed with every number of theirs; the waiver is kept and holds once', () => {
    const floor = listed({ person: 'ida  holm' })
    expect(floor.give(dial({ typed: '01632 960113' }))).toBe('onDoNotCall')
    expect(floor.give(dial({ customer: null }))).toBe('ok')
    const again = listed({ person: 'Ida Holm' })
    again.give(dial(waiver()))
    expect(again.entries.at(-1)?.event).toMatchObject({ kind: 'doNotCallWaived', byAgentId: SUE, why: 'She asked for this one.' })
    again.give({ kind: 'hangUp', agentId: ANN, callId: toCallId('call_test_2') })
    again.give(save('done', {}, 2))
    expect(again.give(dial())).toBe('onDoNotCall')
  })

  test('a colleague’s diversion to a number that is listed later is followed no more', () => {
    const floor = talked()
    floor.give(save('done'))
    floor.give({ kind: 'startShift', agentId: BO, pin: '1111', queueIds: [FIRST], seat: 'desk' })
    expect(floor.give({ kind: 'setDiversion', agentId: BO, to: { kind: 'number', typed: '01632 960140' } })).toBe('ok')
    floor.give(add({ number: '+441632960140' }))
    floor.give({ kind: 'callArrives', queueId: FIRST, number: NUMBER, customer: IDA, path: null })
    const callId = toCallId('call_test_2')
    floor.give({ kind: 'answer', agentId: ANN, callId })
    expect(floor.give({ kind: 'transfer', agentId: ANN, callId, target: { kind: 'agent', agentId: BO } })).toBe('onDoNotCall')
  })

  test('every other way to bring a number to a call respects it', () => {
    const floor = listed({ number: '+441632960140' })
    floor.give({ kind: 'callArrives', queueId: FIRST, number: NUMBER, customer: IDA, path: null })
    const on = { agentId: ANN, callId: toCallId('call_test_2'), target: { kind: 'number', typed: '01632 960140', name: null } as const }
    expect(floor.give({ kind: 'divert', ...on })).toBe('onDoNotCall')
    floor.give({ kind: 'answer', agentId: ANN, callId: on.callId })
    for (const kind of ['consult', 'addParty', 'transfer'] as const) expect(floor.give({ kind, ...on })).toBe('onDoNotCall')
  })

  test.each([
    { says: 'twice the same', given: add({ number: NUMBER }), then: 'alreadyOnList' },
    { says: 'nobody', given: add({}, { entries: [] }), then: 'nobodyNamed' },
    { says: 'no reason', given: add({}, { entries: [{ whom: { number: '+441632960150' }, why: ' ' }] }), then: 'whyMissing' },
    { says: 'a wrong PIN', given: add({ number: '+441632960150' }, { pin: '0000' }), then: 'wrongAgentOrPin' },
    {
      says: 'an agent takes nothing out',
      given: { kind: 'removeDoNotCall', agentId: ANN, pin: '1110', whom: { number: NUMBER }, why: 'x' },
      then: 'notEntitled',
    },
    {
      says: 'nor does anybody without a reason',
      given: { kind: 'removeDoNotCall', agentId: SUE, pin: '2222', whom: { number: NUMBER }, why: '' },
      then: 'whyMissing',
    },
    {
      says: 'what is not there',
      given: { kind: 'removeDoNotCall', agentId: SUE, pin: '2222', whom: { number: '+441632960150' }, why: 'x' },
      then: 'notOnList',
    },
    { says: 'a supervisor takes it out', given: { kind: 'removeDoNotCall', agentId: SUE, pin: '2222', whom: { number: NUMBER }, why: 'x' }, then: 'ok' },
  ] as const)('$says: $then', ({ given, then }) => expect(listed({ number: NUMBER }).give(given as Command)).toBe(then))
})

describe('wrap-up and what is owed', () => {
  test('over its limit the call is owed and the queue says how the agent goes on', () => {
    for (const [queueId, state] of [
      [FIRST, 'notReady'],
      [SECOND_QUEUE, 'ready'],
    ] as const) {
      const floor = talked(ANN, queueId)
      floor.give({ kind: 'passTime' }, 89_000)
      expect(ann(floor)?.state.name).toBe('wrapUp')
      floor.give({ kind: 'passTime' }, 1_000)
      expect(ann(floor)?.state.name).toBe(state)
      expect(ann(floor)?.owed).toMatchObject([{ callId: 'call_test_1', because: 'limit' }])
      expect(floor.give(save('done', { notes: 'Late, and kept.' }))).toBe('ok')
      expect(ann(floor)).toMatchObject({ owed: [], state: { name: 'ready' } })
      expect(floor.state().contacts.flat()).toEqual([])
    }
  })

  test.each([
    { says: 'once', given: ['Much to write'], then: ['ok'] },
    { says: 'not twice', given: ['Much to write', 'More'], then: ['ok', 'alreadyExtended'] },
    { says: 'not without a reason', given: [''], then: ['whyMissing'] },
  ])('it is extended $says', ({ given, then }) => {
    const floor = talked()
    expect(given.map((why) => floor.give({ kind: 'extendWrapUp', agentId: ANN, callId: toCallId('call_test_1'), why }))).toEqual(then)
    floor.give({ kind: 'passTime' }, 91_000)
    expect(ann(floor)?.state.name).toBe(then[0] === 'ok' ? 'wrapUp' : 'notReady')
    floor.give({ kind: 'passTime' }, 30_000)
    expect(ann(floor)?.state.name).toBe('notReady')
  })

  test('who takes no wrap-up is ready at once and owes; over the allowed number they are not', () => {
    const floor = talked(BO)
    const bo = () => get(floor.state().agents, BO)
    expect(bo()).toMatchObject({ state: { name: 'ready' }, owed: [{ because: 'noWrapUp' }] })
    call(floor, BO, FIRST, 2)
    expect(bo()).toMatchObject({ state: { name: 'notReady', reason: 'Outcome owed' }, owed: [{}, {}] })
    expect(floor.give({ kind: 'goReady', agentId: BO })).toBe('outcomeOwed')
    expect(floor.give({ kind: 'endShift', agentId: BO })).toBe('outcomeOwed')
    floor.give(save('done', { agentId: BO }, 1))
    expect(bo()).toMatchObject({ state: { name: 'ready' }, owed: [{ callId: 'call_test_2' }] })
  })

  test('going ready in wrap-up leaves the outcome for later, as far as that is allowed', () => {
    const floor = talked()
    expect(floor.give({ kind: 'goReady', agentId: ANN })).toBe('ok')
    expect(ann(floor)).toMatchObject({ state: { name: 'ready' }, owed: [{ because: 'leftForLater' }] })
    call(floor, ANN, FIRST, 2)
    expect(floor.give({ kind: 'goReady', agentId: ANN })).toBe('outcomeOwed')
    expect(floor.give(save('done', {}, 2))).toBe('ok')
    expect(ann(floor)?.state.name).toBe('ready')
  })
})

describe('an outcome taken back', () => {
  const back = (n = 1): Command => ({ kind: 'takeBackOutcome', agentId: ANN, callId: toCallId(`call_test_${n}`) })
  const withGrace = (inMs: number, id = 'again') => {
    const floor = aFloor(SetUpSchema.parse({ ...CENTRE, takeBackMs: 4_000 }))
    floor.give({ kind: 'startShift', agentId: ANN, pin: '1110', queueIds: [FIRST], seat: 'desk' })
    floor.give({ kind: 'goReady', agentId: ANN })
    call(floor)
    floor.give({ kind: 'hangUp', agentId: ANN, callId: toCallId('call_test_1') })
    floor.give(save(id, { notes: 'Half a story' }))
    return { floor, verdict: floor.give(back(), inMs) }
  }

  test('within the grace the call is wrapped up again with what was written, and nothing has followed', () => {
    const { floor, verdict } = withGrace(4_000)
    expect(verdict).toBe('ok')
    expect(ann(floor)).toMatchObject({ state: { name: 'wrapUp' }, codedCount: 0 })
    expect(get(floor.state().contacts, 'call_test_1')).toMatchObject({ notes: 'Half a story', outcome: null, owedBy: [ANN] })
    expect(callbacks(floor)).toEqual([])
    expect(floor.give(save('done'))).toBe('ok')
    expect(floor.state().contacts.flat()).toEqual([])
  })

  test('over the grace, or with another call, it stands', () => {
    expect(withGrace(4_001).verdict).toBe('outcomeStands')
    expect(talked().give(back())).toBe('outcomeStands')
    const { floor } = withGrace(9_000, 'done')
    floor.give({ kind: 'callArrives', queueId: FIRST, number: NUMBER, customer: IDA, path: 'one' }, 0)
    expect(floor.give(back(), 0)).toBe('outcomeStands')
  })
})

describe('corrections', () => {
  const correct = (more: object = {}): Command =>
    ({
      ...{ kind: 'correctOutcome', agentId: ANN, callId: toCallId('call_test_1'), pin: null, queueId: FIRST, direction: 'inbound' },
      ...{ code: 'later', was: 'done', why: 'Pressed the wrong key', ...more },
    }) as Command
  test.each([
    { says: 'by the agent, on this shift', when: correct(), then: 'ok' },
    { says: 'to the same', when: correct({ code: 'done' }), then: 'codeUnchanged' },
    { says: 'to a code that is retired', when: correct({ code: 'old' }), then: 'unknownCode' },
    { says: 'without a reason', when: correct({ why: '' }), then: 'whyMissing' },
    { says: 'by somebody else', when: correct({ agentId: BO }), then: 'notOnShift' },
    { says: 'by a supervisor', when: correct({ agentId: 'agent_sue', pin: '2222' }), then: 'ok' },
    { says: 'by an owner of the set-up', when: correct({ agentId: 'agent_own', pin: '3333' }), then: 'notEntitled' },
    { says: 'of a call of last week, by a supervisor', when: correct({ agentId: 'agent_sue', pin: '2222', callId: 'call_old_1' }), then: 'ok' },
    { says: 'of a call of last week, by an agent', when: correct({ callId: 'call_old_1' }), then: 'notYoursToCorrect' },
  ])('$says: $then', ({ when, then }) => {
    const floor = talked()
    floor.give(save('done'))
    expect(floor.give(when)).toBe(then)
  })

  test('a new shift knows the calls of the last one no more', () => {
    const floor = talked()
    floor.give(save('done'))
    floor.give({ kind: 'endShift', agentId: ANN })
    floor.give({ kind: 'startShift', agentId: ANN, pin: '1110', queueIds: [FIRST], seat: 'desk' })
    expect(floor.give(correct())).toBe('notYoursToCorrect')
  })
})
