// One routing decision: 500 agents of whom one has just become free, 40 queues with skills and overflow, 300 waiting calls.
import { createChance } from '@/core/chance'
import { toAgentId, toCallId, toQueueId, toSkillId } from '@/core/ids'
import { assign, type ReadyAgent, routingRules, type Waiting, type WaitingCall } from '@/core/queues'
import { type SetUp, SetUpSchema } from '@/core/set-up'
import { FENNHOLM } from '@/world/scenario'
import { median, print, timed } from './statistics'

const AGENTS = 500
const QUEUES = 40
const CALLS = 300
const SKILLS = 10

const queueId = (n: number) => toQueueId(`queue_bench_${n}`)
const skillId = (n: number) => toSkillId(`skill_bench_${n}`)

function aLargeCentre(chance: ReturnType<typeof createChance>): SetUp {
  const level = () => 1 + Math.floor(chance.next() * 5)
  return SetUpSchema.parse({
    ...FENNHOLM,
    skills: Array.from({ length: SKILLS }, (_, i) => ({ id: skillId(i), name: `Skill ${i}` })),
    queues: Array.from({ length: QUEUES }, (_, i) => ({
      ...FENNHOLM.queues[0],
      id: queueId(i),
      name: `Queue ${i}`,
      headStartMs: (i % 4) * 60_000,
      needs: [{ skillId: skillId(i % SKILLS), level: level() }],
      overflow: [
        { afterMs: 30_000, to: 'anyLevel' },
        { afterMs: 60_000, to: queueId((i + 1) % QUEUES) },
      ],
    })),
    agents: Array.from({ length: AGENTS }, (_, i) => ({
      id: toAgentId(`agent_bench_${i}`),
      name: `Agent ${i}`,
      role: 'agent',
      queueIds: Array.from({ length: 4 }, (_, q) => queueId((i * 7 + q * 11) % QUEUES)),
      skills: Array.from({ length: 3 }, (_, s) => ({ skillId: skillId((i + s * 3) % SKILLS), level: level() })),
      playable: false,
    })),
  })
}

export function routing(): void {
  const chance = createChance(20261125)
  const setUp = aLargeCentre(chance)
  const rules = routingRules(setUp, [])
  const calls = new Map<string, WaitingCall>()
  let waiting: Waiting = {}
  for (let n = 0; n < CALLS; n++) {
    const id = toCallId(`call_bench_${n}`)
    const queue = queueId(Math.floor(chance.next() * QUEUES))
    const steps = rules.queues.get(queue)?.steps.slice(0, Math.floor(chance.next() * 4)) ?? []
    calls.set(id, { place: n * 1_000, passedBy: [], alsoFor: steps })
    waiting = { ...waiting, [queue]: [...(waiting[queue] ?? []), id] }
  }
  const callOf = (id: string) => calls.get(id) as WaitingCall
  const agents = setUp.agents.map(
    (a, i): ReadyAgent => ({
      id: a.id,
      shift: {
        startedAtMs: 0,
        queueIds: a.queueIds,
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
      state: { name: 'ready', reason: null, sinceMs: i },
    }),
  )
  let turn = 0
  const oneFree = timed(4_000, () => {
    const agent = agents[turn++ % AGENTS] as ReadyAgent
    assign(waiting, callOf, [agent], rules)
  })
  print(`a routing decision: one of ${AGENTS} agents comes free, ${QUEUES} queues, ${CALLS} waiting`, `${median(oneFree).toFixed(3)} ms`, 'under 0.2 ms')
  const all = timed(200, () => assign(waiting, callOf, agents, rules))
  print(`the worst there is: all ${AGENTS} agents ready at once`, `${median(all).toFixed(2)} ms`, 'none set')
}
