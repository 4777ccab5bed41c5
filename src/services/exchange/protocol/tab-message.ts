// What a tab sends; the floor parses everything it receives.
import * as z from 'zod'
import { WrittenChannelSchema } from '@/core/channels'
import type { NumberReading } from '@/core/directory'
import { AskSchema } from '@/core/floor'
import { AgentIdSchema, CallIdSchema, CampaignIdSchema, QueueIdSchema, WorkIdSchema } from '@/core/ids'
import { SoughtSchema } from '@/core/personal'
import { LONGEST_DRAFT } from '@/core/threads'
import { BoxSchema } from '@/core/voicemail'
import { KEPT_OF } from '@/services/exchange/kept-things'
import { peopleMessages } from '@/services/exchange/people'
import { PACES, PICKS_UP } from '@/world'

const requestId = z.string().min(1).max(64)
/** What is typed as a PIN; whether it can be one is said in words. */
const pin = z.string().max(64)

export const WorldWishSchema = z.object({ pace: z.enum(PACES), seed: z.number().int() }).readonly()

const PastSchema = z.object({ seed: z.number().int().min(0), days: z.number().int().min(0).max(31) }).readonly()

/** What a trainer asks of the caller who is made to ring. */
const callerWish = {
  queueId: QueueIdSchema,
  customerId: z.string().max(200).nullable(),
  patienceMs: z.number().positive().nullable(),
  staysMs: z.number().positive().nullable(),
  keepsPlaceMs: z.number().positive().nullable().default(null),
}

/** Things about one person at once; more are no person's. */
export const MOST_FORGOTTEN = 50_000

export const TabMessageSchema = z.discriminatedUnion('kind', [
  /** First message of a tab: the key it was given before a reload, and the world it wants if none runs yet. */
  z
    .object({
      kind: z.literal('hello'),
      requestId,
      key: z.string().max(128).nullable(),
      world: WorldWishSchema.nullable(),
      past: PastSchema.default({ seed: 7, days: 0 }),
      /** When the page was built; 0 where that is not known. */
      builtAtMs: z.number().int().nonnegative().default(0),
      /** The tab is no desk but a device of an agent's. A phone of one's own says whose it is by its code, a handset by the key of its desk. */
      device: z
        .object({ is: z.enum(['handset', 'ownPhone']), agentId: AgentIdSchema })
        .readonly()
        .nullable()
        .default(null),
    })
    .readonly(),
  /** The port belongs to the account from now on. Answered with a key for reloads. */
  z.object({ kind: z.literal('signIn'), requestId, agentId: AgentIdSchema, pin }).readonly(),
  z.object({ kind: z.literal('signOut'), requestId }).readonly(),
  /** Somebody is at this page: a key or the pointer moved. */
  z.object({ kind: z.literal('touch'), requestId }).readonly(),
  /** A page that was locked is its account's again. */
  z.object({ kind: z.literal('unlock'), requestId, pin }).readonly(),
  /** By whoever leaves the desk for a while. */
  z.object({ kind: z.literal('lock'), requestId }).readonly(),
  /** Where no PIN can be read: new ones for those who keep the set-up, as the JSON of a `RenewedPins`. */
  z.object({ kind: z.literal('renewPins'), requestId }).readonly(),
  /** A new PIN, by the account itself or by a set-up owner; `shown` is the present PIN of whoever asks: a page left open gives nobody a PIN. */
  z.object({ kind: z.literal('setPin'), requestId, agentId: AgentIdSchema, pin, shown: pin }).readonly(),
  /** Given by the account the port belongs to; `witness` is somebody else at the same desk who shows their own PIN for what only they may allow. */
  z
    .object({
      kind: z.literal('command'),
      requestId,
      command: AskSchema,
      witness: z.object({ agentId: AgentIdSchema, pin }).readonly().optional(),
    })
    .readonly(),
  /** Takes an act back where it still stands, as the JSON of `TakenBack`. */
  z.object({ kind: z.literal('takeBackAct'), requestId, act: z.string().max(40) }).readonly(),
  z.object({ kind: z.literal('setPace'), requestId, pace: z.enum(PACES) }).readonly(),
  /** A caller who rings at this desk. */
  z.object({ kind: z.literal('ringMe'), requestId, ...callerWish }).readonly(),
  /** Somebody who writes to a queue; `toMe`: it is offered at this desk first. */
  z
    .object({
      kind: z.literal('writer'),
      requestId,
      channel: WrittenChannelSchema,
      queueId: QueueIdSchema,
      toMe: z.boolean(),
      customerId: z.string().max(200).nullable(),
      patienceMs: z.number().positive().nullable(),
      keepsPlaceMs: z.number().positive().nullable().default(null),
    })
    .readonly(),
  /** What colleagues wrote in which the text occurs, as the JSON of `FoundLine[]`. */
  z.object({ kind: z.literal('searchCircles'), requestId, search: z.string().max(300) }).readonly(),
  /** Lines of a thread before one of them, as the JSON of `Line[]`: what the desk does not hold. */
  z.object({ kind: z.literal('threadLines'), requestId, threadId: WorkIdSchema, beforeNo: z.number().int().positive() }).readonly(),
  /** What was begun in a piece and is not sent: mine, and what those left who have it no more, as the JSON of `Draft[]`. */
  z.object({ kind: z.literal('drafts'), requestId, threadId: WorkIdSchema }).readonly(),
  /** What I have begun to write in a piece, and for whom; nothing at all takes it away. */
  z.object({ kind: z.literal('keepDraft'), requestId, threadId: WorkIdSchema, text: z.string().max(LONGEST_DRAFT), aside: z.boolean() }).readonly(),
  /** What a colleague had begun is not needed any more. */
  z.object({ kind: z.literal('dropDraft'), requestId, threadId: WorkIdSchema, ofAgentId: AgentIdSchema }).readonly(),
  z.object({ kind: z.literal('callerIntoQueue'), requestId, ...callerWish }).readonly(),
  /** Whoever of a campaign's lists was last rung in vain rings its number. */
  z.object({ kind: z.literal('ringBack'), requestId, campaignId: CampaignIdSchema }).readonly(),
  /** A colleague played by the stand-ins calls whoever sits at this tab. */
  z.object({ kind: z.literal('colleagueCalls'), requestId }).readonly(),
  /** Somebody from outside leaves a message. */
  z.object({ kind: z.literal('leaveMessage'), requestId, box: BoxSchema }).readonly(),
  /** The mailboxes the account may open, as the JSON of a `MessagesPage`. */
  z.object({ kind: z.literal('messages'), requestId }).readonly(),
  /** Conferences the account has to do with, as the JSON of a `ConferencesPage`. */
  z.object({ kind: z.literal('conferences'), requestId }).readonly(),
  /** Reviews of a call, or all the account may see, as the JSON of `ReviewView[]`. */
  z.object({ kind: z.literal('reviews'), requestId, callId: z.string().max(200).nullable() }).readonly(),
  z.object({ kind: z.literal('nextAnswer'), requestId, as: z.enum(['person', 'busy', 'noAnswer', 'machine', 'refused']) }).readonly(),
  /** How people of calling lists answer from now on; null for as chance has it. */
  z.object({ kind: z.literal('listAnswers'), requestId, as: z.enum(PICKS_UP).nullable() }).readonly(),
  /** What a command would do to who hears whom, as the JSON of a `Preview`; nothing happens. */
  z.object({ kind: z.literal('preview'), requestId, command: AskSchema }).readonly(),
  /** What an act on agents or queues would come to, as the JSON of `Consequences`; nothing happens. */
  z.object({ kind: z.literal('foresee'), requestId, command: AskSchema }).readonly(),
  /** Sound that leaves this desk on a call: tones, as samples at `TONE_RATE_HERTZ`. Whoever hears the agent hears it. */
  z.object({ kind: z.literal('lineSound'), requestId, callId: CallIdSchema, samples: z.instanceof(Float32Array) }).readonly(),
  /** Whether this desk prepares the account's sound before the shift. */
  z.object({ kind: z.literal('soundHere'), requestId, on: z.boolean() }).readonly(),
  z.object({ kind: z.literal('ringHandset'), requestId }).readonly(),
  z.object({ kind: z.literal('expectPhone'), requestId }).readonly(),
  // What is done on a device's own window.
  z.object({ kind: z.literal('handset'), requestId, act: z.enum(['lift', 'putDown']) }).readonly(),
  z.object({ kind: z.literal('phoneDials'), requestId, typed: z.string().max(300) }).readonly(),
  z.object({ kind: z.literal('phoneKeys'), requestId, samples: z.instanceof(Float32Array) }).readonly(),
  z.object({ kind: z.literal('phoneHangsUp'), requestId }).readonly(),
  /** The set-up document with who has a PIN, as the JSON of a `SetUpInUse`. */
  z.object({ kind: z.literal('setUp'), requestId }).readonly(),
  /** Entries of the do-not-call list in which the text occurs, as the JSON of a `DoNotCallPage`. */
  z.object({ kind: z.literal('doNotCall'), requestId, search: z.string().max(300), atMost: z.number().int().positive().max(10_000_000) }).readonly(),
  /** The stored ledger after an entry, as NDJSON text: what the history of this tab is folded from. */
  z
    .object({ kind: z.literal('history'), requestId, afterSeq: z.number().int().nonnegative(), throughSeq: z.number().int().nonnegative().nullable() })
    .readonly(),
  /** The ledger as a file, with everybody's personal data. */
  z.object({ kind: z.literal('ledger'), requestId }).readonly(),
  /** Whether everything that was decided is stored: before it is saved as a file. */
  z.object({ kind: z.literal('flushed'), requestId }).readonly(),
  /** What opens sealed sounds, as far as somebody has given the passphrase; answered with its text, or null. */
  z.object({ kind: z.literal('soundKey'), requestId }).readonly(),
  /** The passphrase was given at a page; null where sounds are to be closed again. */
  z.object({ kind: z.literal('openSounds'), requestId, identity: z.string().startsWith('AGE-SECRET-KEY-1').max(100).nullable() }).readonly(),
  /** A page makes the backup that is due by this browser's schedule: what is under way is to be stored first, and what came of it is noted. */
  z.object({ kind: z.literal('backsUp'), requestId, came: z.enum(['begins', 'saved', 'needsLeave', 'failed']) }).readonly(),
  /** A backup that was laid beside what is stored takes its place. */
  z.object({ kind: z.literal('putBackupInPlace'), requestId }).readonly(),
  /** What is kept about somebody, in the ledger and among people, as the JSON of a `Kept`. */
  z.object({ kind: z.literal('findKept'), requestId, sought: SoughtSchema }).readonly(),
  /** Has it forgotten, with what names them in past days and calling lists. */
  z.object({ kind: z.literal('forget'), requestId, sought: SoughtSchema, about: z.array(z.string().max(400)).max(MOST_FORGOTTEN) }).readonly(),
  /** Who did what, the latest first, as the JSON of an `AuditPage`. */
  z.object({ kind: z.literal('audit'), requestId, atMost: z.number().int().positive().max(1_000_000) }).readonly(),
  /** Goes through what the floor stores; answered with the JSON of a `Checked`. */
  z.object({ kind: z.literal('checkEverything'), requestId }).readonly(),
  /** What a page did that no worker sees: it stands in the audit as that account's. */
  z
    .object({ kind: z.literal('did'), requestId, what: z.enum(['recordingPlayed', 'savedEverything', 'exported', 'lookedUp']), about: z.string().max(200) })
    .readonly(),
  /** What an account keeps, or the centre; answered with its text, or null. */
  z.object({ kind: z.literal('keptThing'), requestId, of: z.enum(KEPT_OF), name: z.string().min(1).max(120) }).readonly(),
  z
    .object({ kind: z.literal('keepThing'), requestId, of: z.enum(KEPT_OF), name: z.string().min(1).max(120), text: z.string().max(1_000_000).nullable() })
    .readonly(),
  /** What was set aside as damaged, as text. */
  z.object({ kind: z.literal('damaged'), requestId }).readonly(),
  /** The floor is opened anew, and what was set aside is read again. */
  z.object({ kind: z.literal('readAgain'), requestId }).readonly(),
  z.object({ kind: z.literal('dismissNotice'), requestId, noticeId: z.string().max(300) }).readonly(),
  /** How numbers are written, and how what was typed is read. */
  z
    .object({
      kind: z.literal('numbers'),
      requestId,
      write: z.array(z.string().max(300)).max(5_000).readonly(),
      read: z
        .array(z.object({ typed: z.string().max(300), homeCountry: z.string().length(2), short: z.boolean().optional() }).readonly())
        .max(100)
        .readonly(),
    })
    .readonly(),
  /** Why a campaign is dialled as fast as it is, as the JSON of a `DialerReasons`; of one that is not dialled, `null`. */
  z.object({ kind: z.literal('pacing'), requestId, campaignId: CampaignIdSchema }).readonly(),
  /** Asks nothing: whether the floor is still there. */
  ...peopleMessages(requestId),
  z.object({ kind: z.literal('ping'), requestId }).readonly(),
])

export type TabMessage = z.infer<typeof TabMessageSchema>

/** Told once, at the door where they were asked for. */
export type RenewedPins = readonly { readonly name: string; readonly pin: string }[]

/** The answer to `numbers`, in the order asked. */
export interface NumbersSaid {
  readonly written: readonly string[]
  readonly read: readonly NumberReading[]
}
