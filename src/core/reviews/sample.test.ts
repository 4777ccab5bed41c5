import { expect, test } from 'vitest'
import { toAgentId } from '@/core/ids'
import { type SampledCall, type SampleRule, sampleBy } from './sample'

const [ANN, BO, CY] = ['ann', 'bo', 'cy'].map((n) => toAgentId(`agent_${n}`)) as [
  ReturnType<typeof toAgentId>,
  ReturnType<typeof toAgentId>,
  ReturnType<typeof toAgentId>,
]
const call = (id: string, agentId = ANN, change: Partial<SampledCall> = {}): SampledCall => ({
  callId: `call_${id}`,
  outcome: 'done',
  agents: [{ agentId, talkMs: 60_000, holdMs: 0, role: 'handled' }],
  recordings: [],
  transfers: [],
  ...change,
})
const talked = (agentId: typeof ANN, talkMs: number, holdMs = 0) => ({ agents: [{ agentId, talkMs, holdMs, role: 'handled' }] })

const CALLS = [
  call('owed', ANN, { outcome: null }),
  call('reviewed'),
  call('plain'),
  call('recorded', BO, { recordings: ['rec'] }),
  call('long', BO, talked(BO, 600_000)),
  call('held', CY, talked(CY, 10_000, 900_000)),
  call('handed', ANN, { transfers: [{}] }),
  call('nobody', ANN, { agents: [] }),
]
const REVIEWS = [
  { callId: 'call_reviewed', agentId: ANN },
  { callId: 'call_elsewhere', agentId: BO },
]

test.each<{ rule: SampleRule; calls: readonly string[] }>([
  { rule: 'any', calls: ['plain', 'recorded', 'long', 'held', 'handed'] },
  { rule: 'recorded', calls: ['recorded'] },
  { rule: 'handedOn', calls: ['handed'] },
  { rule: 'longest', calls: ['held'] },
  { rule: 'leastReviewed', calls: ['held'] },
])('$rule: $calls', ({ rule, calls }) => {
  expect(sampleBy(rule, CALLS, REVIEWS).map((c) => c.callId.slice('call_'.length))).toEqual(calls)
  expect(sampleBy(rule, [], REVIEWS)).toEqual([])
})

test('of many, the longest are a tenth; whoever has no review comes before who has one, however many calls they had', () => {
  const many = Array.from({ length: 95 }, (_, i) =>
    call(`n${i}`, i === 40 ? CY : i % 2 === 0 ? ANN : BO, talked(i === 40 ? CY : i % 2 === 0 ? ANN : BO, i * 1_000)),
  )
  expect(sampleBy('longest', many, []).map((c) => c.callId)).toEqual(Array.from({ length: 10 }, (_, i) => `call_n${94 - i}`))
  expect(sampleBy('leastReviewed', many, REVIEWS).map((c) => c.callId)).toEqual(['call_n40'])
})
