import { describe, expect, test } from 'vitest'
import { spentKey, spentToday } from '@/core/agents'
import { type Call, whoHearsWhom } from '@/core/calls'
import type { AgentCommand, Command } from '@/core/floor'
import { deviceOfAgent, deviceOutside, toAgentId, toCallId, toCampaignId } from '@/core/ids'
import { SetUpSchema } from '@/core/set-up'
import { nextDueAtMs } from '@/core/state'
import { get, must, values } from '@/core/table'
import { ANN, aFloor, arrives, BO, CY, FIRST, SECOND_QUEUE, SMALL, type TestFloor } from '@/core/testing'

const CALL = toCallId('call_test_1')
const on = (kind: 'answer' | 'decline' | 'hangUp' | 'hold' | 'retrieve', agentId = ANN): AgentCommand => ({ kind, agentId, callId: CALL })

/** The small centre, changed; Ann may change it, and these agents are on shift and ready. */
function aCentre(change: object = {}, agents = [ANN]): TestFloor {
  const may = SMALL.agents[0]?.may ?? []
  const accounts = SMALL.agents.map((a) => (a.id === ANN ? { ...a, may: [...may, 'setUp'] } : a))
  const floor = aFloor(SetUpSchema.parse({ ...SMALL, agents: accounts, ...change }))
  for (const agentId of agents) {
    floor.give({ kind: 'startShift', agentId, queueIds: [FIRST, SECOND_QUEUE], seat: 'desk' })
    floor.give({ kind: 'goReady', agentId })
  }
  return floor
}
const withFirst = (more: object) => ({ queues: SMALL.queues.map((q) => (q.id === FIRST ? { ...q, ...more } : q)) })
const stateOf = (floor: TestFloor, id = ANN) => {
  const { name, reason } = must(floor.state().agents, id).state
  return spentKey({ name, reason })
}
const events = (floor: TestFloor) => floor.entries.map((e) => e.event.kind)
const give = (floor: TestFloor, ...commands: Command[]) => {
  for (const command of commands) expect(floor.give(command)).toBe('ok')
}
const callerHears = (floor: TestFloor) =>
  whoHearsWhom(must(floor.state().calls, CALL) as Call, () => false).find((e) => e.listener === deviceOutside(CALL, 1) && e.speaker === deviceOfAgent(ANN))
    ?.hears

describe('the seat', () => {
  test('moves to another desk with its call', () => {
    const floor = aCentre()
    give(floor, arrives(), on('answer'))
    const before = must(floor.state().agents, ANN)
    expect(floor.give({ kind: 'moveSeat', agentId: toAgentId('agent_nobody') })).toBe('noSuchAccount')
    expect(floor.give({ kind: 'moveSeat', agentId: BO })).toBe('notOnShift')
    give(floor, { kind: 'moveSeat', agentId: ANN })
    expect(must(floor.state().agents, ANN)).toEqual(before)
  })
})

describe('time today', () => {
  test('adds up over the shifts of a day, and begins anew with the next', () => {
    const floor = aCentre({}, [])
    const start: Command = { kind: 'startShift', agentId: ANN, queueIds: [FIRST], seat: 'desk' }
    const today = () => spentToday(must(floor.state().agents, ANN))
    give(floor, start)
    expect(floor.give({ kind: 'goReady', agentId: ANN }, 4_000)).toBe('ok')
    expect(floor.give({ kind: 'goNotReady', agentId: ANN, reason: 'Lunch' }, 10_000)).toBe('ok')
    expect(floor.give({ kind: 'endShift', agentId: ANN }, 7_000)).toBe('ok')
    expect(floor.give(start, 60_000)).toBe('ok')
    expect(floor.give({ kind: 'goReady', agentId: ANN }, 1_000)).toBe('ok')
    expect(today()).toEqual({ 'notReady Signed in': 5_000, ready: 10_000, 'notReady Lunch': 7_000 })
    give(floor, { kind: 'endShift', agentId: ANN })
    expect(floor.give(start, 86_400_000)).toBe('ok')
    expect(today()).toEqual({})
  })
})

describe('not ready after this call', () => {
  test('is how the agent stands once the outcome says nothing else', () => {
    const floor = aCentre()
    give(floor, arrives(), on('answer'), { kind: 'goNotReady', agentId: ANN, reason: 'Lunch' })
    expect(stateOf(floor)).toBe('onCall')
    give(floor, on('hangUp'), {
      kind: 'saveOutcome',
      agentId: ANN,
      callId: CALL,
      code: 'done',
      notes: '',
      followUp: '',
      andThen: { state: 'notReady', reason: 'Lunch' },
    })
    expect(stateOf(floor)).toBe('notReady Lunch')
  })
})

describe('sound that is lost', () => {
  test('the caller hears music, the shift goes on, and both are as before when it is back', () => {
    const floor = aCentre()
    give(floor, arrives(), on('answer'))
    expect(callerHears(floor)).toBe('voice')
    give(floor, { kind: 'reportSoundLost', agentId: ANN, why: 'Unplugged.' })
    expect(callerHears(floor)).toBe('music')
    expect(must(floor.state().agents, ANN).shift?.soundLost?.why).toBe('Unplugged.')
    give(floor, { kind: 'chooseSoundPath', agentId: ANN, path: 'handset' })
    expect(callerHears(floor)).toBe('voice')
    expect(must(floor.state().agents, ANN).shift?.soundPath).toBe('handset')
  })

  test('nothing rings meanwhile, and whoever was ready is ready again', () => {
    const floor = aCentre()
    give(floor, { kind: 'reportSoundLost', agentId: ANN, why: 'Unplugged.' }, arrives())
    expect(stateOf(floor)).toBe('notReady Sound lost')
    expect(floor.give({ kind: 'goReady', agentId: ANN })).toBe('soundIsLost')
    give(floor, { kind: 'chooseSoundPath', agentId: ANN, path: 'computer' })
    expect(stateOf(floor)).toBe('ringing')
  })

  test('after a call that ended without sound, ready waits for the sound', () => {
    const floor = aCentre()
    give(floor, arrives(), on('answer'), { kind: 'reportSoundLost', agentId: ANN, why: 'Unplugged.' }, on('hangUp'))
    give(floor, { kind: 'saveOutcome', agentId: ANN, callId: CALL, code: 'done', notes: '', followUp: '', andThen: { state: 'ready' } })
    expect(stateOf(floor)).toBe('notReady Sound lost')
    give(floor, { kind: 'chooseSoundPath', agentId: ANN, path: 'computer' })
    expect(stateOf(floor)).toBe('ready')
  })
})

describe('notes, do not disturb, diversion', () => {
  const note = (more: object = {}): AgentCommand => ({ kind: 'setNote', agentId: ANN, text: 'Back at two', untilMs: null, coverId: BO, ...more })

  test.each([
    { says: 'empty', command: note({ text: '  ' }), then: 'noteEmpty' },
    { says: 'in the past', command: note({ untilMs: 5 }), then: 'noteEndsInThePast' },
    { says: 'covered by a stranger', command: note({ coverId: toAgentId('agent_none') }), then: 'coverUnknown' },
    { says: 'covered by oneself', command: note({ coverId: ANN }), then: 'coversThemselves' },
    { says: 'as it should be', command: note(), then: 'ok' },
  ])('a note, $says: $then', ({ command, then }) => {
    expect(aCentre().give(command)).toBe(then)
  })

  test('a note ends by itself, and outlasts the shift until then', () => {
    const floor = aCentre()
    const untilMs = floor.state().atMs + 60_000
    give(floor, note({ untilMs }), { kind: 'endShift', agentId: ANN })
    expect(must(floor.state().agents, ANN).note?.text).toBe('Back at two')
    expect(nextDueAtMs(floor.state())).toBe(untilMs)
    give(floor, { kind: 'passTime' })
    expect(must(floor.state().agents, ANN).note).not.toBeNull()
    expect(floor.give({ kind: 'passTime' }, 60_000)).toBe('ok')
    expect(must(floor.state().agents, ANN).note).toBeNull()
    expect(nextDueAtMs(floor.state())).toBeNull()
  })

  const sent = (floor: TestFloor, kind: 'transfer' | 'consult') => floor.give({ kind, agentId: ANN, callId: CALL, target: { kind: 'agent', agentId: BO } })
  const partyKinds = (floor: TestFloor) => values(floor.state().calls).flatMap((c) => c.connections.map((x) => x.party.kind))

  test.each<{ says: string; ask: AgentCommand; transfer: string; consult: string }>([
    { says: 'do not disturb', ask: { kind: 'setDoNotDisturb', agentId: BO, on: true }, transfer: 'voicemail', consult: 'targetTakesMessagesOnly' },
    {
      says: 'diverted to voicemail',
      ask: { kind: 'setDiversion', agentId: BO, to: { kind: 'voicemail' } },
      transfer: 'voicemail',
      consult: 'targetTakesMessagesOnly',
    },
    {
      says: 'diverted to a number',
      ask: { kind: 'setDiversion', agentId: BO, to: { kind: 'number', typed: '01632 960140' } },
      transfer: 'outside',
      consult: 'ok',
    },
  ])('$says: where a colleague’s call goes', ({ ask, transfer, consult }) => {
    const floor = aCentre({}, [ANN])
    give(floor, { kind: 'startShift', agentId: BO, queueIds: [FIRST], seat: 'desk' }, ask, arrives(), on('answer'))
    expect(sent(floor, 'consult')).toBe(consult)
    const again = aCentre({}, [ANN])
    give(again, { kind: 'startShift', agentId: BO, queueIds: [FIRST], seat: 'desk' }, ask, arrives(), on('answer'))
    expect(sent(again, 'transfer')).toBe('ok')
    expect(partyKinds(again)).toContain(transfer)
    expect(must(again.state().agents, BO).engagements).toEqual([])
  })

  test('a call of a queue rings all the same; numbers are remembered; a diversion ends at one word', () => {
    const floor = aCentre()
    give(
      floor,
      { kind: 'setDiversion', agentId: ANN, to: { kind: 'number', typed: '01632 960140' } },
      { kind: 'setDoNotDisturb', agentId: ANN, on: true },
      arrives(),
    )
    expect(stateOf(floor)).toBe('ringing')
    give(floor, { kind: 'setDiversion', agentId: ANN, to: { kind: 'number', typed: '+44 1632 960141' } }, { kind: 'setDiversion', agentId: ANN, to: null })
    expect(floor.give({ kind: 'setDiversion', agentId: ANN, to: null })).toBe('nothingToClear')
    expect(must(floor.state().agents, ANN).divertedTo).toEqual(['+441632960141', '+441632960140'])
  })
})

describe('what an account may do', () => {
  const without = (...what: string[]) => ({
    agents: SMALL.agents.map((a) => ({ ...a, may: a.may.filter((m) => !what.includes(m)).concat(a.id === BO ? ['setUp'] : []) })),
  })

  test.each<{ says: string; lacks: string; given?: Command[]; command: AgentCommand; then?: string }>([
    { says: 'dial', lacks: 'outsideCalls', command: { kind: 'makeCall', agentId: ANN, typed: '01632 960112', customer: null } },
    { says: 'dial abroad', lacks: 'internationalCalls', command: { kind: 'makeCall', agentId: ANN, typed: '+33 1 99 00 12 34', customer: null } },
    {
      says: 'dial at home without leave to dial abroad',
      lacks: 'internationalCalls',
      command: { kind: 'makeCall', agentId: ANN, typed: '01632 960112', customer: null },
      then: 'ok',
    },
    { says: 'record', lacks: 'recording', given: [arrives(), on('answer')], command: { kind: 'record', agentId: ANN, callId: CALL, to: 'on' } },
    {
      says: 'bring somebody in',
      lacks: 'conference',
      given: [arrives(), on('answer')],
      command: { kind: 'addParty', agentId: ANN, callId: CALL, target: { kind: 'number', typed: '01632 960112', name: null } },
    },
    {
      says: 'send a caller outside',
      lacks: 'outsideCalls',
      given: [arrives(), on('answer')],
      command: { kind: 'transfer', agentId: ANN, callId: CALL, target: { kind: 'number', typed: '01632 960112', name: null } },
    },
    { says: 'divert', lacks: 'diversion', command: { kind: 'setDiversion', agentId: ANN, to: { kind: 'voicemail' } } },
    {
      says: 'work a campaign',
      lacks: 'campaigns',
      given: [{ kind: 'endShift', agentId: ANN }],
      command: { kind: 'startShift', agentId: ANN, queueIds: [], campaignId: toCampaignId('campaign_any'), seat: 'desk' },
    },
    { says: 'change the set-up', lacks: 'setUp', command: { kind: 'switchStorm', agentId: ANN, queueId: FIRST, on: true } },
  ])('$says, without $lacks', ({ lacks, given = [], command, then = 'notEntitled' }) => {
    const floor = aCentre(without(lacks))
    give(floor, ...given)
    expect(floor.give(command)).toBe(then)
  })
})

describe('callers at the door of a queue', () => {
  test.each([
    {
      says: 'closed',
      change: { hours: [{ days: [7], fromMinute: 0, toMinute: 60 }], closedMessage: 'Closed.' },
      before: 0,
      because: 'closed',
      said: 'Closed.',
    },
    { says: 'full', change: { fullLimit: 2, fullMessage: 'Full.' }, before: 2, because: 'full', said: 'Full.' },
    { says: 'retired', change: { retired: true }, before: 0, because: 'closed' },
  ])('a queue that is $says turns them away with its own words', ({ change, before, because, said }) => {
    const floor = aCentre(withFirst(change), [])
    for (let i = 0; i < before; i++) give(floor, arrives())
    give(floor, arrives())
    expect(floor.entries.at(-1)?.event).toMatchObject({ kind: 'callTurnedAway', because, ...(said === undefined ? {} : { said }) })
    expect(values(floor.state().calls)).toHaveLength(before)
  })

  test('they are told what they can expect, once that is known, and how to keep their place', () => {
    const floor = aCentre(withFirst({ tellsWait: true, announcement: 'Fennholm Line.' }))
    give(floor, arrives())
    expect(get(floor.state().work, CALL)?.told?.text).toBe('Fennholm Line.')
    give(floor, on('answer'))
    expect(floor.give(on('hangUp'), 119_000)).toBe('ok')
    give(floor, arrives())
    expect(get(floor.state().work, toCallId('call_test_2'))?.told).toEqual({
      text: 'Fennholm Line. You will speak to somebody in about 2 minutes. To hang up, keep your place and be called back, press one.',
      expectedWaitMs: 119_000,
    })
  })

  test('a pass holder goes before who came earlier, by their head start and no further', () => {
    const pass = { name: 'P', group: 'Pass', facts: [] }
    const floor = aCentre(withFirst({ goesFirst: [{ group: 'Pass', headStartMs: 5_000 }] }), [])
    give(floor, arrives())
    expect(floor.give({ ...arrives(), customer: pass } as Command, 4_000)).toBe('ok')
    expect(floor.give({ ...arrives(), customer: pass } as Command, 4_000)).toBe('ok')
    expect(floor.state().waiting[FIRST]).toEqual(['call_test_2', 'call_test_1', 'call_test_3'])
  })

  test('a call that waits is offered further, and rings where it can, without anybody pressing anything', () => {
    const floor = aCentre(
      {
        ...withFirst({ overflow: [{ afterMs: 10_000, to: SECOND_QUEUE }] }),
      },
      [],
    )
    give(floor, { kind: 'startShift', agentId: BO, queueIds: [SECOND_QUEUE], seat: 'desk' }, { kind: 'goReady', agentId: BO }, arrives())
    const queuedAtMs = floor.state().atMs
    expect(nextDueAtMs(floor.state())).toBe(queuedAtMs + 10_000)
    expect(floor.give({ kind: 'passTime' }, 9_999)).toBe('ok')
    expect(stateOf(floor, BO)).toBe('ready')
    expect(floor.give({ kind: 'passTime' }, 1)).toBe('ok')
    expect(stateOf(floor, BO)).toBe('ringing')
  })

  test('a caller who keeps their place is dialled when an agent takes the call, and the call is one and the same', () => {
    const floor = aCentre({}, [])
    give(floor, arrives(), arrives(), { kind: 'keepPlace', callId: CALL })
    expect(floor.give({ kind: 'callerHangsUp', callId: CALL })).toBe('notOnCall')
    give(floor, { kind: 'startShift', agentId: ANN, queueIds: [FIRST], seat: 'desk' }, { kind: 'goReady', agentId: ANN })
    give(floor, on('answer'))
    expect(must(floor.state().calls, CALL).connections.at(-1)).toMatchObject({ state: 'initiated', party: { kind: 'outside', number: '+441632960112' } })
    give(floor, { kind: 'farEnd', callId: CALL, report: 'ringing' }, { kind: 'farEnd', callId: CALL, report: 'answered' })
    expect(callerHears(floor)).toBe('voice')
  })

  test('a kept place survives a decline and a ring in vain', () => {
    const floor = aCentre({}, [])
    give(floor, arrives(), { kind: 'keepPlace', callId: CALL })
    give(floor, { kind: 'startShift', agentId: ANN, queueIds: [FIRST], seat: 'desk' }, { kind: 'goReady', agentId: ANN }, on('decline'))
    expect(floor.state().waiting[FIRST]).toEqual([CALL])
    give(floor, { kind: 'goNotReady', agentId: ANN, reason: 'Break' }, { kind: 'goReady', agentId: ANN })
    expect(floor.give({ kind: 'passTime' }, 20_000)).toBe('ok')
    expect(stateOf(floor)).toBe('notReady Missed ring')
    expect(floor.state().waiting[FIRST]).toEqual([CALL])
  })

  test.each([
    { says: 'in a queue that keeps none', given: [arrives(SECOND_QUEUE)], then: 'placesNotKept' },
    { says: 'with the number withheld', given: [{ ...arrives(), number: null } as Command], then: 'numberWithheld' },
    { says: 'once they are talking', given: [arrives(), on('answer')], then: 'notWaiting' },
  ])('nobody keeps their place $says', ({ given, then }) => {
    const floor = aCentre({}, then === 'notWaiting' ? [ANN] : [])
    give(floor, ...given)
    expect(floor.give({ kind: 'keepPlace', callId: CALL })).toBe(then)
  })

  test('where calls answer themselves, the caller is put through at once, to people only', () => {
    const floor = aCentre(withFirst({ answersItself: true }))
    give(floor, arrives())
    expect(stateOf(floor)).toBe('onCall')
    expect(events(floor).slice(-3)).toEqual(['connectionDelivered', 'connectionEstablished', 'scriptStarted'])
    const played = aCentre(withFirst({ answersItself: true }), [])
    give(played, { kind: 'startShift', agentId: ANN, queueIds: [FIRST], seat: 'standIn' }, { kind: 'goReady', agentId: ANN }, arrives())
    expect(stateOf(played)).toBe('ringing')
  })

  test('who the caller is: one of several, or somebody new', () => {
    const somebody = { name: 'Somebody', group: 'Visitor', facts: [] }
    const floor = aCentre()
    give(floor, { ...arrives(), matches: [somebody, { ...somebody, name: 'Another' }] } as Command)
    expect(must(floor.state().calls, CALL).matches).toHaveLength(2)
    const identify = (customer: typeof somebody | null, agentId = ANN): AgentCommand => ({
      kind: 'identifyCaller',
      agentId,
      callId: CALL,
      customerId: null,
      customer,
    })
    expect(floor.give(identify(null))).toBe('callerUnnamed')
    give(floor, identify(somebody))
    expect(must(floor.state().calls, CALL)).toMatchObject({ customer: somebody, matches: [] })
    expect(get(floor.state().work, CALL)?.customer).toEqual(somebody)
  })
})

describe('the set-up owner', () => {
  const storm = (onOff: boolean, agentId = ANN): AgentCommand => ({ kind: 'switchStorm', agentId, queueId: FIRST, on: onOff })

  test('switches a queue to storm and back: other words, other overflow, at once', () => {
    const floor = aCentre(
      withFirst({ announcement: 'Good day.', storm: { announcement: 'A gale.', headStartMs: 0, overflow: [{ afterMs: 0, to: SECOND_QUEUE }] } }),
      [],
    )
    give(floor, { kind: 'startShift', agentId: BO, queueIds: [SECOND_QUEUE], seat: 'desk' }, { kind: 'goReady', agentId: BO }, arrives())
    expect(stateOf(floor, BO)).toBe('ready')
    expect(floor.give(storm(true, toAgentId('agent_nobody')))).toBe('noSuchAccount')
    give(floor, storm(true), { kind: 'passTime' })
    expect(stateOf(floor, BO)).toBe('ringing')
    give(floor, arrives())
    expect(get(floor.state().work, toCallId('call_test_2'))?.told?.text).toMatch(/^A gale\./)
    expect(floor.give(storm(true))).toBe('stormUnchanged')
    give(floor, storm(false), arrives())
    expect(get(floor.state().work, toCallId('call_test_3'))?.told?.text).toMatch(/^Good day\./)
  })

  test.each([
    {
      says: 'what the checker finds wrong',
      change: (s: typeof SMALL) => ({ ...s, agents: s.agents.map((a) => ({ ...a, queueIds: [SECOND_QUEUE] })) }),
      then: 'setUpUnsound',
    },
    {
      says: 'what the ledger speaks of is missing',
      change: (s: typeof SMALL) => ({ ...s, agents: s.agents.filter((a) => a.id !== CY) }),
      then: 'setUpForgets',
    },
    {
      says: 'an account at work is retired',
      change: (s: typeof SMALL) => ({ ...s, agents: s.agents.map((a) => (a.id === BO ? { ...a, retired: true } : a)) }),
      then: 'worksThere',
    },
    {
      says: 'a version that was published says something else now',
      change: (s: typeof SMALL) => ({ ...s, scripts: s.scripts.map((k) => ({ ...k, name: 'Rewritten' })) }),
      then: 'setUpForgets',
    },
    {
      says: 'an outcome code is gone',
      change: (s: typeof SMALL) => ({ ...s, outcomeSets: s.outcomeSets.map((k) => ({ ...k, codes: k.codes.slice(0, 1) })) }),
      then: 'setUpForgets',
    },
    { says: 'it is sound', change: (s: typeof SMALL) => ({ ...s, ringLimitMs: 5_000 }), then: 'ok' },
  ])('changes the set-up: $says, $then', ({ change, then }) => {
    const floor = aCentre({}, [ANN, BO])
    const { setUp } = floor.state()
    expect(floor.give({ kind: 'changeSetUp', agentId: ANN, setUp: SetUpSchema.parse(change(setUp)) })).toBe(then)
    expect(floor.state().setUp === setUp).toBe(then !== 'ok')
  })

  test('a script that is published opens from the next call on; a call goes on with the version it began with', () => {
    const floor = aCentre({}, [ANN, BO])
    give(floor, arrives(), on('answer'))
    const { setUp } = floor.state()
    const [small] = setUp.scripts
    const next = {
      ...small,
      version: 4,
      pages: small?.pages.map((p) =>
        p.id === 'end' ? { ...p, id: 'finish' } : { ...p, ways: p.ways.map((w) => ({ ...w, to: w.to === 'end' ? 'finish' : w.to })) },
      ),
    }
    give(floor, { kind: 'changeSetUp', agentId: ANN, setUp: SetUpSchema.parse({ ...setUp, scripts: [...setUp.scripts, next] }) })
    give(floor, { kind: 'answerScript', agentId: ANN, callId: CALL, field: 'speaking', value: true })
    give(floor, { kind: 'turnPage', agentId: ANN, callId: CALL, direction: 'next' })
    expect(get(floor.state().work, CALL)?.run).toMatchObject({ version: 3, pageId: 'end' })
    give(floor, arrives(), { kind: 'answer', agentId: BO, callId: toCallId('call_test_2') })
    expect(get(floor.state().work, toCallId('call_test_2'))?.run).toMatchObject({ version: 4 })
  })

  test('a new account and a new ring limit count at once, for calls that ring already', () => {
    const floor = aCentre()
    give(floor, arrives())
    const { setUp } = floor.state()
    const newcomer = { ...setUp.agents[2], id: 'agent_new', name: 'New' }
    give(floor, {
      kind: 'changeSetUp',
      agentId: ANN,
      setUp: SetUpSchema.parse({ ...setUp, ringLimitMs: 2_000, agents: [...setUp.agents, newcomer] }),
    })
    give(floor, { kind: 'startShift', agentId: toAgentId('agent_new'), queueIds: [FIRST], seat: 'desk' })
    expect(nextDueAtMs(floor.state())).toBeLessThanOrEqual(floor.state().atMs)
    give(floor, { kind: 'passTime' })
    expect(stateOf(floor)).toBe('notReady Missed ring')
  })
})
