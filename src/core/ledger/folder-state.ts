// What a folder keeps in mind between two entries: plain data, so that it can be stored and gone on from.
import type { Agent } from '@/core/agents'
import type { Call, Customer } from '@/core/calls'
import type { CalledRecord } from '@/core/campaigns'
import type { AgentId, AttemptId, CallId, QueueId, WorkId } from '@/core/ids'
import type { ScriptRun } from '@/core/scripts'
import type { SetUp } from '@/core/set-up'
import type { EpochMs } from '@/core/time'
import type { OfCampaign } from '@/core/work'
import type { Legs } from './legs'
import type { AgentInterval, CallRecord } from './record'
import type { OpenThread } from './written'
import type { WrittenRecord } from './written-record'

export interface OpenCall {
  readonly record: CallRecord
  readonly legs: Legs
  call: Call | null
  /** The queue it waited in last; names may change while a call is on. */
  queueId: QueueId | null
  /** Of a call of a campaign. */
  campaign: OfCampaign | null
  codedBy: AgentId | null
  run: ScriptRun | null
  /** What a script's conditions ask about, kept beyond the end of the call. */
  customer: Customer | null
  path: string | null
  ended: boolean
  /** Who has left it and not coded it yet. */
  owedBy: AgentId[]
  readonly firstSeq: number
  lastSeq: number
}

export interface TakenBack {
  readonly atMs: EpochMs
  readonly byAgentId: AgentId
}

export type SettledCall = SettledOf<CallRecord>

/** A record, and where its events stand. */
interface SettledOf<R> {
  readonly record: R
  readonly firstSeq: number
  readonly lastSeq: number
}

/** Of a chat, a mail or a text. */
export type SettledThread = SettledOf<WrittenRecord>

export interface Settled {
  readonly calls: readonly SettledCall[]
  readonly written: readonly SettledThread[]
  readonly intervals: readonly AgentInterval[]
}

interface OwedBefore {
  readonly handledBy: AgentId | null
  readonly owedBy: readonly AgentId[]
}

export interface Correction {
  /** Of the event that says so. */
  readonly seq: number
  readonly code: string
  readonly atMs: EpochMs
  readonly byId: AgentId
  readonly by: string
  /** Of a call that was coded late, with its notes; null for one that had a code. */
  readonly notes: string | null
}

export interface FolderState {
  setUp: SetUp | null
  readonly calls: Map<CallId, OpenCall>
  /** A consult is part of the call it is about: its record is that call's. */
  /** Chats, mails and texts; absent where an earlier version kept this state. */
  written?: Map<WorkId, OpenThread>
  /** What each agent's clock is shared among, since when. */
  sharing?: Map<AgentId, { readonly sinceMs: EpochMs; readonly pieces: readonly WorkId[] }>
  readonly consults: Map<CallId, { readonly call: Call; readonly about: CallId; readonly byAgentId: AgentId | null }>
  readonly agents: Map<AgentId, Agent>
  intervals: AgentInterval[]
  readonly corrections: Map<CallId, Correction>
  /** Calls of an earlier ledger that are coded in this one. */
  readonly owedBefore: Map<CallId, OwedBefore>
  /** The state each agent is reported in, since when: that of the floor, and dialling apart from talking. */
  readonly shown: Map<AgentId, Shown>
  readonly takenBack: TakenBack[]
  /** Outcomes that were corrected; absent where an earlier version kept this state. */
  corrected?: readonly TakenBack[]
  /** People the dialer has under way. */
  readonly dialled: Map<AttemptId, CalledRecord>
  /** Calls are spoken of that are not here: they began before, or are settled. */
  isCut: boolean
}

export const createFolderState = (): FolderState => ({
  setUp: null,
  calls: new Map(),
  consults: new Map(),
  agents: new Map(),
  intervals: [],
  corrections: new Map(),
  owedBefore: new Map(),
  shown: new Map(),
  takenBack: [],
  dialled: new Map(),
  isCut: false,
})

export interface Shown {
  readonly state: AgentInterval['state'] | 'signedOut'
  readonly reason: string | null
  readonly sinceMs: EpochMs
  /** Since when the floor has it: a new call after another is a new spell. */
  readonly stateSinceMs: EpochMs
}
