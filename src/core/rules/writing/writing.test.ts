import { describe, expect, test } from 'vitest'
import type { Command } from '@/core/floor'
import { toAgentId, toThreadId } from '@/core/ids'
import { createLedgerFolder } from '@/core/ledger'
import { type SetUp, SetUpSchema } from '@/core/set-up'
import { get, must } from '@/core/table'
import { ANN, aFloor, arrives, BO, CY, FIRST, SECOND_QUEUE, SMALL, START_MS, type TestFloor } from '@/core/testing'
import { LONGEST_TEXT } from '@/core/threads'
import { RECEIPT_AWAITED_MS } from './rules'

const LATER = START_MS + 3_600_000
const thread = (n: number) => toThreadId(`thread_test_${n}`)
const T1 = thread(1)

const CENTRE: SetUp = SetUpSchema.parse({
  ...SMALL,
  queues: SMALL.queues.map((q) =>
    q.id === FIRST
      ? { ...q, writes: ['chat', 'mail', 'text'].map((channel) => ({ channel, serviceLevelMs: 60_000 })) }
      : { ...q, hours: [{ days: [7], fromMinute: 0, toMinute: 60 }], writes: [{ channel: 'chat', serviceLevelMs: 60_000 }] },
  ),
})

const writes = (channel: 'chat' | 'mail' | 'text', queueId = FIRST): Command => ({
  kind: 'threadArrives',
  channel,
  queueId,
  address: channel === 'mail' ? 'ida@example.com' : '+441632960112',
  number: channel === 'text' ? '+441632960112' : null,
  customer: null,
  subject: null,
  path: null,
  text: 'Hello',
})
const by = (agentId: typeof ANN, command: object): Command => ({ agentId, ...command }) as Command

/** Ann and Bo at their desks; who is named is ready. */
function floorWith(...ready: (typeof ANN)[]): TestFloor {
  const floor = aFloor(CENTRE)
  for (const agentId of [ANN, BO]) floor.give(by(agentId, { kind: 'startShift', queueIds: [FIRST, SECOND_QUEUE], seat: 'desk' }))
  for (const agentId of ready) floor.give(by(agentId, { kind: 'goReady' }))
  return floor
}
/** A piece in its line, with nobody ready. */
function waits(channel: 'chat' | 'mail'): TestFloor {
  const floor = floorWith()
  floor.give(writes(channel))
  return floor
}

/** A chat whose writer has gone and kept their place, while nobody is ready. */
function kept(): TestFloor {
  const floor = floorWith()
  floor.give(writes('chat'))
  expect(floor.give({ kind: 'customerKeepsPlace', threadId: T1, number: KEPT_NUMBER })).toBe('ok')
  return floor
}
const KEPT_NUMBER = '+441632960150'

/** A text of Ann's that the gateway has not sent on yet. */
function sending(): TestFloor {
  const floor = inHand('text')
  floor.give(by(ANN, { kind: 'writeLine', threadId: T1, text: 'There is room', aside: false }))
  return floor
}

/** A piece in Ann's hands. */
function inHand(channel: 'chat' | 'mail' | 'text' = 'chat'): TestFloor {
  const floor = floorWith(ANN)
  floor.give(writes(channel))
  expect(floor.give(by(ANN, { kind: 'takeThread', threadId: T1 }))).toBe('ok')
  return floor
}

describe('whoever answers for the floor moves what is written', () => {
  const SUE = toAgentId('agent_sue')
  const LED: SetUp = {
    ...CENTRE,
    agents: [
      ...CENTRE.agents,
      { ...(CENTRE.agents[0] as SetUp['agents'][number]), id: SUE, name: 'Sue', role: 'supervisor', queueIds: [], may: ['supervision'] },
    ],
  }
  const moves = (to: object, agentId = SUE) => by(agentId, { kind: 'moveThread', threadId: T1, to })
  const toBo = moves({ kind: 'agent', agentId: BO })
  /** Somebody has written; Ann and Bo are at their desks, and those named are ready. */
  const led = (channel: 'chat' | 'mail', ...ready: (typeof ANN)[]) => {
    const floor = aFloor(LED)
    for (const agentId of [ANN, BO]) floor.give(by(agentId, { kind: 'startShift', queueIds: [FIRST, SECOND_QUEUE], seat: 'desk' }))
    floor.give(writes(channel))
    for (const agentId of ready) floor.give(by(agentId, { kind: 'goReady' }))
    return floor
  }
  const is = (floor: TestFloor) => {
    const { state, agentId, queueId } = must(floor.state().threads, T1)
    return { state, agentId, queueId }
  }

  test('out of the line, out of an offer and out of hands, whose part is owed', () => {
    const offered = led('chat', ANN, BO)
    expect(is(offered)).toMatchObject({ state: 'offered', agentId: ANN })
    expect(offered.give(toBo)).toBe('ok')
    expect(is(offered)).toMatchObject({ state: 'offered', agentId: BO })
    expect(must(offered.state().agents, ANN)).toMatchObject({ threads: [], wrapUps: [], owed: [] })
    offered.give(by(BO, { kind: 'takeThread', threadId: T1 }))
    expect(offered.give(moves({ kind: 'queue', queueId: SECOND_QUEUE }))).toBe('ok')
    expect(is(offered).queueId).toBe(SECOND_QUEUE)
    expect(must(offered.state().agents, BO).wrapUps.map((w) => w.callId)).toEqual([T1])
  })

  test('a parked mail leaves its time behind', () => {
    const floor = led('mail', ANN)
    floor.give(by(ANN, { kind: 'takeThread', threadId: T1 }))
    floor.give(by(ANN, { kind: 'parkThread', threadId: T1, untilMs: LATER }))
    floor.give(by(BO, { kind: 'goReady' }))
    expect(floor.give(toBo)).toBe('ok')
    expect(must(floor.state().threads, T1)).toMatchObject({ state: 'offered', agentId: BO, parkedUntilMs: null })
  })

  test.each([
    ['notEntitled', () => led('chat', ANN), moves({ kind: 'agent', agentId: BO }, ANN)],
    ['noSuchThread', () => aFloor(LED), toBo],
    ['isThereAlready', () => led('chat'), moves({ kind: 'queue', queueId: FIRST })],
    ['isThereAlready', () => led('chat', BO), toBo],
    ['noRoomThere', () => led('chat', ANN), toBo],
    ['notThere', () => led('chat', ANN), moves({ kind: 'agent', agentId: CY })],
    ['channelNotTaken', () => led('mail', ANN), moves({ kind: 'queue', queueId: SECOND_QUEUE })],
    ['targetUnknown', () => led('mail', ANN), moves({ kind: 'queue', queueId: 'queue_none' })],
  ] as const)('%s', (reason, floor, command) => {
    expect(floor().give(command)).toBe(reason)
  })
})

test.each([
  { says: 'comes back to who wrote, whoever else is free', channel: 'mail', later: 1_000, gone: false, to: ANN, follows: T1 },
  { says: 'of somebody who is not there goes to the queue', channel: 'text', later: 1_000, gone: true, to: BO, follows: T1 },
  { says: 'after a week is something new', channel: 'mail', later: 8 * 24 * 3_600_000, gone: false, to: BO, follows: null },
] as const)('an answer to what is over $says', ({ channel, later, gone, to, follows }) => {
  const floor = inHand(channel)
  // Bo has been free for longer, but did not write.
  expect(floor.give(by(BO, { kind: 'goReady' }))).toBe('ok')
  floor.give(by(ANN, { kind: 'writeLine', threadId: T1, text: 'There is room', aside: false }))
  floor.give({ kind: 'lineSent', threadId: T1, no: 2, failure: null })
  floor.give(by(ANN, { kind: 'endThread', threadId: T1 }))
  const code = { code: 'done', notes: '', callback: null, followUp: '', insists: true, andThen: { state: gone ? 'notReady' : 'ready', reason: 'Break' } }
  expect(floor.give(by(ANN, { kind: 'saveOutcome', callId: T1, ...code }))).toBe('ok')
  expect(get(floor.state().threads, T1)).toBeUndefined()
  expect(floor.give(writes(channel), later)).toBe('ok')
  expect(must(floor.state().threads, thread(2))).toMatchObject({ state: 'offered', agentId: to, follows })
  // It is answered by what they wrote, and once only.
  expect(floor.state().lastWrote.size).toBe(0)
})

describe('refused', () => {
  const cases: readonly (readonly [string, () => TestFloor, Command])[] = [
    ['channelNotTaken', () => floorWith(ANN), writes('mail', SECOND_QUEUE)],
    ['queueIsClosed', () => floorWith(ANN), writes('chat', SECOND_QUEUE)],
    ['noSuchThread', () => floorWith(ANN), by(ANN, { kind: 'takeThread', threadId: T1 })],
    ['notOnShift', inHand, by(CY, { kind: 'takeThread', threadId: T1 })],
    ['notOfferedToYou', inHand, by(BO, { kind: 'takeThread', threadId: T1 })],
    ['notOfferedToYou', inHand, by(ANN, { kind: 'declineThread', threadId: T1 })],
    ['notYourThread', inHand, by(BO, { kind: 'writeLine', threadId: T1, text: 'Hi', aside: false })],
    ['nothingWritten', inHand, by(ANN, { kind: 'writeLine', threadId: T1, text: ' \n ', aside: false })],
    ['textTooLong', inHand, by(ANN, { kind: 'writeLine', threadId: T1, text: 'x'.repeat(LONGEST_TEXT + 1), aside: false })],
    ['nothingWritten', inHand, { kind: 'customerWrites', threadId: T1, text: '' }],
    ['chatCannotWait', inHand, by(ANN, { kind: 'parkThread', threadId: T1, untilMs: LATER })],
    ['timeIsPast', () => inHand('mail'), by(ANN, { kind: 'parkThread', threadId: T1, untilMs: START_MS - 1 })],
    ['noNumberToRing', () => inHand('mail'), by(ANN, { kind: 'ringInstead', threadId: T1 })],
    ['notParked', inHand, by(ANN, { kind: 'unparkThread', threadId: T1 })],
    ['yoursAlready', inHand, by(ANN, { kind: 'handThreadOn', threadId: T1, to: { kind: 'agent', agentId: ANN } })],
    ['notThere', inHand, by(ANN, { kind: 'handThreadOn', threadId: T1, to: { kind: 'agent', agentId: CY } })],
    ['noRoomThere', inHand, by(ANN, { kind: 'handThreadOn', threadId: T1, to: { kind: 'agent', agentId: BO } })],
    ['channelNotTaken', () => inHand('mail'), by(ANN, { kind: 'handThreadOn', threadId: T1, to: { kind: 'queue', queueId: SECOND_QUEUE } })],
    ['notThere', inHand, by(ANN, { kind: 'askIn', threadId: T1, toAgentId: CY })],
    ['notAskedIn', inHand, by(ANN, { kind: 'askOut', threadId: T1, toAgentId: BO })],
    ['notWaiting', inHand, { kind: 'customerKeepsPlace', threadId: T1, number: KEPT_NUMBER }],
    ['numberWithheld', () => waits('chat'), { kind: 'customerKeepsPlace', threadId: T1, number: null }],
    ['notWaiting', () => waits('mail'), { kind: 'customerKeepsPlace', threadId: T1, number: KEPT_NUMBER }],
    ['noSuchThread', () => floorWith(ANN), { kind: 'customerTypes', threadId: T1, on: true }],
    ['noSuchThread', kept, { kind: 'customerKeepsPlace', threadId: T1, number: KEPT_NUMBER }],
    ['noSuchThread', kept, { kind: 'customerWrites', threadId: T1, text: 'Are you there?' }],
    ['noSuchThread', kept, { kind: 'customerLeaves', threadId: T1 }],
    ['textOnItsWay', sending, by(ANN, { kind: 'endThread', threadId: T1 })],
    ['threadsInHand', inHand, by(ANN, { kind: 'endShift' })],
    ['chatsBeginThere', () => floorWith(ANN), by(ANN, { kind: 'openThread', channel: 'chat', queueId: FIRST, to: 'x', subject: '', text: 'Hi' })],
    ['notAMailAddress', () => floorWith(ANN), by(ANN, { kind: 'openThread', channel: 'mail', queueId: FIRST, to: 'nobody', subject: '', text: 'Hi' })],
  ]
  test.each(cases)('%s (%#)', (reason, at, command) => {
    const floor = at()
    const before = floor.entries.length
    expect(floor.give(command)).toBe(reason)
    expect(floor.entries.length).toBe(before)
  })

  test('a text never goes to a number on the do-not-call list, be it an answer or the first word', () => {
    const floor = inHand('text')
    floor.give(by(BO, { kind: 'addDoNotCall', entries: [{ whom: { number: '+441632960112' }, why: 'They asked.' }] }))
    expect(floor.give(by(ANN, { kind: 'writeLine', threadId: T1, text: 'Hi', aside: false }))).toBe('onDoNotCall')
    expect(floor.give(by(ANN, { kind: 'openThread', channel: 'text', queueId: FIRST, to: '01632 960112', subject: '', text: 'Hi' }))).toBe('onDoNotCall')
  })
})

test('a chat goes from the queue to an agent and is coded: what is said stays with it, and the outcome is owed until it is given', () => {
  const floor = floorWith(ANN)
  floor.give(writes('chat'))
  expect(must(floor.state().threads, T1)).toMatchObject({ state: 'offered', agentId: ANN })
  floor.give(by(ANN, { kind: 'takeThread', threadId: T1 }), 4_000)
  expect(must(floor.state().agents, ANN).state.name).toBe('writing')
  expect(must(floor.state().work, T1).run?.pageId).toBe('hello')
  floor.give(by(ANN, { kind: 'writeLine', threadId: T1, text: 'Good morning', aside: false }), 6_000)
  floor.give(by(ANN, { kind: 'endThread', threadId: T1 }), 10_000)
  expect(must(floor.state().threads, T1).state).toBe('ended')
  expect(floor.give({ kind: 'customerWrites', threadId: T1, text: 'Still there?' })).toBe('noSuchThread')
  expect(must(floor.state().agents, ANN).wrapUps.map((w) => w.callId)).toEqual([T1])
  expect(floor.give(by(ANN, { kind: 'saveOutcome', callId: T1, code: 'done', notes: 'n', followUp: '', andThen: { state: 'ready' } }), 5_000)).toBe('ok')
  expect(must(floor.state().agents, ANN).state.name).toBe('ready')
  expect(get(floor.state().threads, T1)).toBeUndefined()
  const folder = createLedgerFolder()
  for (const entry of floor.entries) folder.add(entry)
  const [record] = folder.written()
  expect(record).toMatchObject({ channel: 'chat', result: 'handled', outcome: 'done', linesIn: 1, linesOut: 1 })
  expect((record?.firstResponseAtMs ?? 0) - (record?.offeredAtMs ?? 0)).toBe(10_000)
  expect(record?.agents.map((l) => l.handleMs)).toEqual([22_000])
})

describe('whoever waits in a chat may keep their place', () => {
  test('they are offered in their turn, as a call is; whoever takes it rings them, and one record tells of both', () => {
    const floor = kept()
    // A later one does not go before it.
    floor.give(writes('chat'), 5_000)
    floor.give(by(ANN, { kind: 'goReady' }))
    expect(must(floor.state().threads, T1)).toMatchObject({ state: 'offered', agentId: ANN, number: KEPT_NUMBER })
    expect(floor.give(by(ANN, { kind: 'takeThread', threadId: T1 }), 4_000)).toBe('ok')
    const [call] = [...floor.state().work.values()].filter((w) => w.channel === 'call')
    expect(call).toMatchObject({ number: KEPT_NUMBER, handledBy: ANN, fromThread: { id: T1, lines: [{ text: 'Hello' }] } })
    const folder = createLedgerFolder()
    for (const entry of floor.entries) folder.add(entry)
    const [record] = folder.written()
    expect(record).toMatchObject({ result: 'handled', calledAs: call?.id, linesOut: 0 })
    // Being rung is their first response.
    expect((record?.firstResponseAtMs ?? 0) - (record?.offeredAtMs ?? 0)).toBe(11_000)
  })

  test('it takes the room of a call: not offered beside one, and no call rings while it is offered', () => {
    const floor = kept()
    floor.give(arrives())
    floor.give(by(ANN, { kind: 'goReady' }))
    const { engagements, threads } = must(floor.state().agents, ANN)
    expect(engagements.length + threads.length).toBe(1)
  })

  test('where they cannot be rung it is in hand all the same, and nothing can be written to who has gone', () => {
    const floor = kept()
    floor.give(by(BO, { kind: 'addDoNotCall', entries: [{ whom: { number: KEPT_NUMBER }, why: 'They asked.' }] }))
    floor.give(by(ANN, { kind: 'goReady' }))
    expect(floor.give(by(ANN, { kind: 'takeThread', threadId: T1 }))).toBe('ok')
    expect(must(floor.state().threads, T1)).toMatchObject({ state: 'open', agentId: ANN })
    expect(floor.give(by(ANN, { kind: 'writeLine', threadId: T1, text: 'Hello?', aside: false }))).toBe('theyHaveGone')
    expect(floor.give(by(ANN, { kind: 'endThread', threadId: T1 }))).toBe('ok')
  })
})

test('a text that could not be delivered is known before its thread can be ended', () => {
  const floor = sending()
  expect(floor.give({ kind: 'lineSent', threadId: T1, no: 2, failure: 'The number takes no texts.' })).toBe('ok')
  expect(must(floor.state().threads, T1).lines.at(-1)?.sent).toEqual({ state: 'failed', why: 'The number takes no texts.' })
  expect(floor.give(by(ANN, { kind: 'endThread', threadId: T1 }))).toBe('ok')
})

test('nobody takes it in time: it goes to the next, and who sat idle is not ready', () => {
  const floor = floorWith(ANN, BO)
  floor.give(writes('chat'))
  const first = must(floor.state().threads, T1).agentId
  floor.give({ kind: 'passTime' }, CENTRE.ringLimitMs)
  const second = must(floor.state().threads, T1).agentId
  expect(second).not.toBe(first)
  expect([ANN, BO]).toContain(second)
  expect(must(floor.state().agents, String(first)).state).toMatchObject({ name: 'notReady', reason: 'Missed ring' })
})

test('a parked mail comes back at its time to who parked it, and at once when its writer writes', () => {
  for (const what of ['time', 'writer'] as const) {
    const floor = inHand('mail')
    floor.give(by(ANN, { kind: 'parkThread', threadId: T1, untilMs: floor.state().atMs + 60_000 }))
    expect(must(floor.state().agents, ANN).state.name).toBe('ready')
    if (what === 'time') floor.give({ kind: 'passTime' }, 60_000)
    else floor.give({ kind: 'customerWrites', threadId: T1, text: 'And?' }, 1_000)
    expect(must(floor.state().threads, T1)).toMatchObject({ state: 'offered', agentId: ANN, parkedUntilMs: null })
  }
})

test('a chat becomes a call: the call keeps what was said, the notes and the script, and one outcome is owed for both', () => {
  const floor = inHand('text')
  floor.give(by(ANN, { kind: 'answerScript', callId: T1, field: 'speaking', value: true }))
  floor.give(by(ANN, { kind: 'draftNotes', callId: T1, text: 'Wants the early boat', followUp: '' }))
  expect(floor.give(by(ANN, { kind: 'ringInstead', threadId: T1 }))).toBe('ok')
  const [call] = [...floor.state().work.values()].filter((w) => w.channel === 'call')
  expect(call).toMatchObject({
    number: '+441632960112',
    notes: 'Wants the early boat',
    run: { answers: { speaking: true } },
    fromThread: { id: T1, lines: [{ text: 'Hello' }] },
  })
  expect(get(floor.state().work, T1)).toBeUndefined()
  expect(floor.give(by(ANN, { kind: 'writeLine', threadId: T1, text: 'Hi', aside: false }))).toBe('noSuchThread')
  // The script goes on in the call, and what is answered there is told with what was answered before.
  expect(floor.give(by(ANN, { kind: 'answerScript', callId: call?.id, field: 'wish', value: 'go' }))).toBe('ok')
  const folder = createLedgerFolder()
  for (const entry of floor.entries) folder.add(entry)
  expect(folder.written()[0]).toMatchObject({ result: 'handled', calledAs: call?.id })
  expect(folder.underWay(START_MS)[0]).toMatchObject({ callId: call?.id, script: 'Small script', answers: { speaking: true, wish: 'go' } })
})

test('a call rings beside mails, and no mail is offered beside a call', () => {
  const floor = inHand('mail')
  floor.give(arrives())
  expect(must(floor.state().agents, ANN).engagements.map((e) => e.state)).toEqual(['alerting'])
  floor.give(writes('mail'))
  expect(must(floor.state().threads, thread(2)).state).toBe('waiting')
})

test('a colleague who is asked in reads and writes for colleagues’ eyes only; handed on, the thread keeps all that was said and who had it owes their part', () => {
  const floor = inHand()
  floor.give(by(BO, { kind: 'goReady' }))
  floor.give(by(ANN, { kind: 'askIn', threadId: T1, toAgentId: BO }))
  floor.give(by(BO, { kind: 'writeLine', threadId: T1, text: 'Offer the early boat', aside: false }))
  expect(must(floor.state().threads, T1).lines.map((l) => [l.byAgentId, l.aside])).toEqual([
    [null, false],
    [BO, true],
  ])
  expect(floor.give(by(ANN, { kind: 'handThreadOn', threadId: T1, to: { kind: 'agent', agentId: BO } }))).toBe('ok')
  floor.give(by(BO, { kind: 'takeThread', threadId: T1 }))
  expect(must(floor.state().threads, T1)).toMatchObject({ state: 'open', agentId: BO, lineCount: 2, askedIn: [] })
  expect(must(floor.state().agents, ANN).wrapUps.map((w) => w.callId)).toEqual([T1])
})

test('a colleague who goes home reads along no more', () => {
  const floor = inHand()
  floor.give(by(ANN, { kind: 'askIn', threadId: T1, toAgentId: BO }))
  expect(must(floor.state().threads, T1).askedIn).toEqual([BO])
  expect(floor.give(by(BO, { kind: 'endShift' }))).toBe('ok')
  expect(must(floor.state().threads, T1).askedIn).toEqual([])
})

test('a text whose receipt never comes keeps nobody for ever: not from ending it, and not from going home', () => {
  const floor = sending()
  expect(floor.give(by(ANN, { kind: 'endThread', threadId: T1 }))).toBe('textOnItsWay')
  expect(floor.give(by(ANN, { kind: 'endThread', threadId: T1 }), RECEIPT_AWAITED_MS)).toBe('ok')
  expect(must(floor.state().agents, ANN).threads).toEqual([])
})

test('a piece that comes back has the outcome of who had it last', () => {
  const floor = inHand()
  const codes = (agentId: typeof ANN, code: string) =>
    floor.give(by(agentId, { kind: 'saveOutcome', callId: T1, code, notes: code, callback: null, followUp: '', insists: true, andThen: { state: 'ready' } }))
  const goesTo = (from: typeof ANN, to: typeof ANN) => {
    expect(floor.give(by(from, { kind: 'handThreadOn', threadId: T1, to: { kind: 'agent', agentId: to } }))).toBe('ok')
    expect(floor.give(by(to, { kind: 'takeThread', threadId: T1 }))).toBe('ok')
  }
  floor.give(by(BO, { kind: 'goReady' }))
  goesTo(ANN, BO)
  expect(codes(ANN, 'done')).toBe('ok')
  goesTo(BO, ANN)
  expect(codes(BO, 'later')).toBe('ok')
  floor.give(by(ANN, { kind: 'endThread', threadId: T1 }))
  expect(codes(ANN, 'done')).toBe('ok')
  const folder = createLedgerFolder()
  for (const entry of floor.entries) folder.add(entry)
  expect(folder.written()[0]).toMatchObject({ outcome: 'done', outcomeById: ANN, notes: 'done' })
})

test('what an agent had in hand is told in stretches, without the time it was put aside or with somebody else', () => {
  const floor = inHand('mail')
  floor.give(by(ANN, { kind: 'parkThread', threadId: T1, untilMs: floor.state().atMs + 600_000 }), 10_000)
  floor.give(by(ANN, { kind: 'goReady' }))
  floor.give(by(ANN, { kind: 'unparkThread', threadId: T1 }), 300_000)
  expect(floor.give(by(ANN, { kind: 'takeThread', threadId: T1 }))).toBe('ok')
  floor.give(by(ANN, { kind: 'endThread', threadId: T1 }), 20_000)
  const folder = createLedgerFolder()
  for (const entry of floor.entries) folder.add(entry)
  const [leg] = folder.written()[0]?.agents ?? []
  expect(leg?.spells.map((s) => s.toMs - s.fromMs)).toEqual([10_000, 20_000])
  expect((leg?.toMs ?? 0) - (leg?.fromMs ?? 0)).toBeGreaterThan(300_000)
})

describe('one waiting line', () => {
  test.each(['chat', 'call'] as const)('a %s that one agent after the other declines is offered further when its time has come', (channel) => {
    const centre = SetUpSchema.parse({
      ...CENTRE,
      queues: CENTRE.queues.map((q) => ({ ...q, hours: [], overflow: q.id === FIRST ? [{ afterMs: 40_000, to: SECOND_QUEUE }] : [] })),
    })
    const floor = aFloor(centre)
    floor.give(by(ANN, { kind: 'startShift', queueIds: [FIRST], seat: 'desk' }))
    floor.give(by(BO, { kind: 'startShift', queueIds: [SECOND_QUEUE], seat: 'desk' }))
    for (const agentId of [ANN, BO]) floor.give(by(agentId, { kind: 'goReady' }))
    floor.give(channel === 'chat' ? writes('chat') : arrives(FIRST))
    const { callId } = (must(floor.state().agents, ANN).engagements[0] ?? { callId: null }) as { callId: string | null }
    const declined = channel === 'chat' ? { kind: 'declineThread', threadId: T1 } : { kind: 'decline', callId }
    expect(floor.give(by(ANN, declined), 15_000)).toBe('ok')
    floor.give({ kind: 'passTime' }, 24_000)
    const bo = () => must(floor.state().agents, BO)
    expect([bo().engagements, bo().threads].map((a) => a.length)).toEqual([0, 0])
    floor.give({ kind: 'passTime' }, 1_000)
    expect(channel === 'chat' ? bo().threads : bo().engagements).toHaveLength(1)
  })
})

test('whoever writes is seen to type, until they have written', () => {
  const floor = waits('chat')
  const typing = () => get(floor.state().threads, T1)?.typing
  for (const on of [true, false, true]) {
    expect(floor.give({ kind: 'customerTypes', threadId: T1, on })).toBe('ok')
    expect(typing()).toBe(on)
  }
  floor.give({ kind: 'customerWrites', threadId: T1, text: 'Are you there?' })
  expect(typing()).toBe(false)
})
