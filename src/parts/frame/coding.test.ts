import { describe, expect, test } from 'vitest'
import { type CallId, toAgentId, toCallbackId, toCallId, toQueueId } from '@/core/ids'
import type { CallbackView } from '@/services/exchange/protocol'
import { dueFor } from './callback-alarm'
import { type Coding, followCoding } from './coding'

const A = toCallId('call_a')
const B = toCallId('call_b')
const owes = (callId: CallId, because: 'limit' | 'leftForLater' = 'leftForLater') => ({
  callId,
  because,
  sinceMs: 0,
  label: 'Ida',
  queueId: null,
  campaignId: null,
})
const me = (owed: ReturnType<typeof owes>[], wrapUp: CallId | null = null) => ({ owed, wrapUp: wrapUp === null ? null : { callId: wrapUp } })
const idle: Coding = { callId: null, talksOn: null, wrapUp: null }

describe('which call is being coded', () => {
  test.each([
    { says: 'a wrap-up over its limit stays in front', held: { ...idle, wrapUp: A }, now: me([owes(A, 'limit')]), talksOn: null, then: A },
    { says: 'one left for later does not', held: { ...idle, wrapUp: A }, now: me([owes(A)]), talksOn: null, then: null },
    { says: 'one that was chosen stays while nothing happens', held: { ...idle, callId: A }, now: me([owes(A)]), talksOn: null, then: A },
    { says: 'answering another call ends it', held: { ...idle, callId: A }, now: me([owes(A)]), talksOn: B, then: null },
    { says: 'the end of a call does not', held: { ...idle, callId: A, talksOn: B }, now: me([owes(A)], B), talksOn: null, then: A },
    { says: 'saving it ends it', held: { ...idle, callId: A }, now: me([owes(B)]), talksOn: null, then: null },
  ])('$says', ({ held, now, talksOn, then }) => expect(followCoding(held, now, talksOn).callId).toBe(then))

  test('when nothing has changed it is the very same, so that nothing is drawn again', () => {
    const held = { ...idle, callId: A }
    expect(followCoding(held, me([owes(A)]), null)).toBe(held)
  })
})

describe('callbacks an agent is asked for', () => {
  const ANN = toAgentId('agent_ann')
  const FIRST = toQueueId('queue_first')
  const callback = (more: Partial<CallbackView>): CallbackView => ({
    id: toCallbackId('callback_1'),
    why: 'agreed',
    number: '+441632960112',
    name: null,
    queueId: FIRST,
    ofCampaign: null,
    dueAtMs: 1_000,
    timeZone: 'UTC',
    ownerId: ANN,
    attempt: 1,
    atMost: null,
    note: '',
    agreedBy: ANN,
    escalatedAtMs: null,
    dialledBy: null,
    ...more,
  })
  test.each([
    { says: 'mine, at its time', more: {}, then: 1 },
    { says: 'mine, before it', more: { dueAtMs: 1_001 }, then: 0 },
    { says: 'mine, while it is being called', more: { dialledBy: ANN }, then: 0 },
    { says: 'somebody else’s', more: { ownerId: toAgentId('agent_bo') }, then: 0 },
    { says: 'anybody’s that is due and not missed yet', more: { ownerId: null }, then: 0 },
    { says: 'one that was missed, of a queue they serve', more: { ownerId: null, escalatedAtMs: 1_000 }, then: 1 },
    { says: 'one that was missed, of a queue they do not', more: { ownerId: null, escalatedAtMs: 1_000, queueId: toQueueId('queue_second') }, then: 0 },
    { says: 'one that was missed, of no queue', more: { ownerId: null, escalatedAtMs: 1_000, queueId: null }, then: 1 },
  ])('$says: $then', ({ more, then }) => expect(dueFor({ id: ANN, queueIds: [FIRST] }, [callback(more)], 1_000)).toHaveLength(then))
})
