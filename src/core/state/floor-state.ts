// The floor's state: what is under way, and what was promised.
import { type Agent, createAgent } from '@/core/agents'
import type { Call } from '@/core/calls'
import type { Contact } from '@/core/contacts'
import { type AgentId, type CallId, type QueueId, toAgentId, toCallId } from '@/core/ids'
import type { Waiting } from '@/core/queues'
import type { SetUp } from '@/core/set-up'
import { emptyTable, get, put, type Table } from '@/core/table'
import type { EpochMs } from '@/core/time'
import type { Due } from './due'
import { nothingPromised, type Promised } from './promised'

export interface FloorState extends Promised {
  readonly floorId: string
  readonly setUp: SetUp
  /** Of the last event folded in; 0 before the first. */
  readonly seq: number
  readonly atMs: EpochMs
  readonly callCount: number
  readonly agents: Table<Agent>
  readonly calls: Table<Call>
  /** Calls under way and calls whose outcome is owed. */
  readonly contacts: Table<Contact>
  readonly waiting: Waiting
  /** What time itself will change, and when. */
  readonly due: readonly Due[]
  /** Queues switched to storm. */
  readonly storm: readonly QueueId[]
  /** Seq of the event that set the centre up as it is, and who did; null for how it began. */
  readonly setUpSeq: number
  readonly setUpBy: AgentId | null
  /** How long an agent has a call of a queue, as a running mean: what expected waits are reckoned with. */
  readonly handleMs: Readonly<Record<QueueId, number>>
}

export function createFloor(floorId: string, setUp: SetUp): FloorState {
  const empty = {
    callCount: 0,
    agents: emptyTable<Agent>(),
    calls: emptyTable<Call>(),
    contacts: emptyTable<Contact>(),
    waiting: {},
    due: [],
    storm: [],
    setUpSeq: 0,
    setUpBy: null,
    ...nothingPromised(),
  }
  return withAccounts({ floorId, setUp, seq: 0, atMs: 0, ...empty, handleMs: {} })
}

/** Every account of the set-up has its agent; those who were there before keep theirs. */
export function withAccounts(state: FloorState): FloorState {
  let { agents } = state
  for (const { id } of state.setUp.agents) if (get(agents, id) === undefined) agents = put(agents, id, createAgent(id))
  return { ...state, agents }
}

/** The agent whose device this is; null for outside parties and queues. */
export const agentOfDevice = (deviceId: string): AgentId | null => (deviceId.startsWith('dev_agent_') ? toAgentId(deviceId.slice('dev_'.length)) : null)

export const nextCallId = (state: FloorState): CallId => toCallId(`call_${state.floorId}_${state.callCount + 1}`)

/** Whether an agent has muted themselves, as `whoHearsWhom` asks. */
export const isMutedOn =
  (state: FloorState) =>
  (agentId: AgentId): boolean =>
    get(state.agents, agentId)?.muted ?? false

export const recordingIdFor = (state: FloorState, callId: CallId): string => `rec_${callId}_${state.seq + 1}`
