import { describe, expect, test } from 'vitest'
import { whoHearsWhom } from '@/core/calls'
import type { Command } from '@/core/floor'
import { deviceOfAgent, deviceOfVoicemail, deviceOutside, toCallId, toMessageId } from '@/core/ids'
import { createLedgerFolder } from '@/core/ledger'
import { measure } from '@/core/reports'
import { get, must, values } from '@/core/table'
import { ANN, aFloor, arrives, BO, CY, FIRST, SECOND_QUEUE, SMALL, START_MS, type TestFloor } from '@/core/testing'
import { agentGreeting, type Box, greetingMs, LONGEST_MESSAGE_MS, PICKS_UP_MS, queueGreeting, RESTORABLE_MS } from '@/core/voicemail'
import { VOICEMAIL_WORDS } from '.'

const call = (n: number) => toCallId(`call_test_${n}`)
const on = (kind: string, n = 1, more: object = {}, agentId = ANN) => ({ kind, agentId, callId: call(n), ...more }) as Command
const OF_ANN: Box = { kind: 'agent', agentId: ANN }
const OF_BO: Box = { kind: 'agent', agentId: BO }
const OF_FIRST: Box = { kind: 'queue', queueId: FIRST }
const OF_SECOND: Box = { kind: 'queue', queueId: SECOND_QUEUE }
const NUMBER = '+441632960111'
const rings = (box: Box, number: string | null = NUMBER): Command => ({ kind: 'mailboxRings', box, number, customer: null })
const says = (text: string, n = 1): Command => ({ kind: 'callerSays', callId: call(n), turn: 0, text })
const leaves = (n = 1): Command => ({ kind: 'callerHangsUp', callId: call(n) })
const mark = (messageId: string, heard: boolean, agentId = ANN): Command => ({ kind: 'markMessage', agentId, messageId: toMessageId(messageId), heard })
const forward = (messageId: string, to: Box, agentId = ANN): Command => ({
  kind: 'forwardMessage',
  agentId,
  messageId: toMessageId(messageId),
  to,
  note: ' Please see to it. ',
})
const TAKES: typeof SMALL = { ...SMALL, queues: SMALL.queues.map((q) => ({ ...q, takesMessages: true })) }
const toneOf = (box: Box) =>
  PICKS_UP_MS + greetingMs(box.kind === 'agent' ? agentGreeting(box.agentId === ANN ? 'Ann' : 'Bo') : queueGreeting(box.queueId === FIRST ? 'First' : 'Second'))

const nowOf = (floor: TestFloor) => floor.entries.at(-1)?.atMs ?? START_MS
const wait = (floor: TestFloor, ms: number) => floor.give({ kind: 'passTime' }, ms)
const open = (ready: readonly (typeof ANN)[] = [ANN], setUp = TAKES): TestFloor => {
  const floor = aFloor(setUp)
  for (const agentId of ready) {
    expect(floor.give({ kind: 'startShift', agentId, queueIds: [FIRST, SECOND_QUEUE], seat: 'desk' } as Command)).toBe('ok')
    expect(floor.give({ kind: 'goReady', agentId } as Command)).toBe('ok')
  }
  return floor
}
/** Somebody has left a message of 20 s, with one sentence, five seconds into it. */
const left = (floor: TestFloor, box: Box, n = 1, number: string | null = NUMBER) => {
  expect(floor.give(rings(box, number))).toBe('ok')
  wait(floor, toneOf(box))
  floor.give(says('It is about my bicycle.', n), 5_000)
  expect(floor.give(leaves(n), 15_000)).toBe('ok')
  return values(floor.state().messages).at(-1)?.id ?? toMessageId('message_none')
}
const records = (floor: TestFloor) => {
  const folder = createLedgerFolder()
  for (const entry of floor.entries) folder.add(entry)
  return folder.records()
}

describe('leaving a message', () => {
  test('the mailbox greets, gives its tone, and keeps what is said after it until the caller hangs up', () => {
    const floor = open([])
    expect(floor.give(rings(OF_ANN))).toBe('ok')
    const begunAtMs = nowOf(floor)
    expect(must(floor.state().calls, call(1)).leaving).toMatchObject({ toneAtMs: begunAtMs + toneOf(OF_ANN), words: [] })
    floor.give(says('Hello?'), 500)
    wait(floor, toneOf(OF_ANN) - 500)
    floor.give(says('It is about my bicycle.'), 4_000)
    floor.give(leaves(), 6_000)
    expect(values(floor.state().messages)).toEqual([
      expect.objectContaining({
        box: OF_ANN,
        number: NUMBER,
        fromAgentId: null,
        beganAtMs: begunAtMs + toneOf(OF_ANN),
        lastsMs: 10_000,
        heard: false,
        words: [{ atMs: 4_000, text: 'It is about my bicycle.' }],
      }),
    ])
    expect(records(floor)).toMatchObject([{ result: 'voicemail', direction: 'inbound', queueId: null, missedBy: [{ agentId: ANN, how: 'voicemail' }] }])
    expect(floor.state().calls.size).toBe(0)
  })

  test.each([
    { says: 'in the greeting', afterMs: 2_000 },
    { says: 'within a second of the tone', afterMs: toneOf(OF_ANN) + 900 },
  ])('who hangs up $says has left nothing', ({ afterMs }) => {
    const floor = open([])
    floor.give(rings(OF_ANN))
    floor.give(leaves(), afterMs)
    expect([floor.state().messages.size, floor.state().calls.size]).toEqual([0, 0])
  })

  test('nobody speaks for ever: the mailbox hangs up, and what was said is kept', () => {
    const floor = open([])
    floor.give(rings(OF_ANN))
    wait(floor, toneOf(OF_ANN) + LONGEST_MESSAGE_MS)
    expect(values(floor.state().messages)).toMatchObject([{ lastsMs: LONGEST_MESSAGE_MS }])
  })

  test('a colleague leaves one under their own name, and is heard by the mailbox only', () => {
    const floor = open([ANN])
    floor.give({ kind: 'callColleague', agentId: ANN, toAgentId: BO, at: 'voicemail' } as Command)
    const edges = whoHearsWhom(must(floor.state().calls, call(1)), () => false)
    expect(edges.map((e) => [e.listener, e.speaker]).toSorted()).toEqual(
      [
        [deviceOfAgent(ANN), deviceOfVoicemail(BO)],
        [deviceOfVoicemail(BO), deviceOfAgent(ANN)],
      ].toSorted(),
    )
    wait(floor, toneOf(OF_BO))
    floor.give(on('hangUp'), 9_000)
    expect(values(floor.state().messages)).toMatchObject([{ box: OF_BO, name: 'Ann', fromAgentId: ANN, number: null, lastsMs: 9_000 }])
  })

  test('a caller who waits goes on to the mailbox of the queue, and is then no abandoned call', () => {
    const floor = open([])
    floor.give(arrives())
    expect(floor.give({ kind: 'leaveMessage', callId: call(1) })).toBe('ok')
    expect(floor.give({ kind: 'leaveMessage', callId: call(1) })).toBe('notWaiting')
    wait(floor, toneOf(OF_FIRST))
    floor.give(leaves(), 5_000)
    expect(records(floor)).toMatchObject([{ result: 'voicemail', queueId: FIRST }])
    expect(values(floor.state().calls)).toMatchObject([{ direction: 'message', queueId: FIRST, keptFor: '+441632960112' }])
  })

  test.each([
    { takes: true, leaves: ['mailboxCalled', 'connectionDelivered', 'connectionEstablished', 'messageBegun', 'captionSpoken'] },
    { takes: false, leaves: ['callTurnedAway'] },
  ])('a closed queue that takes messages ($takes) puts its callers to the mailbox, and is offered none of them', ({ takes, leaves: kinds }) => {
    const closed = { ...SMALL, queues: SMALL.queues.map((q) => ({ ...q, takesMessages: takes, hours: [{ days: [], fromMinute: 0, toMinute: 1 }] })) }
    const floor = aFloor(closed)
    const from = floor.entries.length
    floor.give(arrives())
    expect(floor.entries.slice(from).map((e) => e.event.kind)).toEqual(kinds)
    expect(measure(records(floor), { nowMs: START_MS, serviceLevelMs: () => 20_000, disagrees: () => false })).toMatchObject({ offered: 0, answered: 0 })
  })

  test.each<{ says: string; box: Box; recording: { recordingId: string; lastsMs: number } | null; toneMs: number }>([
    { says: 'spoken words last as long as they are', box: OF_ANN, recording: null, toneMs: PICKS_UP_MS + greetingMs({ text: 'Ann here.', recording: null }) },
    { says: 'a recorded greeting as long as it was recorded', box: OF_ANN, recording: { recordingId: 'rec_greeting_1', lastsMs: 2_500 }, toneMs: 3_100 },
  ])('a greeting of one’s own: $says', ({ box, recording, toneMs }) => {
    const floor = open([])
    const greeting = { text: 'Ann here.', recording }
    expect(floor.give({ kind: 'setGreeting', agentId: ANN, box, greeting })).toBe('ok')
    floor.give(rings(box))
    expect(must(floor.state().calls, call(1)).leaving).toMatchObject({ toneAtMs: nowOf(floor) + toneMs, greetingId: recording?.recordingId ?? null })
    floor.give({ kind: 'setGreeting', agentId: ANN, box, greeting: null })
    floor.give(rings(box))
    expect(must(floor.state().calls, call(2)).leaving?.toneAtMs).toBe(nowOf(floor) + toneOf(box))
  })
})

describe('what may be done with a message', () => {
  const supervisor = { ...TAKES, agents: TAKES.agents.map((a) => (a.id === CY ? { ...a, queueIds: [SECOND_QUEUE] } : a)) }
  test.each<{ says: string; box: Box; when: (id: string) => Command; then: string }>([
    { says: 'marked heard', box: OF_ANN, when: (id) => mark(id, true), then: 'ok' },
    { says: 'not marked as it is', box: OF_ANN, when: (id) => mark(id, false), then: 'markUnchanged' },
    { says: 'not by a colleague', box: OF_ANN, when: (id) => mark(id, true, BO), then: 'notYourMailbox' },
    { says: 'not one of a queue one is not of', box: OF_FIRST, when: (id) => mark(id, true, CY), then: 'notYourMailbox' },
    { says: 'not one that waits for its queue', box: OF_FIRST, when: (id) => mark(id, true), then: 'messageIsWork' },
    { says: 'deleted', box: OF_ANN, when: (id) => ({ kind: 'deleteMessage', agentId: ANN, messageId: toMessageId(id) }), then: 'ok' },
    {
      says: 'not deleted while its queue has it',
      box: OF_FIRST,
      when: (id) => ({ kind: 'deleteMessage', agentId: ANN, messageId: toMessageId(id) }),
      then: 'messageIsWork',
    },
    {
      says: 'not brought back before it is deleted',
      box: OF_ANN,
      when: (id) => ({ kind: 'restoreMessage', agentId: ANN, messageId: toMessageId(id) }),
      then: 'noSuchMessage',
    },
    { says: 'sent to a colleague', box: OF_ANN, when: (id) => forward(id, OF_BO), then: 'ok' },
    { says: 'sent to a queue', box: OF_ANN, when: (id) => forward(id, OF_SECOND), then: 'ok' },
    { says: 'not sent where it is', box: OF_ANN, when: (id) => forward(id, OF_ANN), then: 'forwardedToItself' },
    { says: 'no other is there', box: OF_ANN, when: () => mark('message_other', true), then: 'noSuchMessage' },
    {
      says: 'a queue’s greeting needs the right',
      box: OF_ANN,
      when: () => ({ kind: 'setGreeting', agentId: ANN, box: OF_FIRST, greeting: null }),
      then: 'notEntitled',
    },
    {
      says: 'nobody greets for a colleague',
      box: OF_ANN,
      when: () => ({ kind: 'setGreeting', agentId: BO, box: OF_ANN, greeting: null }),
      then: 'notYourMailbox',
    },
  ])('$says: $then', ({ box, when, then }) => {
    const floor = open([], supervisor)
    const id = left(floor, box)
    expect(floor.give(when(id))).toBe(then)
  })

  test('sent on it is in both mailboxes, heard in the one it came from, and says who sent it and why', () => {
    const floor = open([])
    const id = left(floor, OF_ANN)
    floor.give(forward(id, OF_BO))
    expect(values(floor.state().messages)).toMatchObject([
      { id, box: OF_ANN, heard: true, forwarded: null },
      { box: OF_BO, heard: false, forwarded: { byAgentId: ANN, note: 'Please see to it.' }, words: [{ text: 'It is about my bicycle.' }] },
    ])
  })

  test('deleted it can be brought back for a while, and is gone for good after that', () => {
    const floor = open([])
    const id = left(floor, OF_ANN)
    const remove: Command = { kind: 'deleteMessage', agentId: ANN, messageId: id }
    const restore: Command = { kind: 'restoreMessage', agentId: ANN, messageId: id }
    floor.give(remove)
    expect(floor.give(remove)).toBe('noSuchMessage')
    wait(floor, RESTORABLE_MS - 2_000)
    expect(floor.give(restore, 0)).toBe('ok')
    floor.give(remove)
    wait(floor, RESTORABLE_MS)
    expect([floor.state().messages.size, floor.give(restore)]).toEqual([0, 'noSuchMessage'])
  })

  test('every refusal is said in a sentence, with what to do', () => {
    const floor = open([])
    const id = left(floor, OF_FIRST)
    expect(VOICEMAIL_WORDS.messageIsWork({ reason: 'messageIsWork', queue: 'First' }).says).toContain('First')
    expect(floor.give(mark(id, true))).toBe('messageIsWork')
  })
})

describe('a message of a queue is work', () => {
  /** Ann has a message in hand, and listens. */
  const taken = (floor = open(), number: string | null = NUMBER) => {
    left(floor, OF_FIRST, 1, number)
    expect(floor.give(on('answer', 2))).toBe('ok')
    return floor
  }
  const far = (report: string): Command => ({ kind: 'farEnd', callId: call(2), deviceId: deviceOutside(call(2), 1), report }) as Command
  const saves: Command = { kind: 'saveOutcome', agentId: ANN, callId: call(2), code: 'done', notes: '', followUp: '', andThen: { state: 'ready' } } as Command

  test('it rings when nobody waits, never before a caller, and is answered by hand alone', () => {
    const floor = open([])
    left(floor, OF_FIRST)
    floor.give(arrives())
    floor.give({ kind: 'startShift', agentId: ANN, queueIds: [FIRST], seat: 'desk' } as Command)
    floor.give({ kind: 'goReady', agentId: ANN } as Command)
    const rung = () => must(floor.state().agents, ANN).engagements.map((e) => get(floor.state().calls, e.callId)?.direction)
    expect(rung()).toEqual(['inbound'])
    floor.give(on('answer', 3))
    floor.give(on('hangUp', 3), 9_000)
    floor.give({ ...saves, callId: call(3) } as Command)
    expect(rung()).toEqual(['message'])
    expect(must(floor.state().agents, ANN).state.name).toBe('ringing')
  })

  test('taken it is heard; its caller is called back on it, and it is coded and owed like a call', () => {
    const floor = taken()
    expect(values(floor.state().messages)).toMatchObject([{ heard: true }])
    expect(floor.give(on('callMessageBack', 2))).toBe('ok')
    expect(floor.give(on('callMessageBack', 2))).toBe('calledBackAlready')
    floor.give(far('ringing'))
    floor.give(far('answered'), 5_000)
    expect(must(floor.state().calls, call(2)).answeredAtMs).toBe(nowOf(floor))
    floor.give(on('hangUp', 2), 30_000)
    expect(must(floor.state().agents, ANN).state.name).toBe('wrapUp')
    expect(floor.give(saves)).toBe('ok')
    const told = measure(records(floor), { nowMs: nowOf(floor), serviceLevelMs: () => 20_000, disagrees: () => false })
    expect(told).toMatchObject({ offered: 0, messages: 1, messagesCalledBack: 1, handledLegs: 1, outcomes: { done: 1 } })
  })

  test('put away without a call back, it owes its outcome all the same', () => {
    const floor = taken()
    floor.give(on('hangUp', 2), 20_000)
    expect(must(floor.state().agents, ANN).state.name).toBe('wrapUp')
    floor.give(saves)
    expect(records(floor)).toMatchObject([{}, { direction: 'message', result: 'voicemail', outcome: 'done' }])
    expect(measure(records(floor), { nowMs: nowOf(floor), serviceLevelMs: () => 20_000, disagrees: () => false })).toMatchObject({
      messages: 1,
      messagesCalledBack: 0,
      outcomes: { done: 1 },
    })
  })

  test.each([
    { says: 'a withheld number', number: null, then: 'nobodyToCallBack' },
    { says: 'a number nobody may be called on', number: NUMBER, then: 'onDoNotCall' },
  ])('$says is not called back: $then', ({ number, then }) => {
    const floor = open()
    if (then === 'onDoNotCall') expect(floor.give({ kind: 'addDoNotCall', agentId: ANN, entries: [{ whom: { number: NUMBER }, why: 'Asked us' }] })).toBe('ok')
    taken(floor, number)
    expect(floor.give(on('callMessageBack', 2))).toBe(then)
  })

  test('marked as not heard after it was closed, it is work again', () => {
    const floor = taken()
    floor.give(on('hangUp', 2))
    floor.give(saves)
    floor.give({ kind: 'goNotReady', agentId: ANN, reason: 'Break' } as Command)
    const [message] = values(floor.state().messages)
    expect(floor.give(mark(message?.id ?? '', false))).toBe('ok')
    expect(values(floor.state().calls)).toMatchObject([{ direction: 'message', messageId: message?.id }])
  })
})
