// All that a tab is shown, in its parts.

import type { Told } from '@/core/agents'
import type { AgentId, QueueId } from '@/core/ids'
import type { Entitlement } from '@/core/set-up'
import type { Task } from '@/core/tasks'
import type { Work } from '@/core/work'
import type { WaitingCaller } from '@/services/exchange/callers'
import type { CircleView } from '@/services/exchange/circles'
import type { ConferencesPart } from '@/services/exchange/conferences'
import type { VoicemailPart } from '@/services/exchange/messages'
import type { PieceView } from '@/services/exchange/pieces'
import type { ReviewsPart } from '@/services/exchange/reviews'
import type { WatchedSeat } from '@/services/exchange/watched'
import type { Pace, PicksUp } from '@/world'
import type { CallView, MeView, ThreadView } from './agent-view'
import type { CallbackView, CampaignView, CentreView, ParkedView, QueueView, SeatView } from './centre-view'
import type { DeviceView, SoundView } from './sound-view'

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

export interface Notice {
  readonly id: string
  readonly tone: 'info' | 'loss'
  readonly says: string
  readonly offersDamaged: boolean
}

/** What stands at the door: enough to sign in, and nothing of what is behind it. */
export interface DoorView {
  readonly centre: string
  readonly accounts: readonly { readonly id: AgentId; readonly name: string }[]
  /** Whose port this is; null before signing in. */
  readonly signedIn: AgentId | null
  /** Why nobody is signed in any more, where that was not asked for. */
  readonly because: string | null
  /** Nobody has touched this page for a while: it asks for the PIN of whoever is signed in. */
  readonly locked: boolean
  /** What is kept of PINs cannot be read: none opens anything. */
  readonly pinsUnreadable: boolean
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

/** What every tab is shown, signed in or not. */
export interface DoorParts {
  readonly door: DoorView
  readonly floor: FloorPart
}

/** All parts there are. A tab nobody is signed in at has only those of the door. */
export type TabView = DoorParts & Omit<FloorView, 'floor' | ListName>

export interface FloorPart {
  readonly floorId: string
  /** When the floor's worker was built: later than a page, and the page is of the version before. */
  readonly builtAtMs: number
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
