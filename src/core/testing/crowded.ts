// A crowded centre for property tests: twelve agents of every level, overflow, limits, graces, and a code for everything that can follow.
import type { CalledRecord } from '@/core/campaigns'
import { WRITTEN_CHANNELS } from '@/core/channels'
import { type AgentId, type CampaignId, toAgentId, toCampaignId, toListId, toRecordId } from '@/core/ids'
import { ENTITLEMENTS, MANNERS, type SetUp, SetUpSchema } from '@/core/set-up'
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

/** A campaign of each manner; every second agent may work each of them. */
export const CAMPAIGNS: readonly CampaignId[] = MANNERS.map((manner) => toCampaignId(`campaign_${manner}`))

/** The small centre with twelve agents of every level, overflow, a full limit and a grace for taking back. */
export const CROWDED: SetUp = SetUpSchema.parse({
  ...SMALL,
  conferenceNumber: '+441632960999',
  reviewSheets: [
    {
      id: 'sheet_small',
      version: 1,
      name: 'Small',
      questions: [
        { id: 'greeting', label: 'Greeting', kind: 'scale', weight: 1, mustHave: false },
        { id: 'name', label: 'Said who they are', kind: 'yesNo', weight: 2, mustHave: true },
      ],
    },
  ],
  takeBackMs: TAKE_BACK_MS,
  mostOwed: 1,
  callbackMissedAfterMs: 30_000,
  outcomeSets: SMALL.outcomeSets.map((set) => ({ ...set, codes: [...set.codes, ...FOLLOWED] })),
  parkLimitMs: 20_000,
  skills: [{ id: SKILL, name: 'Craft' }],
  carries: [
    { call: 1, chat: 1, mail: 2, text: 1 },
    { call: 0, chat: 3, mail: 2, text: 2 },
  ],
  agents: MANY.map((id, i) => ({
    // One of them talks or writes, and never both.
    carries:
      i === 4
        ? [
            { call: 1, chat: 0, mail: 0, text: 0 },
            { call: 0, chat: 2, mail: 1, text: 1 },
          ]
        : null,
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
          writes: WRITTEN_CHANNELS.map((channel) => ({ channel, serviceLevelMs: 60_000 })),
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
          takesMessages: true,
          writes: [
            { channel: 'chat', serviceLevelMs: 30_000 },
            { channel: 'mail', serviceLevelMs: 600_000 },
          ],
          recommendedWrapUpMs: 5_000,
          wrapUpLimit: { afterMs: 15_000, andThen: 'ready', extensionMs: 5_000 },
          goesFirst: [{ group: 'Pass', headStartMs: 30_000 }],
          storm: { announcement: 'Storm.', headStartMs: 90_000, overflow: [{ afterMs: 0, to: 'anyLevel' }] },
        },
  ),
  campaigns: MANNERS.map((manner, i) => ({
    id: CAMPAIGNS[i],
    name: `Campaign ${i}`,
    purpose: 'For tests.',
    manner,
    callerId: '+441632960100',
    ringBackQueueId: FIRST,
    lines: 4,
    scriptId: 'script_small',
    outcomeSetId: 'outcomes_small',
    agentIds: MANY,
    timeZone: 'UTC',
    abandonedMessage: 'Sorry.',
    previewLimitMs: 20_000,
    machineGets: (['nothing', 'message', 'agent'] as const)[i],
    machineMessage: 'Hello, machine.',
    recommendedWrapUpMs: 5_000,
    wrapUpLimit: { afterMs: 10_000, andThen: 'ready', extensionMs: 0 },
    records: i === 1,
    target: i === 0 ? 6 : null,
  })),
})

export const queuesOf = (agentId: AgentId) => [...(CROWDED.agents.find((a) => a.id === agentId)?.queueIds ?? [])]

/** A third of them work a campaign besides their queues. */
export function campaignOf(agentId: AgentId): CampaignId | null {
  const i = MANY.indexOf(agentId)
  return i % 3 === 0 ? (CAMPAIGNS[(i / 3) % CAMPAIGNS.length] as CampaignId) : null
}

/** Somebody of a list, of whom there are as many as numbers. */
export const aRecord = (n: number): CalledRecord => ({
  recordId: toRecordId(`record_list_crowd_${n % OUTSIDE_PARTIES}`),
  listId: toListId('list_crowd'),
  key: String(n),
  person: n % 7 === 0 ? 'Passholder' : `Person ${n}`,
  number: `+4416329601${String(n % OUTSIDE_PARTIES).padStart(2, '0')}`,
  zones: ['UTC'],
  fields: { Group: 'Pass' },
  tries: n % 3,
})

/** The crowded centre with everybody on shift and ready, and a campaign of each manner running. */
export function aCrowdedFloor(): TestFloor {
  const floor = aFloor(CROWDED)
  for (const campaignId of CAMPAIGNS) floor.give({ kind: 'startCampaign', agentId: MANY[1] as AgentId, campaignId }, 10)
  for (const agentId of MANY) {
    floor.give({ kind: 'startShift', agentId, queueIds: queuesOf(agentId), campaignId: campaignOf(agentId), seat: 'desk' }, 10)
    floor.give({ kind: 'goReady', agentId }, 10)
  }
  return floor
}
