import { describe, expect, test } from 'vitest'
import { agentConnection, type Call, type Role, whoHearsWhom } from '@/core/calls'
import type { Command } from '@/core/floor'
import { type AgentId, type DeviceId, deviceOfAgent, deviceOutside, toAgentId, toCallId } from '@/core/ids'
import { createLedgerFolder } from '@/core/ledger'
import { isMutedOn } from '@/core/state'
import { get, must } from '@/core/table'
import { ANN, aFloor, arrives, BO, CY, FIRST, SECOND_QUEUE, SMALL, type TestFloor } from '@/core/testing'

const SUE = toAgentId('agent_sue')
const TAD = toAgentId('agent_tad')
const OVER = { ...SMALL.agents[0], role: 'supervisor', queueIds: [] } as unknown as (typeof SMALL.agents)[number]
const WATCHED: typeof SMALL = {
  ...SMALL,
  takeBackMs: 4_000,
  agents: [
    ...SMALL.agents,
    { ...OVER, id: SUE, name: 'Sue', may: ['supervision', 'listening', 'outsideCalls'] },
    { ...OVER, id: TAD, name: 'Tad', may: ['supervision', 'listening'] },
  ],
}
const call = (n: number) => toCallId(`call_test_${n}`)
const on = (kind: string, n = 1, more: object = {}, agentId = ANN) => ({ kind, agentId, callId: call(n), ...more }) as Command
const comes = (role: Role, n = 1, besideId: AgentId = ANN, agentId = SUE) => on('takeRole', n, { besideId, role }, agentId)
const takesOver = (n = 1, fromAgentId: AgentId = ANN, agentId = SUE) => on('takeOver', n, { fromAgentId }, agentId)
const leaves = (n = 1, agentId = SUE) => on('stopListening', n, {}, agentId)
const CONSULT = [on('consult', 1, { target: { kind: 'agent', agentId: BO } }), on('answer', 2, {}, BO)]

/** Ann talks with a caller; Bo, Cy and Sue, who serves no queue, are on shift. */
function aTalk(...more: readonly Command[]): TestFloor {
  const floor = aFloor(WATCHED)
  for (const agentId of [ANN, BO, CY]) floor.give({ kind: 'startShift', agentId, queueIds: [FIRST, SECOND_QUEUE], seat: 'desk' })
  expect(floor.give({ kind: 'startShift', agentId: SUE, queueIds: [], seat: 'desk' })).toBe('ok')
  for (const command of [{ kind: 'goReady', agentId: ANN } as const, arrives(), on('answer'), ...more]) expect(floor.give(command)).toBe('ok')
  return floor
}
const stateOf = (floor: TestFloor, id: AgentId) => must(floor.state().agents, id).state.name
const NAMES = new Map<string, string>([
  ...[ANN, BO, CY, SUE, TAD].map((id): [DeviceId, string] => [deviceOfAgent(id), id.slice('agent_'.length)]),
  [deviceOutside(call(1), 1), 'caller'],
])
/** Who is heard by whom, as `listener < speaker`. */
const voices = (floor: TestFloor, n = 1): string[] => {
  const found = get(floor.state().calls, call(n))
  const named = (id: string) => NAMES.get(id) ?? id
  return (found === undefined ? [] : whoHearsWhom(found, isMutedOn(floor.state())))
    .filter((e) => e.hears === 'voice')
    .map((e) => `${named(e.listener)} < ${named(e.speaker)}`)
    .sort()
}

describe('who may come', () => {
  test.each<{ says: string; given?: readonly Command[]; when: Command; then: string }>([
    { says: 'to listen', when: comes('listens'), then: 'ok' },
    { says: 'to whisper straight away', when: comes('whispers'), then: 'ok' },
    { says: 'to step in straight away', when: comes('talks'), then: 'ok' },
    { says: 'not without the right', when: comes('listens', 1, ANN, BO), then: 'notEntitled' },
    { says: 'not off shift', when: comes('listens', 1, ANN, TAD), then: 'notOnShift' },
    { says: 'not to themselves', when: comes('listens', 1, SUE), then: 'agentNotOnCall' },
    { says: 'not beside somebody who is not on it', when: comes('listens', 1, BO), then: 'agentNotOnCall' },
    { says: 'not to a call that is over', when: comes('listens', 9), then: 'noSuchCall' },
    { says: 'not twice', given: [comes('listens')], when: comes('listens'), then: 'roleUnchanged' },
    { says: 'another role on the same call', given: [comes('listens')], when: comes('whispers'), then: 'ok' },
    { says: 'back from talking', given: [comes('talks')], when: comes('listens'), then: 'ok' },
    { says: 'not with the sound off', given: [{ kind: 'chooseSoundPath', agentId: SUE, path: 'none' }], when: comes('listens'), then: 'noSoundToListen' },
    {
      says: 'not while on a call of their own',
      given: [{ kind: 'makeCall', agentId: SUE, typed: '01632 960140', customer: null }],
      when: comes('listens'),
      then: 'callUnderWay',
    },
    { says: 'not while it is ended for everyone', given: [on('endForEveryone')], when: comes('listens'), then: 'beingCleared' },
    {
      says: 'not back to listening from a word apart',
      given: [comes('talks'), on('startAside', 1, { deviceId: deviceOfAgent(SUE), othersHear: 'music' })],
      when: comes('listens'),
      then: 'asideUnderWay',
    },
    { says: 'to take over', when: takesOver(), then: 'ok' },
    { says: 'to take over while the caller is on hold', given: [on('hold')], when: takesOver(), then: 'ok' },
    { says: 'not to take over while the agent consults', given: CONSULT, when: takesOver(), then: 'agentConsults' },
    { says: 'not to take a consult over', given: CONSULT, when: takesOver(2), then: 'agentConsults' },
    {
      says: 'not to take over with nobody there',
      given: [on('callColleague', 1, { toAgentId: CY, at: 'desk' }, BO), on('answer', 2, {}, CY)],
      when: takesOver(2, BO),
      then: 'nobodyToTakeOver',
    },
    {
      says: 'not to listen any more once the agent has left them the call',
      given: [comes('talks'), on('hangUp'), on('endNow')],
      when: comes('listens'),
      then: 'callUnderWay',
    },
    { says: 'to stop', given: [comes('whispers')], when: leaves(), then: 'ok' },
    { says: 'not to stop what was not begun', when: leaves(), then: 'notOnCall' },
    { says: 'a listener hangs nobody up', given: [comes('listens')], when: on('endForEveryone', 1, {}, SUE), then: 'notOnCall' },
    { says: 'an agent removes no listener', given: [comes('listens')], when: on('removeParty', 1, { deviceId: deviceOfAgent(SUE) }), then: 'noSuchParty' },
    { says: 'a call that is listened to can be parked', given: [comes('listens')], when: on('park'), then: 'ok' },
  ])('$says: $then', ({ given = [], when, then }) => {
    const floor = aTalk(...given)
    expect(floor.give(when)).toBe(then)
  })
})

/** `sue` in each role, in every state a call can be in: what is heard by whom. */
const PAIR = ['ann < caller', 'caller < ann']
const LISTENS = ['sue < ann', 'sue < caller']
describe('who hears whom', () => {
  const ASIDE = [...CONSULT, on('conference', 2), on('startAside', 1, { deviceId: deviceOfAgent(BO), othersHear: 'music' })]
  test.each<{ says: string; given?: readonly Command[]; then?: readonly Command[]; role: Role; hears: readonly string[]; n?: number }>([
    { says: 'listening', role: 'listens', hears: [...PAIR, ...LISTENS] },
    { says: 'whispering', role: 'whispers', hears: [...PAIR, ...LISTENS, 'ann < sue'] },
    { says: 'stepped in', role: 'talks', hears: [...PAIR, ...LISTENS, 'ann < sue', 'caller < sue'] },
    { says: 'whispering and muted', role: 'whispers', then: [{ kind: 'setMute', agentId: SUE, muted: true }], hears: [...PAIR, ...LISTENS] },
    {
      says: 'an agent who is muted is heard by nobody, the listener included',
      role: 'listens',
      then: [{ kind: 'setMute', agentId: ANN, muted: true }],
      hears: ['ann < caller', 'sue < caller'],
    },
    { says: 'nobody is overheard on hold', role: 'listens', then: [on('hold')], hears: [] },
    { says: 'nor whispered to', role: 'whispers', then: [on('hold')], hears: [] },
    { says: 'on hold of one they stepped in on, the caller is theirs', role: 'talks', then: [on('hold')], hears: ['caller < sue', 'sue < caller'] },
    { says: 'the caller’s line during a consult', role: 'listens', then: CONSULT, hears: [] },
    { says: 'the consult itself', given: CONSULT, role: 'whispers', n: 2, hears: ['ann < bo', 'ann < sue', 'bo < ann', 'sue < ann', 'sue < bo'] },
    {
      says: 'a consult that becomes a conference',
      given: CONSULT,
      role: 'listens',
      n: 2,
      then: [on('conference', 2)],
      hears: ['ann < bo', 'ann < caller', 'bo < ann', 'bo < caller', 'caller < ann', 'caller < bo', 'sue < ann', 'sue < bo', 'sue < caller'],
    },
    { says: 'a word apart: who talks, not the caller with the music', given: ASIDE, role: 'listens', hears: ['ann < bo', 'bo < ann', 'sue < ann', 'sue < bo'] },
  ])('$says', ({ given = [], then = [], role, hears, n = 1 }) => {
    const floor = aTalk(...given, comes(role, n), ...then)
    expect(voices(floor, then.some((c) => c.kind === 'conference') ? 1 : n)).toEqual([...hears].sort())
  })
})

describe('how it ends', () => {
  const gone: readonly { says: string; by: readonly Command[] }[] = [
    { says: 'the caller hangs up', by: [{ kind: 'callerHangsUp', callId: call(1) }] },
    { says: 'the agent hangs up', by: [on('hangUp'), on('endNow')] },
    { says: 'the agent parks it', by: [on('park')] },
    { says: 'the agent sends it to a queue', by: [on('transfer', 1, { target: { kind: 'queue', queueId: SECOND_QUEUE } })] },
    { says: 'the agent completes a transfer', by: [...CONSULT, on('completeTransfer', 2)] },
    { says: 'they go home', by: [{ kind: 'endShift', agentId: SUE }] },
    { says: 'they call somebody', by: [{ kind: 'makeCall', agentId: SUE, typed: '01632 960140', customer: null }] },
    { says: 'a colleague’s call is answered', by: [on('callColleague', 1, { toAgentId: SUE, at: 'desk' }, CY)] },
  ]
  test.each(gone)('$says: nothing is heard any more, nothing owed', ({ by, says }) => {
    const floor = aTalk(comes('whispers'), ...by)
    const listens = must(floor.state().agents, SUE).engagements.filter((e) => e.listens)
    // Who listens is busy for colleagues: nothing rings there.
    expect(listens).toHaveLength(says.startsWith('a colleague') ? 1 : 0)
    expect(must(floor.state().agents, SUE)).toMatchObject({ owed: [], wrapUps: [] })
  })

  test('the set-up is changed while they are there; whoever may no longer listen does not', () => {
    const owner = { ...WATCHED, agents: WATCHED.agents.map((a) => (a.id === SUE ? { ...a, may: [...a.may, 'setUp' as const] } : a)) }
    const without = { ...owner, agents: owner.agents.map((a) => ({ ...a, may: a.may.filter((m) => m !== 'listening') })) }
    const floor = aFloor(owner)
    const commands: readonly Command[] = [
      { kind: 'startShift', agentId: ANN, queueIds: [FIRST], seat: 'desk' },
      { kind: 'startShift', agentId: SUE, queueIds: [], seat: 'desk' },
      { kind: 'goReady', agentId: ANN },
      arrives(),
      on('answer'),
      comes('listens'),
      { kind: 'changeSetUp', agentId: SUE, setUp: without },
    ]
    for (const command of commands) expect(floor.give(command)).toBe('ok')
    expect(must(floor.state().agents, SUE).engagements).toEqual([])
  })

  test('another agent is listened to instead: there is one at a time', () => {
    const floor = aTalk(comes('listens'), { kind: 'goReady', agentId: BO }, arrives(), on('answer', 2, {}, BO))
    expect(stateOf(floor, SUE)).toBe('listening')
    expect(floor.give(comes('listens', 2, BO))).toBe('ok')
    expect(must(floor.state().agents, SUE).engagements.map((e) => e.callId)).toEqual([call(2)])
    expect(agentConnection(get(floor.state().calls, call(1)) as Call, SUE)).toBeUndefined()
  })

  test('two of them come and go without each other, and one who takes over leaves the other nothing to hear', () => {
    const floor = aTalk({ kind: 'startShift', agentId: TAD, queueIds: [], seat: 'desk' }, comes('whispers'), comes('listens', 1, ANN, TAD))
    expect(voices(floor)).toEqual([...PAIR, ...LISTENS, 'ann < sue', 'tad < ann', 'tad < caller'].sort())
    expect(floor.give(takesOver())).toBe('ok')
    expect(voices(floor)).toEqual(['caller < sue', 'sue < caller'])
    expect(must(floor.state().agents, TAD).engagements).toEqual([])
    expect(floor.give(comes('listens', 1, SUE, TAD))).toBe('ok')
    expect(voices(floor)).toEqual(['caller < sue', 'sue < caller', 'tad < caller', 'tad < sue'])
  })

  test('time spent listening is a state of its own, and no part of the call', () => {
    const floor = aTalk(comes('listens'), leaves(), { kind: 'callerHangsUp', callId: call(1) })
    const folder = createLedgerFolder()
    for (const entry of floor.entries) folder.add(entry)
    const { atMs } = floor.state()
    expect(
      folder
        .intervals(atMs)
        .filter((i) => i.agentId === SUE)
        .map((i) => [i.state, i.toMs - i.fromMs]),
    ).toContainEqual(['listening', 1000])
    expect(folder.records()[0]?.agents.map((a) => a.agentId) ?? folder.underWay(atMs)[0]?.agents.map((a) => a.agentId)).toEqual([ANN])
  })
})

describe('taking over', () => {
  test.each<{ says: string; given: readonly Command[] }>([
    { says: 'straight away', given: [] },
    { says: 'after listening', given: [comes('listens')] },
    { says: 'after stepping in', given: [comes('talks')] },
    { says: 'of a caller on hold', given: [comes('whispers'), on('hold')] },
  ])('$says: the supervisor has the caller and the work; the agent codes their own part', ({ given }) => {
    const floor = aTalk(...given, takesOver())
    expect(voices(floor)).toEqual(['caller < sue', 'sue < caller'])
    expect(get(floor.state().work, call(1))).toMatchObject({ handledBy: SUE, owedBy: [ANN] })
    // The call is theirs now: there is nobody beside whom they could listen.
    expect(agentConnection(get(floor.state().calls, call(1)) as Call, SUE)?.beside).toBeNull()
    expect([stateOf(floor, ANN), stateOf(floor, SUE)]).toEqual(['wrapUp', 'onCall'])
    for (const command of [on('hangUp', 1, {}, SUE), on('endNow', 1, {}, SUE)]) expect(floor.give(command)).toBe('ok')
    expect(get(floor.state().work, call(1))?.owedBy).toEqual([ANN, SUE])
    const folder = createLedgerFolder()
    for (const entry of floor.entries) folder.add(entry)
    expect(folder.records()[0]?.agents.map((a) => [a.agentId, a.role])).toEqual([
      [ANN, 'handled'],
      [SUE, 'transferredTo'],
    ])
  })
})

describe('help', () => {
  const helpOf = (floor: TestFloor) => must(floor.state().agents, ANN).help
  test('is asked for once, seen to, and over with the call', () => {
    const floor = aTalk(on('askForHelp'))
    expect(floor.give(on('askForHelp'))).toBe('helpAskedAlready')
    expect(helpOf(floor)).toMatchObject({ callId: call(1), takenBy: null })
    expect(floor.give({ kind: 'takeHelp', agentId: BO, toAgentId: ANN })).toBe('notEntitled')
    // Also by somebody who has no shift.
    expect(floor.give({ kind: 'takeHelp', agentId: TAD, toAgentId: ANN })).toBe('ok')
    expect(helpOf(floor)?.takenBy).toBe(TAD)
    expect(floor.give(comes('whispers'))).toBe('ok')
    expect(helpOf(floor)?.takenBy).toBe(SUE)
    floor.give({ kind: 'callerHangsUp', callId: call(1) })
    expect(helpOf(floor)).toBeNull()
  })

  test.each<{ says: string; by: readonly Command[]; left: string | null }>([
    { says: 'taken back', by: [{ kind: 'dropHelp', agentId: ANN }], left: null },
    { says: 'sent on', by: [on('transfer', 1, { target: { kind: 'queue', queueId: SECOND_QUEUE } })], left: null },
    { says: 'taken over', by: [takesOver()], left: null },
    { says: 'joined by a colleague', by: [...CONSULT, on('conference', 2)], left: call(1) },
    { says: 'handed on after a consult', by: [...CONSULT, on('completeTransfer', 2)], left: null },
  ])('$says', ({ by, left }) => {
    const floor = aTalk(on('askForHelp'), ...by)
    expect(helpOf(floor)?.callId ?? null).toBe(left)
  })

  test('only about a call one is on', () => {
    const floor = aTalk()
    expect(floor.give(on('askForHelp', 1, {}, BO))).toBe('notOnCall')
    expect(floor.give({ kind: 'dropHelp', agentId: ANN })).toBe('noHelpAsked')
  })
})
