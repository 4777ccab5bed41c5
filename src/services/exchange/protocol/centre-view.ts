// What everybody who is signed in is shown of the centre: its set-up, its seats, its queues, its promises.

import type { AgentStateName, Note } from '@/core/agents'
import type { Callback } from '@/core/callbacks'
import type { CampaignState, DayCount } from '@/core/campaigns'
import type { DoNotCallEntry } from '@/core/do-not-call'
import type { AgentId, CallId, CampaignId, QueueId } from '@/core/ids'
import type { OutcomeSet } from '@/core/outcomes'
import type { QuickText } from '@/core/quick-texts'
import type { Sheet } from '@/core/reviews'
import type { Script } from '@/core/scripts'
import type { CampaignSetUp, QueueSetUp, Reason, SetUp, Skill } from '@/core/set-up'
import type { Left } from '@/services/exchange/list-feed'
import type { DiversionView } from './agent-view'

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
  /** What is dialled for their desk; '' for nothing. */
  readonly extension: string
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
  readonly diversion: DiversionView | null
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

export interface ParkedView {
  readonly callId: CallId
  readonly slot: number
  readonly label: string
  readonly sinceMs: number
  /** Who parked it. */
  readonly byName: string | null
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

export interface SetUpInUse {
  readonly setUp: SetUp
  readonly revision: number
  /** Accounts that nobody can sign in to yet. */
  readonly withoutPin: readonly AgentId[]
}
