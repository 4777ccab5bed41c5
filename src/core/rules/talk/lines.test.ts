import { describe, expect, test } from 'vitest'
import { type Failure, whoHearsWhom } from '@/core/calls'
import type { Command } from '@/core/floor'
import { deviceOfAgent, deviceOutside, toCallId } from '@/core/ids'
import { createLedgerFolder } from '@/core/ledger'
import { isMutedOn } from '@/core/state'
import { get, must } from '@/core/table'
import { ANN, aFloor, aReadyFloor, arrives, BO, CY, FIRST, SECOND_QUEUE, SMALL, type TestFloor } from '@/core/testing'

const call = (n: number) => toCallId(`call_test_${n}`)
const on = (kind: string, n = 1, more: object = {}, agentId = ANN) => ({ kind, agentId, callId: call(n), ...more }) as Command
const to = { bo: { kind: 'agent', agentId: BO }, cy: { kind: 'agent', agentId: CY }, queue: { kind: 'queue', queueId: SECOND_QUEUE } } as const
const number = { kind: 'number', typed: '01632 960113', name: 'Harbour' } as const
const voicemail = { kind: 'voicemail', agentId: BO } as const
const caller = deviceOutside(call(1), 1)
const farEnd = (n: number, nth: number, report: 'ringing' | 'answered' | Failure): Command => ({
  kind: 'farEnd',
  callId: call(n),
  deviceId: deviceOutside(call(n), nth),
  report,
})

const TALKING = [arrives(), on('answer')]
const CONSULT = [...TALKING, on('consult', 1, { target: to.bo })]
const CONSULTING = [...CONSULT, on('answer', 2, {}, BO)]
const CONFERENCE = [...CONSULTING, on('conference', 2)]
const bo = { deviceId: deviceOfAgent(BO) }

/** Ann and Bo ready, Cy off shift. */
const floorAfter = (given: readonly Command[], setUp = SMALL): TestFloor => {
  const floor = setUp === SMALL ? aReadyFloor([ANN, BO]) : aFloor(setUp)
  if (setUp !== SMALL)
    for (const [agentId] of [
      [ANN, '1110'],
      [BO, '1111'],
    ] as const) {
      floor.give({ kind: 'startShift', agentId, queueIds: [FIRST, SECOND_QUEUE], seat: 'desk' })
      floor.give({ kind: 'goReady', agentId })
    }
  for (const command of given) expect(floor.give(command), JSON.stringify(command)).toBe('ok')
  return floor
}

describe('what each service takes and refuses', () => {
  test.each<{ says: string; given: Command[]; when: Command; then: string }>([
    { says: 'consult: a talking call', given: TALKING, when: on('consult', 1, { target: to.bo }), then: 'ok' },
    { says: 'consult: a held call', given: [...TALKING, on('hold')], when: on('consult', 1, { target: to.bo }), then: 'ok' },
    { says: 'consult: a queue', given: TALKING, when: on('consult', 1, { target: to.queue }), then: 'ok' },
    { says: 'consult: not while it rings', given: [arrives()], when: on('consult', 1, { target: to.bo }), then: 'notOnCall' },
    { says: 'consult: one at a time', given: CONSULT, when: on('consult', 1, { target: number }), then: 'consultUnderWay' },
    { says: 'consult: not about a consult', given: CONSULTING, when: on('consult', 2, { target: number }), then: 'consultUnderWay' },
    { says: 'consult: not yourself', given: TALKING, when: on('consult', 1, { target: { kind: 'agent', agentId: ANN } }), then: 'targetSelf' },
    { says: 'consult: nobody off shift', given: TALKING, when: on('consult', 1, { target: to.cy }), then: 'targetOffShift' },
    { says: 'consult: no mailbox', given: TALKING, when: on('consult', 1, { target: voicemail }), then: 'targetNotForThis' },
    { says: 'consult: no nonsense', given: TALKING, when: on('consult', 1, { target: { ...number, typed: 'harbour' } }), then: 'matchesNobody' },
    {
      says: 'consult: not before the far end answers',
      given: [{ kind: 'makeCall', agentId: ANN, typed: '01632 960112', customer: null }],
      when: on('consult', 1, { target: to.bo }),
      then: 'notOnCall',
    },
    { says: 'alternate: to the held line', given: CONSULTING, when: on('alternate', 1), then: 'ok' },
    { says: 'alternate: not to the heard one', given: CONSULTING, when: on('alternate', 2), then: 'notHeld' },
    { says: 'retrieve: not while another is heard', given: CONSULTING, when: on('retrieve', 1), then: 'hearsAnotherCall' },
    { says: 'end consult: the consult', given: CONSULT, when: on('endConsult', 2), then: 'ok' },
    { says: 'end consult: not the first line', given: CONSULTING, when: on('endConsult', 1), then: 'notAConsult' },
    { says: 'complete: once answered', given: CONSULTING, when: on('completeTransfer', 2), then: 'ok' },
    { says: 'complete: not while it rings', given: CONSULT, when: on('completeTransfer', 2), then: 'consultNotAnswered' },
    { says: 'complete: not without a consult', given: TALKING, when: on('completeTransfer', 1), then: 'notAConsult' },
    {
      says: 'complete: not after the caller has gone',
      given: [...CONSULTING, { kind: 'callerHangsUp', callId: call(1) }],
      when: on('completeTransfer', 2),
      then: 'callerIsGone',
    },
    { says: 'conference: once answered', given: CONSULTING, when: on('conference', 2), then: 'ok' },
    { says: 'transfer: to a colleague', given: TALKING, when: on('transfer', 1, { target: to.bo }), then: 'ok' },
    { says: 'transfer: to a queue', given: TALKING, when: on('transfer', 1, { target: to.queue }), then: 'ok' },
    { says: 'transfer: to a number', given: TALKING, when: on('transfer', 1, { target: number }), then: 'ok' },
    { says: 'transfer: to a voicemail', given: TALKING, when: on('transfer', 1, { target: voicemail }), then: 'ok' },
    { says: 'transfer: not to who is on a call', given: CONSULTING, when: on('transfer', 1, { target: to.bo }), then: 'targetOnCall' },
    { says: 'add: into the call', given: TALKING, when: on('addParty', 1, { target: number }), then: 'ok' },
    { says: 'add: not twice', given: CONFERENCE, when: on('addParty', 1, { target: to.bo }), then: 'targetAlreadyThere' },
    {
      says: 'add: not the same number twice',
      given: [...TALKING, on('addParty', 1, { target: number })],
      when: on('addParty', 1, { target: number }),
      then: 'targetAlreadyThere',
    },
    { says: 'add: no queue', given: TALKING, when: on('addParty', 1, { target: to.queue }), then: 'targetNotForThis' },
    { says: 'divert: while it rings', given: [arrives()], when: on('divert', 1, { target: voicemail }), then: 'ok' },
    { says: 'divert: not later', given: TALKING, when: on('divert', 1, { target: voicemail }), then: 'notRinging' },
    { says: 'park: one other party', given: TALKING, when: on('park'), then: 'ok' },
    { says: 'park: no conference', given: CONFERENCE, when: on('park'), then: 'parkOnlyOne' },
    { says: 'pick up: what is parked', given: [...TALKING, on('park')], when: on('pickUp', 1, {}, BO), then: 'ok' },
    { says: 'pick up: what rings at a colleague', given: [arrives()], when: on('pickUp', 1, {}, BO), then: 'ok' },
    {
      says: 'pick up: not what two colleagues have between them',
      given: [...CONSULT, { kind: 'startShift', agentId: CY, queueIds: [FIRST], seat: 'desk' }],
      when: on('pickUp', 2, {}, CY),
      then: 'betweenColleagues',
    },
    { says: 'pick up: not what somebody talks on', given: TALKING, when: on('pickUp', 1, {}, BO), then: 'notParkedOrRinging' },
    {
      says: 'pick up: not with another line heard',
      given: [...TALKING, on('park'), arrives(), on('answer', 2, {}, BO)],
      when: on('pickUp', 1, {}, BO),
      then: 'callUnderWay',
    },
    { says: 'mute a party: in a conference', given: CONFERENCE, when: on('muteParty', 1, { ...bo, muted: true }), then: 'ok' },
    { says: 'mute a party: not with one other', given: TALKING, when: on('muteParty', 1, { deviceId: caller, muted: true }), then: 'needsConference' },
    { says: 'mute a party: not as it is', given: CONFERENCE, when: on('muteParty', 1, { ...bo, muted: false }), then: 'partyMuteUnchanged' },
    { says: 'aside: with one of them', given: CONFERENCE, when: on('startAside', 1, { ...bo, othersHear: 'music' }), then: 'ok' },
    {
      says: 'aside: not with a stranger',
      given: CONFERENCE,
      when: on('startAside', 1, { deviceId: deviceOfAgent(CY), othersHear: 'music' }),
      then: 'noSuchParty',
    },
    {
      says: 'aside: one at a time',
      given: [...CONFERENCE, on('startAside', 1, { ...bo, othersHear: 'music' })],
      when: on('startAside', 1, { deviceId: caller, othersHear: 'music' }),
      then: 'asideUnderWay',
    },
    { says: 'aside: not ended without', given: CONFERENCE, when: on('endAside'), then: 'noAside' },
    { says: 'leave: a colleague stays', given: CONFERENCE, when: on('hangUp'), then: 'ok' },
    {
      says: 'leave: not only outsiders',
      given: [...TALKING, on('addParty', 1, { target: number }), farEnd(1, 2, 'ringing'), farEnd(1, 2, 'answered')],
      when: on('hangUp'),
      then: 'onlyOutsidersLeft',
    },
    { says: 'digits: while connected', given: TALKING, when: on('sendDigits', 1, { digits: '12#' }), then: 'ok' },
    { says: 'digits: no letters', given: TALKING, when: on('sendDigits', 1, { digits: 'x' }), then: 'notDigits' },
    { says: 'move: to the handset', given: TALKING, when: on('moveCall', 1, { endpoint: 'handset' }), then: 'ok' },
    { says: 'move: not to where it is', given: TALKING, when: on('moveCall', 1, { endpoint: 'computer' }), then: 'alreadyThere' },
    { says: 'record: an answered call', given: TALKING, when: on('record', 1, { to: 'on' }), then: 'ok' },
    { says: 'record: nothing to pause', given: TALKING, when: on('record', 1, { to: 'paused' }), then: 'recordingUnchanged' },
    {
      says: 'record: not before the answer',
      given: [
        { kind: 'makeCall', agentId: ANN, typed: '01632 960112', customer: null },
        { kind: 'farEnd', callId: call(1), report: 'ringing' },
      ],
      when: on('record', 1, { to: 'on' }),
      then: 'notConnected',
    },
    { says: 'take back: nothing', given: TALKING, when: on('takeBack'), then: 'nothingToTakeBack' },
    { says: 'an unknown colleague', given: TALKING, when: on('consult', 1, { target: { kind: 'queue', queueId: 'queue_gone' } }), then: 'targetUnknown' },
  ])('$says: $then', ({ given, when, then }) => {
    const floor = floorAfter(given)
    const before = floor.state()
    expect(floor.give(when)).toBe(then)
    if (then !== 'ok') expect(floor.state()).toBe(before)
  })
})

describe('what comes of it', () => {
  const hears = (floor: TestFloor, n: number, listener: string, speaker: string) =>
    whoHearsWhom(must(floor.state().calls, call(n)), isMutedOn(floor.state())).find((e) => e.listener === listener && e.speaker === speaker)?.hears
  const ann = deviceOfAgent(ANN)

  test.each<{ says: string; given: Command[]; listener: string; speaker: string; then: string }>([
    { says: 'two who talk hear each other', given: TALKING, listener: caller, speaker: ann, then: 'voice' },
    { says: 'a held caller hears music', given: [...TALKING, on('hold')], listener: caller, speaker: ann, then: 'music' },
    { says: 'who holds hears nothing', given: [...TALKING, on('hold')], listener: ann, speaker: caller, then: 'silence' },
    {
      says: 'a muted agent is not heard',
      given: [...TALKING, { kind: 'setMute', agentId: ANN, muted: true }],
      listener: caller,
      speaker: ann,
      then: 'silence',
    },
    { says: 'a muted agent hears', given: [...TALKING, { kind: 'setMute', agentId: ANN, muted: true }], listener: ann, speaker: caller, then: 'voice' },
    { says: 'of a conference that is held, the others talk on', given: [...CONFERENCE, on('hold')], listener: caller, speaker: bo.deviceId, then: 'voice' },
    {
      says: 'a caller sent on hears it ring',
      given: [...TALKING, on('transfer', 1, { target: to.bo })],
      listener: caller,
      speaker: bo.deviceId,
      then: 'ringing',
    },
    { says: 'a caller in a queue hears music, not ringing', given: [arrives()], listener: caller, speaker: ann, then: 'silence' },
    {
      says: 'outside an aside there is music',
      given: [...CONFERENCE, on('startAside', 1, { ...bo, othersHear: 'music' })],
      listener: caller,
      speaker: ann,
      then: 'music',
    },
    {
      says: 'inside an aside there is a voice',
      given: [...CONFERENCE, on('startAside', 1, { ...bo, othersHear: 'music' })],
      listener: bo.deviceId,
      speaker: ann,
      then: 'voice',
    },
  ])('$says', ({ given, listener, speaker, then }) => expect(hears(floorAfter(given), 1, listener, speaker)).toBe(then))

  test.each<Failure>(['busy', 'noAnswer', 'refused', 'unreachable', 'machine'])('a second party that is %s leaves the caller as they were', (failure) => {
    const floor = floorAfter([...TALKING, on('consult', 1, { target: number })])
    const before = get(floor.state().calls, call(1))
    expect(floor.give(farEnd(2, 1, failure))).toBe('ok')
    expect(get(floor.state().calls, call(1))).toBe(before)
    expect(get(floor.state().calls, call(2))?.connections.find((c) => c.state === 'failed')?.failure).toBe(failure)
    // The next try takes the failed one's place.
    expect(floor.give(on('consult', 1, { target: to.bo }))).toBe('ok')
    expect(get(floor.state().calls, call(2))).toBeUndefined()
  })

  test('a blind transfer that fails rings back at the sender, said to be returned; declined there it goes to the head of its queue', () => {
    const floor = floorAfter([...TALKING, arrives(FIRST), on('answer', 2, {}, BO), on('hangUp', 2, {}, BO)])
    floor.give(on('transfer', 1, { target: number }))
    expect(floor.give(farEnd(1, 2, 'busy'))).toBe('ok')
    expect(get(floor.state().agents, ANN)?.state.name).toBe('ringing')
    expect(get(floor.state().work, call(1))?.returned).toMatchObject({ failure: 'busy', from: { kind: 'outside' } })
    floor.give(arrives(FIRST))
    expect(floor.give(on('decline'))).toBe('ok')
    expect(floor.state().waiting[FIRST]).toEqual([call(1), call(3)])
  })

  test('whom the sender was bringing in is let go when the caller is sent elsewhere: one agent at a time rings for a caller who waits', () => {
    const floor = floorAfter([...TALKING, on('addParty', 1, { target: to.bo }), on('transfer', 1, { target: to.queue })])
    const rings = () => must(floor.state().calls, call(1)).connections.filter((c) => c.party.kind === 'agent' && c.state === 'alerting')
    expect(rings().length).toBeLessThanOrEqual(1)
    expect(floor.give(on('answer', 1, {}, BO))).toBe('ok')
    expect(must(floor.state().calls, call(1)).connections.map((c) => c.deviceId)).toEqual([caller, bo.deviceId])
  })

  test('a sender who has gone home is spared: the call goes to the head of the queue', () => {
    const floor = floorAfter([...TALKING, on('transfer', 1, { target: number })])
    floor.give(on('saveOutcome', 1, { code: 'done', notes: '', followUp: '', andThen: { state: 'notReady', reason: 'Break' } }))
    expect(floor.give({ kind: 'endShift', agentId: ANN })).toBe('ok')
    floor.give(farEnd(1, 2, 'noAnswer'))
    // Bo is ready and gets it from there.
    expect(get(floor.state().agents, BO)?.engagements).toEqual([{ callId: call(1), state: 'alerting', internal: false, listens: false }])
  })

  test('a parked call rings back after its limit at who parked it', () => {
    const floor = floorAfter([...TALKING, on('park')])
    floor.give({ kind: 'passTime' }, SMALL.parkLimitMs - 1)
    expect(get(floor.state().calls, call(1))?.connections.some((c) => c.party.kind === 'park')).toBe(true)
    floor.give({ kind: 'passTime' }, 1)
    expect(get(floor.state().agents, ANN)?.engagements).toEqual([{ callId: call(1), state: 'alerting', internal: false, listens: false }])
  })

  test('an end waits for its grace, falls due by itself, and a second press changes nothing; asked for, it is now', () => {
    const patient = { ...SMALL, takeBackMs: 4_000 }
    const floor = floorAfter([...TALKING, on('hangUp')], patient)
    expect(get(floor.state().agents, ANN)?.state.name).toBe('onCall')
    floor.give({ kind: 'passTime' }, 3_999)
    expect(get(floor.state().calls, call(1))).toBeDefined()
    floor.give({ kind: 'passTime' }, 1)
    expect(get(floor.state().agents, ANN)?.state.name).toBe('wrapUp')
    const twice = floorAfter([...TALKING, on('hangUp'), on('hangUp')], patient)
    expect(get(twice.state().agents, ANN)?.state.name).toBe('onCall')
    expect(twice.entries.filter((e) => e.event.kind === 'clearRequested')).toHaveLength(1)
    twice.give(on('endNow'))
    expect(get(twice.state().agents, ANN)?.state.name).toBe('wrapUp')
    expect(twice.give(on('endNow'))).not.toBe('ok')
    const gone = floorAfter([...TALKING, on('hangUp'), { kind: 'callerHangsUp', callId: call(1) }], patient)
    expect(get(gone.state().agents, ANN)?.wrapUps).toHaveLength(1)
  })

  test('whoever has the call codes it; the record lists every part, the last code counts', () => {
    const floor = floorAfter([...TALKING, on('transfer', 1, { target: to.bo }), on('answer', 1, {}, BO)])
    const save = (agentId: typeof ANN, code: string) => on('saveOutcome', 1, { code, notes: code, followUp: '', andThen: { state: 'ready' } }, agentId)
    expect(floor.give(on('hangUp', 1, {}, BO))).toBe('ok')
    expect(floor.give(save(BO, 'done'))).toBe('ok')
    expect(floor.give(save(ANN, 'later'))).toBe('ok')
    const folder = createLedgerFolder()
    for (const entry of floor.entries) folder.add(entry)
    expect(folder.records()).toMatchObject([
      {
        outcome: 'done',
        outcomeBy: 'Bo',
        transfers: [{ kind: 'blind', from: 'Ann', to: 'Bo' }],
        agents: [
          { agent: 'Ann', role: 'handled' },
          { agent: 'Bo', role: 'transferredTo' },
        ],
      },
    ])
  })

  test.each([
    { says: 'completed', end: on('completeTransfer', 2), role: 'transferredTo' },
    { says: 'joined', end: on('conference', 2), role: 'joined' },
    { says: 'ended', end: on('endConsult', 2), role: 'consulted' },
  ])('a consult that is $says is a leg of the call it was about, as $role', ({ end, role }) => {
    const floor = floorAfter([...CONSULTING, end])
    floor.give({ kind: 'callerHangsUp', callId: call(1) }, 5_000)
    // Two colleagues may talk on after the caller has gone; the call is over when they are.
    floor.give(on('hangUp'))
    const folder = createLedgerFolder()
    for (const entry of floor.entries) folder.add(entry)
    const [record, ...others] = folder.records()
    expect(others).toEqual([])
    expect(record?.agents.find((l) => l.agent === 'Bo')?.role).toBe(role)
    expect(record?.agents.find((l) => l.agent === 'Ann')).toMatchObject({ role: 'handled', holdMs: 2_000 })
  })

  test('a hundred parties: everybody hears everybody, and nothing is fixed at three', () => {
    const floor = floorAfter(TALKING)
    for (let nth = 2; nth <= 100; nth++) {
      const typed = `01632 960${String(nth).padStart(3, '0')}`
      for (const command of [on('addParty', 1, { target: { ...number, typed } }), farEnd(1, nth, 'ringing'), farEnd(1, nth, 'answered')])
        expect(floor.give(command, 10)).toBe('ok')
    }
    const crowd = must(floor.state().calls, call(1))
    expect(crowd.connections).toHaveLength(101)
    const ears = whoHearsWhom(crowd, isMutedOn(floor.state()))
    expect(ears.filter((e) => e.hears === 'voice')).toHaveLength(101 * 100)
    expect(floor.give(on('endForEveryone'))).toBe('ok')
    expect(get(floor.state().calls, call(1))).toBeUndefined()
  })

  test('a queue that records begins at the answer, pauses on a sensitive page and goes on after it', () => {
    const [queue, ...queues] = SMALL.queues
    const [script] = SMALL.scripts
    if (queue === undefined || script === undefined) throw new Error('the small centre has a queue and a script')
    const pages = script.pages.map((p) => ({ ...p, sensitive: p.id === 'end' }))
    const floor = floorAfter([arrives(), on('answer')], { ...SMALL, queues: [{ ...queue, records: true }, ...queues], scripts: [{ ...script, pages }] })
    const recording = () => get(floor.state().calls, call(1))?.recording?.state
    expect(recording()).toBe('on')
    floor.give(on('answerScript', 1, { field: 'speaking', value: true }))
    expect(floor.give(on('turnPage', 1, { direction: 'next' }))).toBe('ok')
    expect(recording()).toBe('paused')
    expect(floor.give(on('turnPage', 1, { direction: 'back' }))).toBe('ok')
    expect(recording()).toBe('on')
  })
})
