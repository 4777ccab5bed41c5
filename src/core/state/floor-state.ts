// The floor's state: what is under way, and what was promised. Entities are immutable values; the tables are the place they stand in, changed by
// `evolve` alone.
import { type Agent, createAgent } from '@/core/agents'
import type { Callback } from '@/core/callbacks'
import type { Call } from '@/core/calls'
import { type Attempt, type CampaignRun, createRun, type Preview } from '@/core/campaigns'
import type { Circle } from '@/core/circles'
import type { Question, WhenFree } from '@/core/colleagues'
import type { Conference } from '@/core/conferences'
import type { DoNotCallList } from '@/core/do-not-call'
import { type AgentId, type AttemptId, type CallId, type QueueId, toAgentId, toAttemptId, toCallId, toThreadId, type WorkId } from '@/core/ids'
import type { Doors, Waiting } from '@/core/queues'
import type { Review } from '@/core/reviews'
import type { SetUp } from '@/core/set-up'
import { get, type Table } from '@/core/table'
import type { Task } from '@/core/tasks'
import type { LastWrote, Thread } from '@/core/threads'
import type { EpochMs } from '@/core/time'
import type { Message } from '@/core/voicemail'
import type { Work } from '@/core/work'
import type { Coded, Due, Greets, Lately, Struck } from './rows'

export interface FloorTables {
  readonly agents: Table<Agent>
  readonly calls: Table<Call>
  /** Chats, mails and texts under way, and those whose outcome is owed. */
  readonly threads: Table<Thread>
  /** Calls and threads under way, and those whose outcome is owed. */
  readonly work: Table<Work>
  /** Callbacks that are open. */
  readonly callbacks: Table<Callback>
  /** Tasks that are open in the customer record system. */
  readonly tasks: Table<Task>
  readonly doNotCall: DoNotCallList
  /** Every campaign of the set-up, as it runs. */
  readonly campaigns: Table<CampaignRun>
  /** People of calling lists who are being called; who was put through is a call. */
  readonly attempts: Table<Attempt>
  /** Records that an agent looks at before they call, by agent. */
  readonly previews: Table<Preview>
  /** Calls coded by agents who are still on that shift, by `codedKey`: what each of them may correct. */
  readonly coded: Table<Coded>
  /** The outcome each agent saved last of a call that was over, with the work as it was: what can be taken back. */
  readonly lately: Table<Lately>
  /** What colleagues asked each other before they call, by `pairKey`. */
  readonly questions: Table<Question>
  /** Who is to be put through to whom once both are free, by `pairKey`. */
  readonly whenFree: Table<WhenFree>
  /** What was left in mailboxes. */
  readonly messages: Table<Message>
  /** What mailboxes greet with, where it is not what all do, by `boxKey`. */
  readonly greetings: Table<Greets>
  /** Conferences by appointment, coming and past. */
  readonly conferences: Table<Conference>
  /** What colleagues write to each other, by `circleKey`. */
  readonly circles: Table<Circle>
  /** Who wrote to an address last, by `addressKey`. */
  readonly lastWrote: Table<LastWrote>
  /** Reviews of calls, by `reviewKey`. */
  readonly reviews: Table<Review>
  /** What time itself will change, and when, by `dueKey`. */
  readonly due: Table<Due>
}

export interface FloorState extends FloorTables {
  readonly floorId: string
  readonly setUp: SetUp
  /** Of the last event folded in; 0 before the first. */
  readonly seq: number
  readonly atMs: EpochMs
  readonly callCount: number
  readonly threadCount: number
  readonly attemptCount: number
  /** How often something was made due. */
  readonly dueCount: number
  readonly waiting: Waiting
  /** Chats, mails and texts that wait for an agent, each in its queue's line. */
  readonly threadsWaiting: Waiting
  /** Messages of queues that wait to be called back for, each in its line. */
  readonly messagesWaiting: Waiting
  /** Numbers that do not belong to whom the records say. */
  readonly struck: readonly Struck[]
  /** By which seed and pace stand-ins behave; null before they begin. */
  readonly standIns: { readonly seed: number; readonly pace: string } | null
  /** Queues switched to storm. */
  readonly storm: readonly QueueId[]
  /** Queues that somebody has opened or closed by hand. */
  readonly doors: Doors
  /** Seq of the event that set the centre up as it is, and who did; null for how it began. */
  readonly setUpSeq: number
  readonly setUpBy: AgentId | null
  /** How long an agent has a call of a queue, as a running mean: what expected waits are reckoned with. */
  readonly handleMs: Readonly<Record<QueueId, number>>
}

/** The names of the tables, in the order they are written down. */
export const TABLES = [
  'agents',
  'calls',
  'threads',
  'work',
  'callbacks',
  'tasks',
  'doNotCall',
  'campaigns',
  'attempts',
  'previews',
  'coded',
  'lately',
  'questions',
  'whenFree',
  'messages',
  'greetings',
  'conferences',
  'circles',
  'lastWrote',
  'reviews',
  'due',
] as const satisfies readonly (keyof FloorTables)[]
export type TableName = (typeof TABLES)[number]
export type Row<T extends TableName> = FloorTables[T] extends Table<infer R> ? R : never

export function createFloor(floorId: string, setUp: SetUp): FloorState {
  const tables: { readonly [T in TableName]: Map<string, Row<T>> } = {
    agents: new Map(setUp.agents.map(({ id }) => [id, createAgent(id)])),
    calls: new Map(),
    threads: new Map(),
    work: new Map(),
    callbacks: new Map(),
    tasks: new Map(),
    doNotCall: new Map(),
    campaigns: new Map(setUp.campaigns.map(({ id }) => [id, createRun(id)])),
    attempts: new Map(),
    previews: new Map(),
    coded: new Map(),
    lately: new Map(),
    questions: new Map(),
    whenFree: new Map(),
    messages: new Map(),
    greetings: new Map(),
    conferences: new Map(),
    circles: new Map(),
    lastWrote: new Map(),
    reviews: new Map(),
    due: new Map(),
  }
  const began = {
    seq: 0,
    atMs: 0,
    callCount: 0,
    threadCount: 0,
    attemptCount: 0,
    dueCount: 0,
    waiting: {},
    threadsWaiting: {},
    messagesWaiting: {},
    struck: [],
    standIns: null,
    storm: [],
    doors: {},
    setUpSeq: 0,
    setUpBy: null,
    handleMs: {},
  }
  return { floorId, setUp, ...began, ...tables }
}

/** The floor as it is at this moment, apart from what becomes of it: a copy of the tables, whose values never change. */
export function copyOf(state: FloorState): FloorState {
  const tables = Object.fromEntries(TABLES.map((table) => [table, new Map<string, unknown>(state[table])]))
  return { ...state, ...tables }
}

/** The agent whose device this is; null for outside parties and queues. */
export const agentOfDevice = (deviceId: string): AgentId | null => (deviceId.startsWith('dev_agent_') ? toAgentId(deviceId.slice('dev_'.length)) : null)

export const nextCallId = (state: FloorState): CallId => toCallId(`call_${state.floorId}_${state.callCount + 1}`)

export const nextThreadId = (state: FloorState): WorkId => toThreadId(`thread_${state.floorId}_${state.threadCount + 1}`)

export const nextAttemptId = (state: FloorState): AttemptId => toAttemptId(`attempt_${state.floorId}_${state.attemptCount + 1}`)

/** Whether an agent has muted themselves, as `whoHearsWhom` asks. */
export const isMutedOn =
  (state: FloorState) =>
  (agentId: AgentId): boolean =>
    get(state.agents, agentId)?.muted ?? false

export const recordingIdFor = (state: FloorState, callId: CallId): string => `rec_${callId}_${state.seq + 1}`
