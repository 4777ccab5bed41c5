// What tabs and the floor say to each other. Schemas for what a tab sends (the floor parses everything it receives);
// types for what the floor answers, because both ends are built from this file.
import * as z from 'zod'
import type { AgentStateName, Diversion, Help, Note, Owed, SoundPath, Told, WrapUp } from '@/core/agents'
import type { Callback } from '@/core/callbacks'
import type { Call, Ear } from '@/core/calls'
import type { CalledRecord, CampaignState, DayCount } from '@/core/campaigns'
import { WrittenChannelSchema } from '@/core/channels'
import type { Question, WhenFree } from '@/core/colleagues'
import type { NumberReading } from '@/core/directory'
import type { DoNotCallEntry } from '@/core/do-not-call'
import { AskSchema } from '@/core/floor'
import {
  type AgentId,
  AgentIdSchema,
  type CallId,
  CallIdSchema,
  type CampaignId,
  CampaignIdSchema,
  type QueueId,
  QueueIdSchema,
  WorkIdSchema,
} from '@/core/ids'
import type { OutcomeSet } from '@/core/outcomes'
import type { QuickText } from '@/core/quick-texts'
import type { Sheet } from '@/core/reviews'
import type { Script } from '@/core/scripts'
import type { CampaignSetUp, Entitlement, QueueSetUp, Reason, SetUp, Skill } from '@/core/set-up'
import type { Task } from '@/core/tasks'
import type { Line, Thread } from '@/core/threads'
import { BoxSchema } from '@/core/voicemail'
import type { Work } from '@/core/work'
import { PACES, type Pace, PICKS_UP, type PicksUp } from '@/world'
import type { WaitingCaller } from './callers'
import type { CircleView } from './circles'
import type { PieceView } from './pieces'

export type { CircleView, FoundLine } from './circles'

import type { ConferencesPart } from './conferences'
import type { Left } from './list-feed'
import type { VoicemailPart } from './messages'
import { peopleMessages } from './people'
import type { ReviewsPart } from './reviews'
import type { WatchedSeat } from './watched'

const requestId = z.string().min(1)

export const WorldWishSchema = z.object({ pace: z.enum(PACES), seed: z.number().int() }).readonly()
const PastSchema = z.object({ seed: z.number().int().min(0), days: z.number().int().min(0).max(31) }).readonly()

/** What a trainer asks of the caller who is made to ring. */
const callerWish = {
  queueId: QueueIdSchema,
  customerId: z.string().nullable(),
  patienceMs: z.number().positive().nullable(),
  staysMs: z.number().positive().nullable(),
  keepsPlaceMs: z.number().positive().nullable().default(null),
}

export const TabMessageSchema = z.discriminatedUnion('kind', [
  /** First message of a tab: the key it was given before a reload, and the world it wants if none runs yet. */
  z
    .object({
      kind: z.literal('hello'),
      requestId,
      key: z.string().nullable(),
      world: WorldWishSchema.nullable(),
      past: PastSchema.default({ seed: 7, days: 0 }),
      /** The tab is no desk but a device of an agent's. A phone of one's own says whose it is by its code, a handset by the key of its desk. */
      device: z
        .object({ is: z.enum(['handset', 'ownPhone']), agentId: AgentIdSchema })
        .readonly()
        .nullable()
        .default(null),
    })
    .readonly(),
  /** The port belongs to the account from now on. Answered with a key for reloads. */
  z.object({ kind: z.literal('signIn'), requestId, agentId: AgentIdSchema, pin: z.string() }).readonly(),
  z.object({ kind: z.literal('signOut'), requestId }).readonly(),
  /** A new PIN, by the account itself or by a set-up owner. */
  z.object({ kind: z.literal('setPin'), requestId, agentId: AgentIdSchema, pin: z.string() }).readonly(),
  /** Given by the account the port belongs to; `witness` is somebody else at the same desk who shows their own PIN for what only they may allow. */
  z
    .object({
      kind: z.literal('command'),
      requestId,
      command: AskSchema,
      witness: z.object({ agentId: AgentIdSchema, pin: z.string() }).readonly().optional(),
    })
    .readonly(),
  z.object({ kind: z.literal('setPace'), requestId, pace: z.enum(PACES) }).readonly(),
  /** A caller who rings at this desk. */
  z.object({ kind: z.literal('ringMe'), requestId, ...callerWish }).readonly(),
  /** Somebody who writes to a queue; `toMe`: it is offered at this desk first. */
  z
    .object({
      ...{ kind: z.literal('writer'), requestId, channel: WrittenChannelSchema, queueId: QueueIdSchema, toMe: z.boolean() },
      ...{ customerId: z.string().nullable(), patienceMs: z.number().positive().nullable() },
      keepsPlaceMs: z.number().positive().nullable().default(null),
    })
    .readonly(),
  /** What colleagues wrote in which the text occurs, as the JSON of `FoundLine[]`. */
  z.object({ kind: z.literal('searchCircles'), requestId, search: z.string().max(300) }).readonly(),
  /** Lines of a thread before one of them, as the JSON of `Line[]`: what the desk does not hold. */
  z.object({ kind: z.literal('threadLines'), requestId, threadId: WorkIdSchema, beforeNo: z.number().int().positive() }).readonly(),
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
  z.object({ kind: z.literal('reviews'), requestId, callId: z.string().nullable() }).readonly(),
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
  z.object({ kind: z.literal('phoneDials'), requestId, typed: z.string() }).readonly(),
  z.object({ kind: z.literal('phoneKeys'), requestId, samples: z.instanceof(Float32Array) }).readonly(),
  z.object({ kind: z.literal('phoneHangsUp'), requestId }).readonly(),
  /** The set-up document with who has a PIN, as the JSON of a `SetUpInUse`. */
  z.object({ kind: z.literal('setUp'), requestId }).readonly(),
  /** Entries of the do-not-call list in which the text occurs, as the JSON of a `DoNotCallPage`. */
  z.object({ kind: z.literal('doNotCall'), requestId, search: z.string(), atMost: z.number().int().positive() }).readonly(),
  /** The stored ledger after an entry, as NDJSON text: what the history of this tab is folded from. */
  z
    .object({ kind: z.literal('history'), requestId, afterSeq: z.number().int().nonnegative(), throughSeq: z.number().int().nonnegative().nullable() })
    .readonly(),
  /** The ledger as a file, with everybody's personal data. */
  z.object({ kind: z.literal('ledger'), requestId }).readonly(),
  /** What was set aside as damaged, as text. */
  z.object({ kind: z.literal('damaged'), requestId }).readonly(),
  z.object({ kind: z.literal('dismissNotice'), requestId, noticeId: z.string() }).readonly(),
  /** How numbers are written, and how what was typed is read. */
  z
    .object({
      kind: z.literal('numbers'),
      requestId,
      write: z.array(z.string().max(300)).max(5_000).readonly(),
      read: z
        .array(z.object({ typed: z.string().max(300), homeCountry: z.string().length(2) }).readonly())
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

/** The answer to `numbers`, in the order asked. */
export interface NumbersSaid {
  readonly written: readonly string[]
  readonly read: readonly NumberReading[]
}

export interface RefusalView {
  readonly reason: string
  readonly says: string
  readonly next: string
}

export type FloorMessage =
  /** `kept`: what the command did is on disk. False while storage is refused. */
  | { readonly kind: 'reply'; readonly requestId: string; readonly ok: true; readonly kept: boolean; readonly text: string | null }
  | { readonly kind: 'reply'; readonly requestId: string; readonly ok: false; readonly refusal: RefusalView }
  /**
   * The parts of the view that changed, and of its lists the rows that did; the first one carries all of them. `atMs` is the floor's time, which
   * every clock on a desk goes by.
   */
  | { readonly kind: 'view'; readonly atMs: number; readonly changes: Partial<TabView>; readonly lists: ListChanges }
  /** Entries up to this one are stored. */
  | { readonly kind: 'stored'; readonly seq: number }

/** Lists of the view that are the same for everybody who is signed in. */
export interface SharedLists {
  readonly seats: readonly SeatView[]
  readonly queues: readonly QueueView[]
  readonly parked: readonly ParkedView[]
  readonly callbacks: readonly CallbackView[]
  readonly tasks: readonly Task[]
  readonly campaigns: readonly CampaignView[]
}
export type ListName = keyof SharedLists

/** Rows that are new or differ, and, where rows came, went or moved, the keys of all of them in order. */
export interface RowChanges<T> {
  readonly rows: readonly T[]
  readonly order: readonly string[] | null
}
export type ListChanges = { readonly [L in ListName]?: RowChanges<SharedLists[L][number]> }

export interface Notice {
  readonly id: string
  readonly tone: 'info' | 'loss'
  readonly says: string
  readonly offersDamaged: boolean
}

export interface CentreView {
  readonly name: string
  readonly homeCountry: string
  readonly holdLimitMs: number
  readonly ringLimitMs: number
  readonly takeBackMs: number
  readonly outsidersMayStay: boolean
  readonly timeZone: string
  /** How many outcomes may be owed by somebody who goes ready. */
  readonly mostOwed: number
  /** Agents see who listens in on their call. */
  readonly listeningIsShown: boolean
  /** Who can change the set-up, and with it what an account may do. */
  readonly owners: readonly string[]
  readonly notReadyReasons: readonly Reason[]
  readonly skills: readonly Skill[]
  readonly quickTexts: readonly QuickText[]
  /** In use, the latest version of each. */
  readonly reviewSheets: readonly Sheet[]
  /** Seq of the event that set this centre up as it is. */
  readonly revision: number
  readonly queues: readonly {
    readonly id: QueueId
    readonly name: string
    /** Shown to whoever is called for it; '' for none. */
    readonly number: string
    readonly scriptId: QueueSetUp['scriptId']
    readonly scriptChoices: QueueSetUp['scriptChoices']
    readonly outcomeSetId: string
    readonly serviceLevelMs: number
    readonly headStartMs: number
    readonly keepsPlaces: boolean
    readonly takesMessages: boolean
    /** What is said to callers while the queue is switched to storm. */
    readonly stormAnnouncement: string
    readonly warns: QueueSetUp['warns']
    readonly writes: QueueSetUp['writes']
  }[]
  readonly campaigns: readonly Pick<
    CampaignSetUp,
    | 'id'
    | 'name'
    | 'purpose'
    | 'manner'
    | 'scriptId'
    | 'outcomeSetId'
    | 'callerId'
    | 'ringBackQueueId'
    | 'agentIds'
    | 'abandonCap'
    | 'lines'
    | 'target'
    | 'attempts'
    | 'detector'
    | 'detectorDrops'
    | 'ringLimitMs'
    | 'connectLimitMs'
    | 'retired'
  >[]
  /** Queues that take no calls any more: calls of before still speak of them. */
  readonly formerQueues: readonly { readonly id: QueueId; readonly name: string; readonly outcomeSetId: string }[]
  /** Every version of every script, the latest of each last. */
  readonly scripts: readonly Script[]
  readonly archivedScriptIds: readonly string[]
  readonly outcomeSets: readonly OutcomeSet[]
  readonly outsideOutcomeSetId: string
  /** Numbers the centre calls often. */
  readonly places: readonly { readonly name: string; readonly number: string }[]
  /** People of the customer record stand-in who can be looked up and who can be asked to ring. */
  readonly people: readonly { readonly id: string; readonly name: string; readonly number: string; readonly mobile: string | null; readonly group: string }[]
}

export interface SeatView {
  readonly id: AgentId
  readonly name: string
  /** '' for none. */
  readonly team: string
  readonly role: 'agent' | 'supervisor'
  readonly queueIds: readonly QueueId[]
  /** The queues ticked for this shift, whatever the level; none off shift. */
  readonly serves: readonly QueueId[]
  readonly taken: 'desk' | 'standIn' | null
  readonly state: AgentStateName
  readonly reason: string | null
  readonly sinceMs: number
  readonly note: Note | null
  readonly doNotDisturb: boolean
  /** Calls for them go to their voicemail or a number instead. */
  readonly diversion: Diversion | null
  /** What rings there, for colleagues who may pick it up. */
  readonly ringing: { readonly callId: CallId; readonly queueId: QueueId | null; readonly label: string } | null
}

export interface QueueView {
  readonly id: QueueId
  /** What a caller who joined now could expect; null when nothing is known yet or nobody serves it. */
  readonly expectedWaitMs: number | null
  readonly waiting: number
  readonly longestSinceMs: number | null
  readonly onShift: number
  readonly ready: number
  /** How many of those who wait have hung up and are to be called. */
  readonly kept: number
  /** Messages that wait to be called back for. */
  readonly messages: number
  readonly open: boolean
  /** Opened or closed by hand, whatever its hours say; null by its hours. */
  readonly door: 'open' | 'closed' | null
  readonly storm: boolean
}

/** A campaign as it runs now. */
export interface CampaignView {
  readonly id: CampaignId
  readonly state: CampaignState
  readonly sinceMs: number
  readonly onShift: number
  readonly ready: number
  readonly talking: number
  readonly inWrapUp: number
  /** Attempts by how far they are. */
  readonly ringing: number
  readonly detecting: number
  readonly waiting: number
  readonly linesInUse: number
  readonly conversions: number
  readonly today: Omit<DayCount, 'day'>
  /** Over the days its cap of abandoned calls is held against. */
  readonly window: Omit<DayCount, 'day'>
  readonly lastLiveAtMs: number | null
  /** About how long until the next person for somebody who is ready; null when too little was seen. */
  readonly expectedMs: number | null
  /** How many records stand where; null while the lists have not been heard of. */
  readonly left: Left | null
}

/** A record an agent looks at before they call. */
export interface PreviewView {
  readonly campaignId: CampaignId
  readonly record: CalledRecord
  readonly sinceMs: number
  readonly dueAtMs: number | null
  /** What they were promised, by whom and with which notes; null of who is called in their turn. */
  readonly promised: { readonly dueAtMs: number; readonly by: string; readonly note: string } | null
}

export interface MeView {
  readonly id: AgentId
  readonly name: string
  readonly state: AgentStateName
  readonly reason: string | null
  readonly sinceMs: number
  readonly shiftStartedAtMs: number
  readonly queueIds: readonly QueueId[]
  readonly campaignId: CampaignId | null
  /** Why not ready as soon as nobody is on the way any more. */
  readonly leaving: string | null
  /** Somebody has been reached whom nobody but this agent could take. */
  readonly awaited: boolean
  readonly preview: PreviewView | null
  readonly muted: boolean
  /** Asked for with a call of theirs, and who sees to it. */
  readonly help: Help | null
  /** What follows the call or wrap-up that is on; outside of one it is the state itself. */
  readonly afterwards: { readonly ready: boolean; readonly reason: string | null }
  readonly soundPath: SoundPath
  readonly soundLost: { readonly sinceMs: number; readonly why: string } | null
  readonly note: Note | null
  readonly doNotDisturb: boolean
  readonly diversion: Diversion | null
  readonly divertedTo: readonly string[]
  readonly may: readonly Entitlement[]
  /** Shown to whoever they call for themselves; '' for none. */
  readonly number: string
  readonly answersItself: boolean
  /** Time of today in states that are over, former shifts included, by `spentKey`. */
  readonly spentMs: Readonly<Record<string, number>>
  readonly takesWrapUp: boolean
  /** The wrap-up that is on, by when it may be put off once more. */
  readonly wrapUp: (WrapUp & { readonly extensionMs: number }) | null
  /** The outcome saved last of a call that was over: it can be taken back for the centre's grace. */
  readonly lately: { readonly callId: CallId; readonly savedAtMs: number } | null
  /** Calls that owe an outcome besides the one that is wrapped up, oldest first. */
  readonly owed: readonly (Owed & { readonly label: string; readonly queueId: QueueId | null; readonly campaignId: CampaignId | null })[]
  /** Calls coded on this shift. */
  readonly codedCount: number
  /** What colleagues ask, and have no answer to yet. */
  readonly asked: readonly Question[]
  /** What was asked of colleagues, answered or not. */
  readonly asking: readonly Question[]
  /** Colleagues to be put through to as soon as both are free. */
  readonly whenFree: readonly WhenFree[]
}

export interface CallbackView extends Omit<Callback, 'callId' | 'customer' | 'agreedAtMs' | 'dialled'> {
  readonly name: string | null
  /** Who is calling them, or has not coded that call yet. */
  readonly dialledBy: AgentId | null
}

/** A part of the do-not-call list, the latest first. */
export interface DoNotCallPage {
  readonly found: number
  readonly entries: readonly DoNotCallEntry[]
}

export interface CallView {
  readonly call: Call
  /** Who hears whom on it, as the core says: drawn, previewed and mixed from this. */
  readonly ears: readonly Ear[]
}

/** A chat, a mail or a text as an agent has it. */
export interface ThreadView
  extends Pick<
    Thread,
    | 'id'
    | 'channel'
    | 'queueId'
    | 'address'
    | 'number'
    | 'customer'
    | 'subject'
    | 'follows'
    | 'beganAtMs'
    | 'state'
    | 'sinceMs'
    | 'withSinceMs'
    | 'askedIn'
    | 'parkedUntilMs'
    | 'typing'
    | 'lineCount'
    | 'keptFor'
  > {
  /** Whose it is: mine, or a colleague's who asked me in. */
  readonly agentId: AgentId | null
  /** The last of them; `lineCount` says how many there are. */
  readonly lines: readonly Line[]
  /** Since when the other side waits for us; null while it is their turn. */
  readonly waitsSinceMs: number | null
}

export interface ParkedView {
  readonly callId: CallId
  readonly slot: number
  readonly label: string
  readonly sinceMs: number
  /** Who parked it. */
  readonly byName: string | null
}

export type HandsetState = 'absent' | 'idle' | 'ringing' | 'lifted'

export interface PhoneView {
  readonly code: string
  readonly expiresAtMs: number
  /** `asked`: it has dialled, and the code is awaited. */
  readonly state: 'waiting' | 'asked' | 'wrongCode' | 'tooManyTries' | 'expired' | 'connected' | 'hungUp'
}

/** The devices of the agent whose sound this desk has or prepares. */
export interface SoundView {
  readonly agentId: AgentId
  /** The number a phone of one's own dials, as people write it. */
  readonly line: string
  readonly handset: HandsetState
  readonly phone: PhoneView | null
}

/** What a device's window shows. */
export interface DeviceView {
  readonly is: 'handset' | 'ownPhone'
  readonly agentId: AgentId
  readonly agentName: string
  readonly state: 'idle' | 'ringing' | 'talking'
  /** Who rings or talks there; null for a check. */
  readonly with: string | null
}

/** What stands at the door: enough to sign in, and nothing of what is behind it. */
export interface DoorView {
  readonly centre: string
  readonly accounts: readonly { readonly id: AgentId; readonly name: string }[]
  /** Whose port this is; null before signing in. */
  readonly signedIn: AgentId | null
  /** Why nobody is signed in any more, where that was not asked for. */
  readonly because: string | null
}

/** Who is signed in at this tab, and what the account may do. */
export interface AccountView {
  readonly id: AgentId
  readonly name: string
  readonly role: 'agent' | 'supervisor'
  readonly queueIds: readonly QueueId[]
  readonly may: readonly Entitlement[]
  /** Where their shift is: at this tab, at another one, or played by the stand-ins. */
  readonly shift: 'here' | 'elsewhere' | 'standIn' | null
  /** What whoever answers for the floor has done about them or said to them, until it is put away. */
  readonly told: readonly Told[]
}

export interface SetUpInUse {
  readonly setUp: SetUp
  readonly revision: number
  /** Accounts that nobody can sign in to yet. */
  readonly withoutPin: readonly AgentId[]
}

/** What every tab is shown, signed in or not. */
export interface DoorParts {
  readonly door: DoorView
  readonly floor: FloorPart
}

export type { WaitingCaller } from './callers'
export type { ConferenceSoon, ConferencesPage, ConferencesPart, ConferenceView } from './conferences'
export type { BoxView, MessagesPage, MessageView, VoicemailPart } from './messages'
export type { PieceView } from './pieces'
export type { ReviewView } from './reviews'
export type { WatchedSeat } from './watched'

/** All parts there are. A tab nobody is signed in at has only those of the door. */
export type TabView = DoorParts & Omit<FloorView, 'floor' | ListName>

export interface FloorPart {
  readonly floorId: string
  readonly pace: Pace
  readonly listAnswers: PicksUp | null
  readonly storage: 'kept' | 'notKept'
  readonly storageReason: string | null
  readonly notices: readonly Notice[]
}

/** What somebody who is signed in sees; callbacks and tasks by their due time. */
export interface FloorView extends SharedLists {
  readonly account: AccountView
  readonly centre: CentreView
  readonly floor: FloorPart
  /** How long the do-not-call list is; the revision differs whenever something of it does. */
  readonly doNotCall: { readonly count: number; readonly revision: number }
  /** Changes with every change of the book of people. */
  readonly people: { readonly revision: number }
  readonly voicemail: VoicemailPart
  readonly conferences: ConferencesPart
  /** Everybody on shift, for those who answer for the floor; null for others. */
  readonly watched: readonly WatchedSeat[] | null
  /** Callers who wait, for those who supervise. */
  readonly callers: readonly WaitingCaller[] | null
  /** Chats, mails and texts that are not over, for those who supervise. */
  readonly pieces: readonly PieceView[] | null
  readonly reviews: ReviewsPart
  /** What colleagues write to this account and it to them, the latest first. */
  readonly circles: readonly CircleView[]
  readonly me: MeView | null
  readonly sound: SoundView | null
  readonly device: DeviceView | null
  /** The seat this tab had is at another desk since then. */
  readonly seatMoved: { readonly name: string; readonly atMs: number } | null
  readonly calls: readonly CallView[]
  /** What is written and offered to me, in my hands, parked by me, or that I was asked in to; in the order it came. */
  readonly threads: readonly ThreadView[]
  /** What I handle or owe, and what rings at my desk; newest first. */
  readonly work: readonly Work[]
}
