// The floor as messages of tabs act on it, and what they are answered.
import type { DialerReasons } from '@/core/dialer'
import type { AgentCommand, FloorRefusal } from '@/core/floor'
import type { AgentId, CampaignId } from '@/core/ids'
import type { Viewer } from '@/core/people'
import { agentSetUp } from '@/core/set-up'
import type { FloorState } from '@/core/state'
import type { Pace, Past, World } from '@/world'
import type { Accounts } from './accounts'
import type { Acts } from './acts'
import type { AuditedWhat, AuditPage } from './audit'
import type { Checked } from './check'
import type { Devices } from './devices'
import type { Drafts } from './drafts'
import type { Ending } from './ending'
import type { Forgetting } from './forgetting'
import type { KeptThings } from './kept-things'
import type { People } from './people'
import type { RefusalView } from './protocol'
import type { Scenario } from './scenario'
import type { Sessions } from './sessions'
import type { LedgerWriter } from './store'

/** The floor as messages act on it. */
export interface Floor {
  readonly accounts: Accounts
  readonly people: People
  readonly devices: Devices
  readonly drafts: Drafts
  readonly acts: Acts
  readonly sessions: Sessions
  readonly writer: LedgerWriter
  readonly now: () => number
  state(): FloorState
  /** Whoever of a campaign's lists was last rung in vain rings back; why not, or null. */
  ringsBack(campaignId: CampaignId): Promise<RefusalView | null>
  readonly records: Scenario['records']
  readonly isShared: boolean
  /** When this worker was built. */
  readonly builtAtMs: number
  /** Whether everything decided so far is stored. */
  flushed(): Promise<boolean>
  /** What opens sealed sounds, for as long as this worker runs and nowhere else. */
  readonly soundKey: { get(): string | null; set(identity: string | null): void }
  /** For everybody to see. */
  notice(id: string, tone: 'info' | 'loss', says: string): void
  /** Ways in which another worker opens the floor. */
  readonly ending: Ending
  readonly forgetting: Forgetting
  readonly keptThings: KeptThings
  /** Who did what; a store that refuses is said elsewhere, and nobody is kept waiting by it. */
  noted(what: AuditedWhat, byAgentId: AgentId | null, about?: string): void
  audit(atMost: number): Promise<AuditPage>
  checkEverything(): Promise<Checked>
  world(): World | null
  /** Starts the world of whoever comes first; a world that runs stays as it is. */
  beginWorld(wanted: { readonly pace: Pace; readonly seed: number } | null, past: Past): void
  /** Stand-ins behave so from now on. */
  setPace(pace: Pace): void
  /** Decides and keeps; null when it was done. */
  give(command: AgentCommand): FloorRefusal | null
  /** Lets happen what is due and shows it; `everything` of every tab where more than the floor has changed. */
  turn(everything?: boolean): void
  broadcast(): void
  isKept(): boolean
  pacing(campaignId: CampaignId): DialerReasons | null
  damaged(): Promise<string>
  dismiss(noticeId: string): void
  /** Recorded, and said to everybody. */
  pinsRenewed(agentIds: readonly AgentId[]): void
}

export type Answer = { readonly ok: true; readonly kept: boolean; readonly text: string | null } | { readonly ok: false; readonly refusal: RefusalView }

/** Whoever looks after the centre keeps its shared people. */
export function viewerOf(floor: Floor, id: AgentId): Viewer {
  const { may } = agentSetUp(floor.state().setUp, id)
  return { id, keepsShared: may.includes('supervision') || may.includes('setUp') }
}
