// The ledger's entries: what is stored, in order, and never rewritten. An event is the durable contract between
// the floor that wrote it and every reader that comes later, so kinds are only ever added.
import * as z from 'zod'
import { AgentEventSchema } from '@/core/agents'
import { CallbackEventSchema } from '@/core/callbacks'
import { CallEventSchema } from '@/core/calls'
import { AttemptEventSchema, CampaignEventSchema, RecordEventSchema } from '@/core/campaigns'
import { CircleEventSchema } from '@/core/circles'
import { ColleagueEventSchema } from '@/core/colleagues'
import { ConferenceEventSchema } from '@/core/conferences'
import { DoNotCallEventSchema } from '@/core/do-not-call'
import { AgentIdSchema } from '@/core/ids'
import { OutcomeCorrectedSchema, OutcomeEventSchema, OutcomeTakenBackSchema } from '@/core/outcomes'
import { QueueEventSchema } from '@/core/queues'
import { ReviewEventSchema } from '@/core/reviews'
import { ScriptEventSchema } from '@/core/scripts'
import { SetUpSchema } from '@/core/set-up'
import { NumberEventSchema } from '@/core/struck'
import { TaskEventSchema } from '@/core/tasks'
import { ThreadEventSchema } from '@/core/threads'
import { InstantSchema } from '@/core/time'
import { VoicemailEventSchema } from '@/core/voicemail'
import { WorkEventSchema } from '@/core/work'
import { CarriedOverSchema } from './carried-over'

/**
 * 2 added the services of call control: consult, transfer, conference, park, recording, take back. 3 added sound paths,
 * notes, diversions, skills, overflow and changes of the set-up; reasons became objects and a queue's priority a head start.
 * 4 added what follows from an outcome (callbacks, tasks, the do-not-call list), corrections, and limits of wrap-up. 5 took the PINs
 * out of the set-up, and says when the clock was moved and when the browser's data was cleared. 6 added what earlier days carry over. 7 added
 * what an end does on a call (listens, whispers, talks) and by which seed stand-ins behave, and days that are over are kept compressed.
 * 8 added campaigns, attempts, and what becomes of the records of calling lists. 9 added calls between colleagues, and what they ask of each other first. 10 added voicemail and conferences by appointment.
 * 11 added listening in, acts of supervisors, and reviews. 12 added chats, mails and texts, and messages between colleagues.
 * 13 added places kept by whoever writes a chat. 14 counts every instant and length in whole milliseconds, and says in whose place an entry stands that
 * could not be read. 15 added that PINs were given anew at the door. 16 keeps what is personal sealed, and says when somebody, or what is older than it may be,
 * was forgotten. 17 added people of calling lists to what is forgotten after so many days. 18 added diversions to colleagues.
 */
export const LEDGER_VERSION = 18

export const FloorOpenedSchema = z.object({ kind: z.literal('floorOpened'), floorId: z.string().regex(/^[a-z0-9-]+$/), setUp: SetUpSchema }).readonly()

/** The floor was down (its last tab had gone) and went on with what it held. */
export const FloorResumedSchema = z.object({ kind: z.literal('floorResumed'), gapMs: z.number().int() }).readonly()

/** The computer's clock was set. Ahead, time has leapt; back, the floor's own clock goes on from where it was. */
export const ClockMovedSchema = z.object({ kind: z.literal('clockMoved'), byMs: z.number().int() }).readonly()

/** How stand-ins behave from now on: whoever simulates, resumes or replays them begins with the same chances. */
export const StandInsBeganSchema = z.object({ kind: z.literal('standInsBegan'), seed: z.number().int(), pace: z.string() }).readonly()

/** Somebody has cleared the browser's data: entries before this one are no longer on this computer. The set-up is what goes on. */
export const StorageClearedSchema = z.object({ kind: z.literal('storageCleared'), setUp: SetUpSchema }).readonly()

/** PINs could not be read any more: those who keep the set-up were given new ones at the door, by whoever stood there. */
export const PinsRenewedSchema = z.object({ kind: z.literal('pinsRenewed'), agentIds: z.array(AgentIdSchema).readonly() }).readonly()

/**
 * In the place of an entry that could not be read, was not there, or could not follow on what came before: the ledger goes on without a gap, and what
 * stood there is set aside.
 */
export const EntryLeftOutSchema = z.object({ kind: z.literal('entryLeftOut'), because: z.enum(['unreadable', 'missing', 'contradicts']) }).readonly()
export type LeftOutBecause = z.infer<typeof EntryLeftOutSchema>['because']

/**
 * Somebody from outside is forgotten: whatever is kept about these pieces of work, records and promises says no more whom it was about. The event names nobody;
 * entries that are about nothing but a number or a name (the do-not-call list) are forgotten with it and are not named here.
 */
export const PersonForgottenSchema = z
  .object({ kind: z.literal('personForgotten'), byAgentId: AgentIdSchema, about: z.array(z.string()).readonly() })
  .readonly()

/**
 * What is older than it may be has been forgotten: details of calls and of what was written, what was said (messages and recordings), or whoever on a calling
 * list was tried before and is to be called no more.
 */
export const RETAINED = ['details', 'recordings', 'messages', 'attempts'] as const
export const DetailsForgottenSchema = z.object({ kind: z.literal('detailsForgotten'), what: z.enum(RETAINED), beforeMs: InstantSchema }).readonly()

/** The set-up as it is from now on, whole. */
export const SetUpChangedSchema = z.object({ kind: z.literal('setUpChanged'), byAgentId: AgentIdSchema, setUp: SetUpSchema }).readonly()

export const FloorEventSchema = z.discriminatedUnion('kind', [
  FloorOpenedSchema,
  FloorResumedSchema,
  ClockMovedSchema,
  StandInsBeganSchema,
  StorageClearedSchema,
  PinsRenewedSchema,
  EntryLeftOutSchema,
  PersonForgottenSchema,
  DetailsForgottenSchema,
  CarriedOverSchema,
  SetUpChangedSchema,
  QueueEventSchema,
  AgentEventSchema,
  CallEventSchema,
  AttemptEventSchema,
  CampaignEventSchema,
  RecordEventSchema,
  WorkEventSchema,
  OutcomeEventSchema,
  OutcomeTakenBackSchema,
  OutcomeCorrectedSchema,
  ScriptEventSchema,
  CallbackEventSchema,
  ColleagueEventSchema,
  DoNotCallEventSchema,
  NumberEventSchema,
  TaskEventSchema,
  VoicemailEventSchema,
  ConferenceEventSchema,
  ReviewEventSchema,
  ThreadEventSchema,
  CircleEventSchema,
])
export type FloorEvent = z.infer<typeof FloorEventSchema>

export const LedgerEntrySchema = z
  .object({
    version: z.literal(LEDGER_VERSION),
    /** 1, 2, 3 … without a gap within one ledger. */
    seq: z.number().int().positive(),
    /** Never decreases within one ledger, even when the system clock does. */
    atMs: InstantSchema,
    /** The `seq` of the event this one follows from; null on the first event of what a command caused. */
    causedBy: z.number().int().nullable(),
    event: FloorEventSchema,
  })
  .readonly()
export type LedgerEntry = z.infer<typeof LedgerEntrySchema>
