// A crowded centre for property tests: twelve agents of every level, overflow, limits, graces, and a code for everything that can follow.
import { type AgentId, toAgentId } from '@/core/ids'
import { ENTITLEMENTS, type SetUp, SetUpSchema } from '@/core/set-up'
import { aFloor, FIRST, SECOND_QUEUE, SMALL, type TestFloor } from './small'

export const AGENT_COUNT = 12
export const TAKE_BACK_MS = 4_000
export const MANY: readonly AgentId[] = Array.from({ length: AGENT_COUNT }, (_, i) => toAgentId(`agent_${i + 1}`))
export const OUTSIDE_PARTIES = 30

const SKILL = 'skill_craft'

/** A code for each thing that can follow. */
const FOLLOWED = [
  { kind: 'callback' },
  { kind: 'retry', afterMs: 20_000, atMost: 2 },
  { kind: 'neverCall', whom: 'number' },
  { kind: 'neverCall', whom: 'person' },
  { kind: 'wrongNumber' },
  { kind: 'task', title: 'See to {caller.name|them}', text: '', dueAfterMs: 60_000, assignee: 'agent' },
].map((follows, i) => ({
  ...SMALL.outcomeSets[0]?.codes[0],
  code: `follows-${i}`,
  label: `Follows ${i}`,
  key: String(i + 3),
  follows,
  onlyDialled: follows.kind === 'retry',
}))

/** The small centre with twelve agents of every level, overflow, a full limit and a grace for taking back. */
export const CROWDED: SetUp = SetUpSchema.parse({
  ...SMALL,
  takeBackMs: TAKE_BACK_MS,
  mostOwed: 1,
  callbackMissedAfterMs: 30_000,
  outcomeSets: SMALL.outcomeSets.map((set) => ({ ...set, codes: [...set.codes, ...FOLLOWED] })),
  parkLimitMs: 20_000,
  skills: [{ id: SKILL, name: 'Craft' }],
  agents: MANY.map((id, i) => ({
    id,
    name: `Agent ${i + 1}`,
    role: 'agent',
    queueIds: i === 0 ? [SECOND_QUEUE] : [FIRST, SECOND_QUEUE],
    skills: [{ skillId: SKILL, level: 1 + (i % 5) }],
    may: ENTITLEMENTS.filter((e) => (i !== 1 || e !== 'conference') && (i !== 5 || e !== 'supervision')),
    answersItself: i === 2,
    takesWrapUp: i !== 3,
    playable: false,
  })),
  queues: SMALL.queues.map((q) =>
    q.id === FIRST
      ? {
          ...q,
          needs: [{ skillId: SKILL, level: 3 }],
          fullLimit: 6,
          recommendedWrapUpMs: 5_000,
          wrapUpLimit: { afterMs: 10_000, andThen: 'notReady', extensionMs: 8_000 },
          overflow: [
            { afterMs: 5_000, to: 'anyLevel' },
            { afterMs: 12_000, to: SECOND_QUEUE },
          ],
        }
      : {
          ...q,
          recommendedWrapUpMs: 5_000,
          wrapUpLimit: { afterMs: 15_000, andThen: 'ready', extensionMs: 5_000 },
          goesFirst: [{ group: 'Pass', headStartMs: 30_000 }],
          storm: { announcement: 'Storm.', headStartMs: 90_000, overflow: [{ afterMs: 0, to: 'anyLevel' }] },
        },
  ),
})

export const queuesOf = (agentId: AgentId) => [...(CROWDED.agents.find((a) => a.id === agentId)?.queueIds ?? [])]

/** The crowded centre with everybody on shift and ready. */
export function aCrowdedFloor(): TestFloor {
  const floor = aFloor(CROWDED)
  for (const agentId of MANY) {
    floor.give({ kind: 'startShift', agentId, queueIds: queuesOf(agentId), seat: 'desk' }, 10)
    floor.give({ kind: 'goReady', agentId }, 10)
  }
  return floor
}
