import { describe, expect, test } from 'vitest'
import { type Command, decideToKeep } from '@/core/floor'
import { type AgentId, type AttemptId, toAgentId, toCallId } from '@/core/ids'
import { copyOf } from '@/core/state'
import { get, values } from '@/core/table'
import { ANN, aFloor, aReadyFloor, aRecord, arrives, BO, CAMPAIGNS, CROWDED, CY, FIRST, MANY, SECOND_QUEUE } from '@/core/testing'

const call = (n: number) => toCallId(`call_test_${n}`)
const on = (kind: 'answer' | 'decline' | 'silence' | 'hold' | 'retrieve' | 'hangUp', agentId = ANN, n = 1): Command => ({ kind, agentId, callId: call(n) })
const save = (code: string | null, callId = call(1)): Command => ({
  kind: 'saveOutcome',
  agentId: ANN,
  callId,
  code,
  notes: '',
  followUp: '',
  andThen: { state: 'ready' },
})
const start = (queueIds = [FIRST], agentId = ANN): Command => ({ kind: 'startShift', agentId, queueIds, seat: 'desk' })
const dial = (typed: string): Command => ({ kind: 'makeCall', agentId: ANN, typed, customer: null })
const farEnd = (report: 'ringing' | 'answered' | 'busy'): Command => ({ kind: 'farEnd', callId: call(1), report })
const answer = (field: string, value: string | boolean): Command => ({ kind: 'answerScript', agentId: ANN, callId: call(1), field, value })
const page = (direction: 'next' | 'back'): Command => ({ kind: 'turnPage', agentId: ANN, callId: call(1), direction })
const TALKING = [arrives(), on('answer')]

describe('what the floor takes and what it refuses', () => {
  test.each<{ says: string; given: Command[]; when: Command; then: string }>([
    { says: 'a ringing call can be answered', given: [arrives()], when: on('answer'), then: 'ok' },
    { says: 'a call cannot be answered twice', given: TALKING, when: on('answer'), then: 'notRinging' },
    { says: 'a call that is over cannot be answered', given: [arrives(), { kind: 'callerHangsUp', callId: call(1) }], when: on('answer'), then: 'noSuchCall' },
    { says: 'somebody else’s ring cannot be answered', given: [arrives()], when: on('answer', BO), then: 'notOnShift' },
    { says: 'a talking call can be held', given: TALKING, when: on('hold'), then: 'ok' },
    { says: 'a ringing call cannot be held', given: [arrives()], when: on('hold'), then: 'notConnected' },
    { says: 'a held call cannot be held again', given: [...TALKING, on('hold')], when: on('hold'), then: 'alreadyHeld' },
    { says: 'a held call can be retrieved', given: [...TALKING, on('hold')], when: on('retrieve'), then: 'ok' },
    { says: 'a talking call cannot be retrieved', given: TALKING, when: on('retrieve'), then: 'notHeld' },
    { says: 'a dialled number that still rings cannot be held', given: [dial('01632 960112'), farEnd('ringing')], when: on('hold'), then: 'nobodyToHold' },
    { says: 'a ringing call is declined, not hung up', given: [arrives()], when: on('hangUp'), then: 'notOnCall' },
    { says: 'a talking call is hung up, not declined', given: TALKING, when: on('decline'), then: 'notRinging' },
    { says: 'only what rings can be silenced', given: TALKING, when: on('silence'), then: 'notRinging' },
    { says: 'ready after the call is how it is anyway', given: TALKING, when: { kind: 'goReady', agentId: ANN }, then: 'alreadyReady' },
    { says: 'not ready after this call', given: TALKING, when: { kind: 'goNotReady', agentId: ANN, reason: 'Lunch' }, then: 'ok' },
    {
      says: 'and ready after it again',
      given: [...TALKING, { kind: 'goNotReady', agentId: ANN, reason: 'Lunch' }],
      when: { kind: 'goReady', agentId: ANN },
      then: 'ok',
    },
    { says: 'a reason the floor gives itself', given: [], when: { kind: 'goNotReady', agentId: ANN, reason: 'Missed ring' }, then: 'unknownReason' },
    { says: 'nobody goes ready owing an outcome', given: [...TALKING, on('hangUp')], when: { kind: 'goReady', agentId: ANN }, then: 'outcomeOwed' },
    { says: 'nobody goes ready twice', given: [], when: { kind: 'goReady', agentId: ANN }, then: 'alreadyReady' },
    {
      says: 'a break asked for while it rings comes after the call',
      given: [arrives()],
      when: { kind: 'goNotReady', agentId: ANN, reason: 'Break' },
      then: 'ok',
    },
    { says: 'reasons come from the list', given: [], when: { kind: 'goNotReady', agentId: ANN, reason: 'Bored' }, then: 'unknownReason' },
    {
      says: 'the same reason twice changes nothing',
      given: [{ kind: 'goNotReady', agentId: ANN, reason: 'Break' }],
      when: { kind: 'goNotReady', agentId: ANN, reason: 'Break' },
      then: 'alreadyNotReady',
    },
    { says: 'nobody goes home owing an outcome', given: [...TALKING, on('hangUp')], when: { kind: 'endShift', agentId: ANN }, then: 'outcomeOwed' },
    { says: 'a seat is held by one', given: [], when: start(), then: 'seatTaken' },
    { says: 'mute set to what it is changes nothing', given: [], when: { kind: 'setMute', agentId: ANN, muted: false }, then: 'muteUnchanged' },
    { says: 'an outcome must be chosen', given: [...TALKING, on('hangUp')], when: save(null), then: 'outcomeMissing' },
    { says: 'an outcome must be of the set', given: [...TALKING, on('hangUp')], when: save('elsewhere'), then: 'unknownCode' },
    { says: 'an outcome may be saved during the call', given: TALKING, when: save('done'), then: 'ok' },
    { says: 'a coded call cannot be coded by wrap-up again', given: [...TALKING, on('hangUp'), save('done')], when: save('done'), then: 'notYourCall' },
    { says: 'a yes/no question takes no text', given: TALKING, when: answer('speaking', 'maybe'), then: 'answerWrongKind' },
    { says: 'a choice takes only its options', given: TALKING, when: answer('wish', 'fly'), then: 'answerWrongKind' },
    { says: 'a text with a shape takes only that shape', given: TALKING, when: answer('reference', 'seven'), then: 'answerWrongKind' },
    { says: 'a text with a shape takes it in any case and padding', given: TALKING, when: answer('reference', ' fl-204816 '), then: 'ok' },
    { says: 'an unknown question takes nothing', given: TALKING, when: answer('colour', 'red'), then: 'unknownField' },
    { says: 'the way on needs its answer', given: TALKING, when: page('next'), then: 'answerMissing' },
    { says: 'the way on follows the answer', given: [...TALKING, answer('speaking', true)], when: page('next'), then: 'ok' },
    { says: 'the last page leads nowhere', given: [...TALKING, answer('speaking', true), page('next')], when: page('next'), then: 'lastPage' },
    { says: 'nothing comes before the first page', given: TALKING, when: page('back'), then: 'firstPage' },
    { says: 'a code the answers speak against is questioned', given: [...TALKING, answer('wish', 'stay')], when: save('later'), then: 'answersContradict' },
    { says: 'another code is not', given: [...TALKING, answer('wish', 'stay')], when: save('done'), then: 'ok' },
    { says: 'nor the same one with other answers', given: [...TALKING, answer('wish', 'go')], when: save('later'), then: 'ok' },
    { says: 'whoever insists is believed', given: [...TALKING, answer('wish', 'stay')], when: { ...save('later'), insists: true } as Command, then: 'ok' },
    {
      says: 'an answer taken back speaks against nothing',
      given: [...TALKING, answer('wish', 'stay'), answer('wish', '')],
      when: save('later'),
      then: 'ok',
    },
    {
      says: 'a page that was not seen is not jumped to',
      given: TALKING,
      when: { ...page('next'), direction: 'jump', pageId: 'end' } as Command,
      then: 'pageNotSeen',
    },
    {
      says: 'a page that was seen is',
      given: [...TALKING, answer('speaking', true), page('next')],
      when: { ...page('next'), direction: 'jump', pageId: 'hello' } as Command,
      then: 'ok',
    },
    { says: 'a queue without script has none', given: [arrives(SECOND_QUEUE), on('answer')], when: page('next'), then: 'noScript' },
    { says: 'letters are not dialled', given: [], when: dial('the harbour'), then: 'matchesNobody' },
    { says: 'nothing is not dialled', given: [], when: dial('  '), then: 'numberEmpty' },
    { says: 'a number is dialled for a queue that is served', given: [], when: { ...dial('01632 960112'), queueId: FIRST } as Command, then: 'ok' },
    {
      says: 'but not for one that is not',
      given: [],
      when: { ...dial('01632 960112'), queueId: 'queue_other' as typeof FIRST } as Command,
      then: 'queueNotServed',
    },
    { says: 'a number is dialled from ready', given: [], when: dial('01632 960112'), then: 'ok' },
    { says: 'nobody dials during a call', given: TALKING, when: dial('01632 960112'), then: 'callUnderWay' },
    {
      says: 'the far end answers once',
      given: [dial('01632 960112'), farEnd('ringing'), farEnd('answered')],
      when: farEnd('answered'),
      then: 'alreadyAnswered',
    },
  ])('$says', ({ given, when, then }) => {
    const floor = aReadyFloor()
    for (const command of given) expect(floor.give(command)).toBe('ok')
    const before = copyOf(floor.state())
    expect(floor.give(when)).toBe(then)
    if (then !== 'ok') expect(floor.state()).toEqual(before)
  })

  test.each([
    { says: 'an account that is not there', command: start([FIRST], toAgentId('agent_nobody')), then: 'noSuchAccount' },
    { says: 'no queue', command: start([]), then: 'noQueueTicked' },
    { says: 'a queue of another account', command: start(['queue_other' as typeof FIRST]), then: 'queueNotYours' },
    { says: 'a queue of their own', command: start(), then: 'ok' },
  ])('a shift starts with $says: $then', ({ command, then }) => expect(aFloor().give(command)).toBe(then))
})

describe('what follows by itself', () => {
  test('the call goes to the agent longest ready, and the next one to the next', () => {
    const floor = aReadyFloor([BO, ANN])
    floor.give(arrives())
    floor.give(arrives())
    const ringsAt = (id: typeof ANN) => get(floor.state().agents, id)?.engagements[0]?.callId
    expect([ringsAt(BO), ringsAt(ANN)]).toEqual([call(1), call(2)])
  })

  test('the queue of higher priority is handed out first, within a queue the longest wait', () => {
    const floor = aReadyFloor([])
    for (const queue of [SECOND_QUEUE, FIRST, FIRST]) floor.give(arrives(queue))
    floor.give({ kind: 'startShift', agentId: ANN, queueIds: [FIRST, SECOND_QUEUE], seat: 'desk' })
    floor.give({ kind: 'goReady', agentId: ANN })
    expect(get(floor.state().agents, ANN)?.engagements[0]?.callId).toBe(call(2))
  })

  test('a declined call rings at the next agent and keeps its place when there is none', () => {
    const floor = aReadyFloor([ANN, BO])
    floor.give(arrives())
    floor.give(arrives())
    floor.give(arrives())
    floor.give(on('decline', ANN, 1))
    expect(get(floor.state().agents, ANN)?.engagements[0]?.callId).toBe(call(3))
    expect(floor.state().waiting[FIRST]).toEqual([call(1)])
  })

  test('a ring over the limit sets the agent not ready with the reason and rings at the next', () => {
    const floor = aReadyFloor([ANN, BO])
    floor.give(arrives())
    floor.give({ kind: 'passTime' }, 19_999)
    expect(get(floor.state().agents, ANN)?.state.name).toBe('ringing')
    floor.give({ kind: 'passTime' }, 1)
    expect(get(floor.state().agents, ANN)?.state).toMatchObject({ name: 'notReady', reason: 'Missed ring' })
    expect(get(floor.state().agents, BO)?.state.name).toBe('ringing')
  })

  test('whoever hangs up first, the call owes its outcome; saving carries out what comes then', () => {
    for (const end of [on('hangUp'), { kind: 'callerHangsUp', callId: call(1) } as const]) {
      const floor = aReadyFloor()
      for (const command of [...TALKING, end]) floor.give(command)
      expect(get(floor.state().agents, ANN)?.wrapUps[0]?.callId).toBe(call(1))
      floor.give({ ...save('done'), andThen: { state: 'notReady', reason: 'Break' } } as Command)
      expect(get(floor.state().agents, ANN)?.state).toMatchObject({ name: 'notReady', reason: 'Break' })
      expect(values(floor.state().work)).toEqual([])
    }
  })

  test('an outcome saved during the call spares the wrap-up', () => {
    const floor = aReadyFloor()
    for (const command of [...TALKING, save('done'), on('hangUp')]) floor.give(command)
    expect(get(floor.state().agents, ANN)?.state.name).toBe('ready')
  })

  test('a caller who gives up while it rings frees the agent and owes nothing', () => {
    const floor = aReadyFloor()
    floor.give(arrives())
    floor.give({ kind: 'callerHangsUp', callId: call(1) })
    expect(get(floor.state().agents, ANN)?.state.name).toBe('ready')
    expect(values(floor.state().work)).toEqual([])
  })

  test('hold and retrieve are inverse, and leave mute alone', () => {
    const floor = aReadyFloor([ANN, CY])
    for (const command of TALKING) floor.give(command)
    floor.give({ kind: 'setMute', agentId: ANN, muted: true })
    const shape = () => get(floor.state().calls, call(1))?.connections.map(({ deviceId, state }) => [deviceId, state])
    const before = shape()
    floor.give(on('hold'))
    floor.give(on('retrieve'))
    expect(shape()).toEqual(before)
    expect(get(floor.state().agents, ANN)?.muted).toBe(true)
  })
})

test('what its own reader would refuse is a fault: nothing of it is kept, and the floor is as it was', () => {
  const floor = aFloor(CROWDED)
  const [campaignId] = CAMPAIGNS as [(typeof CAMPAIGNS)[number]]
  floor.give({ kind: 'startCampaign', agentId: MANY[1] as AgentId, campaignId })
  floor.give({ kind: 'makeAttempt', campaignId, record: aRecord(4) })
  const attemptId = [...floor.state().attempts.keys()][0] as AttemptId
  for (const is of ['rings', 'answered'] as const) floor.give({ kind: 'reportAttempt', attemptId, report: { is } })
  const before = copyOf(floor.state())
  // A measurement that failed: no number at all.
  const command: Command = { kind: 'reportAttempt', attemptId, report: { is: 'live', sinceGreetingMs: Number.NaN } }
  expect(() => decideToKeep(floor.state(), command, { atMs: floor.state().atMs + 1 })).toThrow('attemptTakenLive.event.dueAtMs')
  expect(floor.state()).toEqual(before)
  // One with a fraction is a whole instant like any other.
  const decided = decideToKeep(floor.state(), { ...command, report: { is: 'live', sinceGreetingMs: 345.61 } }, { atMs: floor.state().atMs + 0.39 })
  expect(decided).toMatchObject({ ok: true })
  expect(Number.isInteger(floor.state().attempts.get(attemptId)?.dueAtMs)).toBe(true)
})
