import { describe, expect, test } from 'vitest'
import { toAgentId, toQueueId } from '@/core/ids'
import { type CallRecord, CallRecordSchema, type Missed } from '@/core/ledger'
import { packCalls } from './columns'
import { dialledBefore, type LogAsked, pageOfLog } from './log'
import type { Names } from './names'

const [ANN, BO, CY] = [toAgentId('agent_ann'), toAgentId('agent_bo'), toAgentId('agent_cy')]
const NAMES: Names = { queue: (_, then) => then, agent: (id, then) => ({ agent_ann: 'Ann', agent_bo: 'Bo', agent_cy: 'Cy' })[id ?? ''] ?? then }
const AT = Date.UTC(2026, 10, 26, 9)
const ASKED: LogAsked = {
  only: ANN,
  way: null,
  search: '',
  sinceMs: 0,
  from: 0,
  atMost: 50,
  seenMs: 0,
  timeZone: 'Europe/London',
  outcomes: { done: 'Booking changed' },
}

const leg = (agentId: string, talkMs = 60_000, fromMs = AT) => ({
  agentId,
  agent: '',
  fromMs,
  toMs: fromMs + talkMs,
  ringMs: 2_000,
  talkMs,
  holdMs: 0,
  wrapUpMs: 0,
  role: 'handled',
})
const missed = (agentId: string, how: Missed['how'], byAgentId: string | null = null, atMs = AT + 5_000) => ({ agentId, agent: '', atMs, how, byAgentId })
let count = 0
const record = (more: object): CallRecord =>
  CallRecordSchema.parse({
    callId: `call_${++count}`,
    direction: 'inbound',
    queueId: toQueueId('queue_a'),
    queue: 'Sailings',
    campaign: null,
    number: '+441632960112',
    customer: 'Ida',
    offeredAtMs: AT,
    answeredAtMs: AT + 2_000,
    endedAtMs: AT + 70_000,
    result: 'handled',
    shortAbandon: false,
    liveAnswerAtMs: null,
    agents: [],
    outcome: null,
    outcomeAtMs: null,
    outcomeById: null,
    outcomeBy: null,
    notes: '',
    script: null,
    scriptVersion: null,
    answers: {},
    transfers: [],
    recordings: [],
    ...more,
  })
const internal = (more: object) => record({ direction: 'internal', queueId: null, queue: null, number: null, customer: null, ...more })

describe('a call in the log of an agent', () => {
  test.each<{ says: string; of: CallRecord; then: object[] }>([
    {
      says: 'taken',
      of: record({ agents: [leg(ANN)], outcome: 'done' }),
      then: [{ way: 'in', name: 'Ida', queue: 'Sailings', talkMs: 60_000, outcome: 'done' }],
    },
    { says: 'another’s', of: record({ agents: [leg(BO)] }), then: [] },
    { says: 'dialled', of: record({ direction: 'outbound', agents: [leg(ANN)] }), then: [{ way: 'out', name: 'Ida' }] },
    { says: 'of a campaign, which called', of: record({ direction: 'campaign', agents: [leg(ANN)] }), then: [{ way: 'in' }] },
    {
      says: 'missed, and taken by a colleague',
      of: record({ agents: [leg(BO)], missedBy: [missed(ANN, 'noAnswer')] }),
      then: [{ way: 'missed', how: 'noAnswer', takenBy: 'Bo', atMs: AT + 5_000 }],
    },
    {
      says: 'missed twice',
      of: record({ agents: [leg(BO)], missedBy: [missed(ANN, 'noAnswer'), missed(ANN, 'declined', null, AT + 9_000)] }),
      then: [{ how: 'declined' }, { how: 'noAnswer' }],
    },
    { says: 'missed first and taken after all', of: record({ agents: [leg(ANN)], missedBy: [missed(ANN, 'noAnswer')] }), then: [{ way: 'in', how: null }] },
    { says: 'a colleague called', of: internal({ agents: [leg(ANN), leg(BO)] }), then: [{ way: 'out', withAgentId: BO, name: 'Bo' }] },
    { says: 'called by a colleague', of: internal({ agents: [leg(BO), leg(ANN)] }), then: [{ way: 'in', withAgentId: BO, name: 'Bo' }] },
    {
      says: 'a colleague called in vain',
      of: internal({ agents: [leg(ANN, 0)], missedBy: [missed(BO, 'busy', ANN)] }),
      then: [{ way: 'out', how: 'busy', withAgentId: BO, name: 'Bo' }],
    },
    {
      says: 'a consult missed is a call of the colleague, and none of their customer',
      of: record({ agents: [leg(BO)], outcome: 'done', recordings: ['rec_1'], missedBy: [missed(ANN, 'noAnswer', BO)] }),
      then: [{ way: 'missed', direction: 'internal', withAgentId: BO, name: 'Bo', number: null, queue: null, outcome: null, recordings: [], takenBy: null }],
    },
  ])('$says', ({ of, then }) => expect(pageOfLog([packCalls([of])], ASKED, NAMES).rows).toMatchObject(then))

  test('unseen are missed ones since then, but for those they have sent elsewhere themselves', () => {
    const all = [
      missed(ANN, 'noAnswer'),
      missed(ANN, 'declined'),
      missed(ANN, 'diverted'),
      missed(ANN, 'takenElsewhere'),
      missed(ANN, 'voicemail'),
      missed(ANN, 'busy'),
    ]
    const block = packCalls(all.map((m) => record({ agents: [leg(BO)], missedBy: [m] })))
    expect(pageOfLog([block], ASKED, NAMES).unseen).toBe(3)
    expect(pageOfLog([block], { ...ASKED, seenMs: AT + 5_000 }, NAMES).unseen).toBe(0)
  })

  test.each([
    ['ida', 1],
    ['01632 960112', 1],
    ['960112', 1],
    ['booking', 1],
    ['26 nov', 1],
    ['thu ida', 1],
    ['27 nov', 0],
    ['0055', 0],
  ])('“%s” finds %i', (search, found) => {
    expect(pageOfLog([packCalls([record({ agents: [leg(ANN)], outcome: 'done' })])], { ...ASKED, search }, NAMES).found).toBe(found)
  })

  test('of the centre every call once, and who called it a number in vain is missed', () => {
    const block = packCalls([record({ agents: [leg(ANN)] }), record({ answeredAtMs: null, result: 'abandoned' }), internal({ agents: [leg(ANN), leg(CY)] })])
    const { rows } = pageOfLog([block], { ...ASKED, only: null }, NAMES)
    expect(rows.map((r) => [r.way, r.name, r.takenBy]).toSorted()).toEqual([
      ['in', 'Ida', 'Ann'],
      ['missed', 'Ida', null],
      ['out', 'Ann and Cy', null],
    ])
  })
})

test('whom an agent has called, the latest first, each once, colleagues and numbers', () => {
  const call = (atMs: number, number: string, agentId = ANN) =>
    record({ direction: 'outbound', number, offeredAtMs: atMs, agents: [leg(agentId, 1_000, atMs)] })
  const early = packCalls([call(AT, '+441'), call(AT + 1, '+442'), call(AT + 2, '+449', BO)])
  const late = packCalls([
    call(AT + 10, '+441'),
    internal({ offeredAtMs: AT + 11, agents: [leg(ANN, 1, AT + 11), leg(CY, 1, AT + 12)] }),
    record({ agents: [leg(ANN)] }),
  ])
  expect(dialledBefore([early, late], ANN, 10, NAMES).map((r) => r.withAgentId ?? r.number)).toEqual([CY, '+441', '+442'])
  expect(dialledBefore([early, late], ANN, 1, NAMES)).toHaveLength(1)
})
