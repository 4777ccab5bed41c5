// What an agent is shown of themselves and of what is in their hands.
import type { AgentStateName, DeskWasLost, Diversion, Note, Owed, SoundPath, WrapUp } from '@/core/agents'
import type { Call, Ear } from '@/core/calls'
import type { CalledRecord } from '@/core/campaigns'
import type { Question, WhenFree } from '@/core/colleagues'
import type { AgentId, CallId, CampaignId, QueueId } from '@/core/ids'
import type { Entitlement } from '@/core/set-up'
import type { Line, Thread } from '@/core/threads'
import type { HelpView } from '@/services/exchange/help-view'

/** Where somebody's own calls go, with the name of a colleague. */
export type DiversionView = Exclude<Diversion, { kind: 'agent' }> | (Extract<Diversion, { kind: 'agent' }> & { readonly name: string })

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
  readonly help: HelpView | null
  /** What follows the call or wrap-up that is on; outside of one it is the state itself. */
  readonly afterwards: { readonly ready: boolean; readonly reason: string | null }
  readonly soundPath: SoundPath
  readonly soundLost: { readonly sinceMs: number; readonly why: string } | null
  /** For so long that something went on without them; null when they have gone ready since. */
  readonly deskWasLost: DeskWasLost | null
  readonly note: Note | null
  readonly doNotDisturb: boolean
  readonly diversion: DiversionView | null
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
