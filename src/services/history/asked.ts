// What can be asked of the history, and what the floor gives it.
import type { CameAt } from '@/core/coming-day'
import type { AgentId, CampaignId } from '@/core/ids'
import type { CallRecord, LedgerEntry, WrittenRecord } from '@/core/ledger'
import type { Found, Sought } from '@/core/personal'
import type { Line } from '@/core/threads'
import type { Past, PastAsked } from '@/world'
import type { CallsAsked, CallsPage } from './calls'
import type { CrossAsked, CrossCallsAsked, CrossTable } from './cross'
import type { Progress } from './days'
import type { ExportName } from './exports'
import type { Handling } from './handling'
import type { Kept } from './kept'
import type { LogAsked, LogPage, LogRow } from './log'
import type { DayAsked, QueueProfile } from './profile'
import type { Report } from './report'
import type { AgentSessions, CallOfDay, SessionsAsked } from './sessions'
import type { SoundAsked, SoundReport } from './sound'
import type { WrittenReport } from './written'

export interface Span {
  readonly fromMs: number
  /** Excluded. */
  readonly toMs: number
}

export type Opening = { readonly ok: true; readonly days: number } | { readonly ok: false; readonly says: string }

/** The floor as the history knows it: what its ledger says, as far as it is stored. */
export interface Feed {
  /** Of the ledger: another one is another floor's. */
  floorId(): Promise<string>
  /** NDJSON after an entry, through another one or to the end. */
  read(afterSeq: number, throughSeq: number | null): Promise<string>
}

interface AskedSpan {
  readonly span: Span
  readonly nowMs: number
  /** Of one agent alone; null for everybody. */
  readonly only: AgentId | null
}

interface AskedOfAgent {
  readonly span: Span
  readonly nowMs: number
  readonly only: AgentId
}

export interface History {
  /** Loads past days, or fetches as many of the demo's when there are none. Usable at once; days appear as they arrive. */
  open(past: Past, onProgress: (progress: Progress) => void): Promise<Opening>
  /** Takes in what the floor has stored since the last time. */
  follow(feed: Feed): Promise<void>
  report(asked: AskedSpan & { /** Where the steps of the series begin, ascending. */ readonly steps: readonly number[] }): Promise<Report>
  /** Calls of the span, as far as they are asked for. */
  calls(asked: AskedSpan & CallsAsked): Promise<CallsPage>
  /** Any figure by any two of what calls differ in. */
  cross(asked: CrossAsked & { readonly nowMs: number; readonly only: AgentId | null }): Promise<CrossTable>
  /** The calls a figure of it was made of, the latest first. */
  crossCalls(asked: CrossCallsAsked & { readonly nowMs: number; readonly only: AgentId | null }): Promise<readonly CallRecord[]>
  /** What queues' days were like, for forecasts. */
  profiles(asked: { readonly days: readonly DayAsked[]; readonly nowMs: number }): Promise<readonly QueueProfile[]>
  /** The calls of a day, to be played again. */
  came(asked: Pick<DayAsked, 'fromMs' | 'toMs'> & { readonly nowMs: number }): Promise<readonly CameAt[]>
  /** The ledger from the opening of its floor to the end of a day, as NDJSON: what a replay goes through. */
  ledger(asked: Pick<DayAsked, 'fromMs' | 'toMs'>): Promise<string>
  /** Entries of a day that are marked on it. */
  marks(asked: Pick<DayAsked, 'fromMs' | 'toMs'>): Promise<readonly LedgerEntry[]>
  /** What agents did with their time, day by day. */
  sessions(asked: SessionsAsked & { readonly nowMs: number }): Promise<readonly AgentSessions[]>
  /** Calls an agent had a part in. */
  callsOfAgent(asked: AskedOfAgent): Promise<readonly CallOfDay[]>
  /** What the ledger says about an agent within a stretch of a day: the first of it, as many as can be read. */
  eventsOfAgent(asked: AskedOfAgent): Promise<readonly LedgerEntry[]>
  /** How calls of the span sounded, as far as they were rated. */
  sound(asked: SoundAsked & { readonly nowMs: number }): Promise<SoundReport>
  /** Calls of one agent as a telephone logs them, or all of the centre's. */
  log(asked: LogAsked & { readonly nowMs: number }): Promise<LogPage>
  /** Whom an agent has called, the latest first, each once. */
  dialledBefore(asked: { readonly only: AgentId; readonly atMost: number; readonly nowMs: number }): Promise<readonly LogRow[]>
  /** Chats, mails and texts that began in the span. */
  written(asked: AskedSpan & { readonly atMost: number }): Promise<WrittenReport>
  /** What was said in one of them; nothing to an agent who had no part in it. */
  linesOf(workId: string, only: AgentId | null): Promise<readonly Line[]>
  /** How long calls of a campaign took. */
  handling(asked: { readonly span: Span; readonly nowMs: number; readonly campaignId: CampaignId }): Promise<Handling>
  /** The record and every event of one call; null when there is none of this id. */
  call(callId: string): Promise<{ readonly record: CallRecord; readonly entries: readonly LedgerEntry[] } | null>
  /** Earlier calls with a person, newest first: by name when known, otherwise by number. The latest of them, and how many there are. */
  previousContacts(who: { readonly customer: string | null; readonly number: string | null }, exceptCallId: string): PreviousContacts
  /** A file of MEASURES.md over a span. */
  exportFile(name: ExportName, span: Span, nowMs: number, onProgress: (done: number, of: number) => void): Promise<Blob>
  /** What days that are kept whole say about somebody; what this floor's own ledger says of them the floor finds itself. */
  keptAbout(sought: Sought): Promise<readonly Found[]>
  /** Entries of such days that are about nothing but a number or a name: what has an id is forgotten with the floor's word. */
  forgetListed(sought: Sought): Promise<void>
  /** Bytes of all columns, for the bench. */
  blocks(): readonly Kept[]
}

export interface PreviousContacts {
  readonly count: number
  readonly latest: readonly CallRecord[]
  /** Chats, mails and texts with them, the latest first; counted with the calls. */
  readonly written: readonly WrittenRecord[]
}

/** So many of the demo's days before a day; before today when none is given. */
export type FetchDays = (asked: PastAsked) => Promise<Response>
