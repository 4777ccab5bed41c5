import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { toAgentId, toCallId, toQueueId, toSkillId } from '@/core/ids'
import { type SetUp, SetUpSchema } from '@/core/set-up'
import { SMALL } from '@/core/testing'
import { assign, fitFor, type ReadyAgent, routingRules, type WaitingCall } from '.'

const QUEUES = ['queue_a', 'queue_b', 'queue_c'].map(toQueueId)
const [A, B, C] = QUEUES as [ReturnType<typeof toQueueId>, ReturnType<typeof toQueueId>, ReturnType<typeof toQueueId>]
const CRAFT = toSkillId('skill_craft')
const agentId = (n: number) => toAgentId(`agent_${n}`)
const callId = (n: number) => toCallId(`call_t_${n}`)

interface AgentWish {
  readonly queues: readonly number[]
  readonly level: number
  readonly sinceMs: number
}
interface CallWish {
  readonly queue: number
  readonly offeredAtMs: number
  readonly headStartMs: number
  readonly overflows: boolean
}

/** Queue A asks for level 3 of a craft, B begins 60 s ahead, C has nothing of its own. */
const setUpFor = (agents: readonly AgentWish[]): SetUp =>
  SetUpSchema.parse({
    ...SMALL,
    skills: [{ id: CRAFT, name: 'Craft' }],
    queues: QUEUES.map((id, i) => ({
      ...SMALL.queues[0],
      id,
      name: id,
      headStartMs: i === 1 ? 60_000 : 0,
      needs: i === 0 ? [{ skillId: CRAFT, level: 3 }] : [],
    })),
    agents: agents.map((a, n) => ({
      id: agentId(n),
      name: `Agent ${n}`,
      role: 'agent',
      queueIds: QUEUES,
      skills: a.level === 0 ? [] : [{ skillId: CRAFT, level: a.level }],
      playable: false,
    })),
  })

function route(agents: readonly AgentWish[], calls: readonly CallWish[]) {
  const rules = routingRules(setUpFor(agents), [])
  const ready = agents.map((a, n): ReadyAgent => {
    const queueIds = a.queues.map((q) => QUEUES[q] as typeof A)
    return {
      id: agentId(n),
      shift: {
        startedAtMs: 0,
        queueIds,
        campaignId: null,
        levels: null,
        leaving: null,
        seat: 'desk',
        soundPath: 'computer',
        soundLost: null,
        deskLost: null,
        deskWasLost: null,
        spentMs: {},
      },
      state: { name: 'ready', reason: null, sinceMs: a.sinceMs },
    }
  })
  const byId = new Map(
    calls.map((c, n): [string, WaitingCall & CallWish] => [
      callId(n),
      {
        ...c,
        place: c.offeredAtMs - c.headStartMs,
        passedBy: [],
        alsoFor: c.overflows
          ? [
              { queueId: QUEUES[c.queue] as typeof A, anyLevel: true },
              { queueId: C, anyLevel: false },
            ]
          : [],
      },
    ]),
  )
  const callOf = (id: string) => byId.get(id) as WaitingCall & CallWish
  const waiting = Object.fromEntries(
    QUEUES.map((id, q) => [
      id,
      calls
        .map((_, n) => callId(n))
        .filter((c) => callOf(c).queue === q)
        .toSorted((x, y) => callOf(x).place - callOf(y).place),
    ]),
  )
  const assigned = assign(waiting, callOf, ready, rules)
  const urgency = (id: string) => callOf(id).place - (rules.queues.get(QUEUES[callOf(id).queue] as typeof A)?.headStartMs ?? 0)
  const mayTake = (agent: ReadyAgent, id: string) => {
    const call = callOf(id)
    return [{ queueId: QUEUES[call.queue] as typeof A, anyLevel: false }, ...call.alsoFor].some((offer) => fitFor(offer, agent, rules) !== null)
  }
  return {
    assigned,
    ready,
    urgency,
    mayTake,
    callOf,
    ids: [...byId.keys()],
    first: assigned.map((x) => `${x.callId.slice(7)}>${x.agentId.slice(6)}`).join(' '),
  }
}

const agent = (queues: number[], level: number, sinceMs: number): AgentWish => ({ queues, level, sinceMs })
const call = (queue: number, offeredAtMs: number, more: Partial<CallWish> = {}): CallWish => ({ queue, offeredAtMs, headStartMs: 0, overflows: false, ...more })

describe('who gets the next call', () => {
  test.each<{ says: string; agents: AgentWish[]; calls: CallWish[]; then: string }>([
    { says: 'the longest ready', agents: [agent([2], 0, 20), agent([2], 0, 10)], calls: [call(2, 0)], then: '0>1' },
    { says: 'equal readiness goes by name', agents: [agent([2], 0, 10), agent([2], 0, 10)], calls: [call(2, 0)], then: '0>0' },
    { says: 'the best skill before the longest ready', agents: [agent([0], 3, 10), agent([0], 5, 90)], calls: [call(0, 0)], then: '0>1' },
    { says: 'nobody below the level that is asked for', agents: [agent([0], 2, 10)], calls: [call(0, 0)], then: '' },
    { says: 'of any level once it has overflowed', agents: [agent([0], 2, 10)], calls: [call(0, 0, { overflows: true })], then: '0>0' },
    { says: 'whoever has the skill still comes first', agents: [agent([0], 2, 10), agent([0], 3, 90)], calls: [call(0, 0, { overflows: true })], then: '0>1' },
    { says: 'nobody who has not ticked the queue', agents: [agent([1, 2], 5, 10)], calls: [call(0, 0)], then: '' },
    { says: 'an agent of the queue it overflowed to', agents: [agent([2], 0, 10)], calls: [call(0, 0, { overflows: true })], then: '0>0' },
    { says: 'a queue with a head start goes before', agents: [agent([1, 2], 0, 0)], calls: [call(2, 0), call(1, 59_999)], then: '1>0' },
    { says: 'but not for ever: a minute is a minute', agents: [agent([1, 2], 0, 0)], calls: [call(2, 0), call(1, 60_001)], then: '0>0' },
    { says: 'a caller with a head start goes before', agents: [agent([2], 0, 0)], calls: [call(2, 0), call(2, 5, { headStartMs: 30 })], then: '1>0' },
    { says: 'a call nobody here can take holds up nobody', agents: [agent([2], 0, 0)], calls: [call(0, 0), call(2, 9)], then: '1>0' },
  ])('$says', ({ agents, calls, then }) => {
    expect(route(agents, calls).first).toBe(then)
  })

  test('a call is not offered to somebody it rang at in vain until they have gone ready anew', () => {
    const rules = routingRules(setUpFor([agent([2], 0, 50)]), [])
    const passed = { place: 0, alsoFor: [], passedBy: [{ agentId: agentId(0), atMs: 60 }] }
    const ready = (sinceMs: number): ReadyAgent => ({
      id: agentId(0),
      shift: {
        startedAtMs: 0,
        queueIds: [C],
        campaignId: null,
        levels: null,
        leaving: null,
        seat: 'desk',
        soundPath: 'computer',
        soundLost: null,
        deskLost: null,
        deskWasLost: null,
        spentMs: {},
      },
      state: { name: 'ready', reason: null, sinceMs },
    })
    expect(assign({ [C]: [callId(0)] }, () => passed, [ready(50)], rules)).toEqual([])
    expect(assign({ [C]: [callId(0)] }, () => passed, [ready(61)], rules)).toHaveLength(1)
  })

  test('whom somebody of a campaign is on the way to takes a call when nobody else can, however able they are', () => {
    const rules = routingRules(setUpFor([agent([0], 5, 0), agent([0], 3, 900)]), [])
    const ready = [0, 1].map(
      (n): ReadyAgent => ({
        id: agentId(n),
        shift: {
          startedAtMs: 0,
          queueIds: [A],
          campaignId: null,
          levels: null,
          leaving: null,
          seat: 'desk',
          soundPath: 'computer',
          soundLost: null,
          deskLost: null,
          deskWasLost: null,
          spentMs: {},
        },
        state: { name: 'ready', reason: null, sinceMs: n * 900 },
      }),
    )
    const call = { place: 0, alsoFor: [], passedBy: [] }
    const whom = (callIds: number[], awaited: number[]) =>
      assign({ [A]: callIds.map(callId) }, () => call, ready, rules, new Set(awaited.map(agentId))).map((a) => a.agentId)
    expect(whom([0], [])).toEqual([agentId(0)])
    expect(whom([0], [0])).toEqual([agentId(1)])
    expect(whom([0, 1], [0])).toEqual([agentId(1), agentId(0)])
  })

  const wishes = fc.tuple(
    fc.array(fc.record({ queues: fc.uniqueArray(fc.nat(2), { minLength: 1 }), level: fc.nat(5), sinceMs: fc.nat(1_000) }), { maxLength: 8 }),
    fc.array(fc.record({ queue: fc.nat(2), offeredAtMs: fc.nat(300_000), headStartMs: fc.constantFrom(0, 0, 30_000), overflows: fc.boolean() }), {
      maxLength: 16,
    }),
  )

  test('whatever waits and whoever is ready: everybody once, nobody left who could, and nobody overtaken beyond the head starts', () => {
    const LONGEST_HEAD_START_MS = 60_000 + 30_000
    fc.assert(
      fc.property(wishes, ([agents, calls]) => {
        const { assigned, ready, urgency, mayTake, callOf, ids } = route(agents, calls)
        expect(new Set(assigned.map((a) => a.agentId)).size).toBe(assigned.length)
        expect(new Set(assigned.map((a) => a.callId)).size).toBe(assigned.length)
        const left = ids.filter((id) => !assigned.some((a) => a.callId === id))
        const free = ready.filter((r) => !assigned.some((a) => a.agentId === r.id))
        for (const id of left) expect(free.some((r) => mayTake(r, id))).toBe(false)
        for (const taken of assigned) {
          const by = ready.find((r) => r.id === taken.agentId) as ReadyAgent
          expect(mayTake(by, taken.callId)).toBe(true)
          for (const id of left.filter((x) => mayTake(by, x))) {
            expect(urgency(taken.callId)).toBeLessThanOrEqual(urgency(id))
            // So whoever is passed over can name the last moment at which somebody may still come before them.
            expect(callOf(taken.callId).offeredAtMs).toBeLessThanOrEqual(callOf(id).offeredAtMs + LONGEST_HEAD_START_MS)
          }
        }
      }),
      { numRuns: 400, seed: 20261125 },
    )
  })
})

describe('overflow', () => {
  const queue = (id: typeof A, overflow: unknown[], storm: unknown[] = []) => ({
    ...SMALL.queues[0],
    id,
    name: id,
    overflow,
    storm: { announcement: '', headStartMs: 5, overflow: storm },
  })
  const setUp = SetUpSchema.parse({
    ...SMALL,
    queues: [
      queue(
        A,
        [
          { afterMs: 20, to: B },
          { afterMs: 90, to: 'anyLevel' },
        ],
        [{ afterMs: 0, to: C }],
      ),
      queue(B, [{ afterMs: 30, to: C }]),
      queue(C, [{ afterMs: 10, to: A }]),
    ],
  })
  const steps = (storm: (typeof A)[]) =>
    routingRules(setUp, storm)
      .queues.get(A)
      ?.steps.map((s) => `${s.afterMs} ${s.queueId}${s.anyLevel ? ' any' : ''}`)

  test('goes on from queue to queue, each at the earliest time, and a circle ends by itself', () => {
    expect(steps([])).toEqual(['20 queue_b', '50 queue_c', '90 queue_a any'])
  })
  test('a storm adds its own, and its head start', () => {
    expect(steps([A])).toEqual(['0 queue_c', '20 queue_b', '90 queue_a any'])
    expect(routingRules(setUp, [A]).queues.get(A)?.headStartMs).toBe(60_005)
  })
  test('the same set-up and storm are worked out once', () => {
    expect(routingRules(setUp, [B])).toBe(routingRules(setUp, [B]))
  })
})
