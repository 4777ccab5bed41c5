// What the stand-ins are told of the centre they play and of the country around it: a port, so that nothing here knows whose centre it is.
import type { Customer } from '@/core/calls'
import type { Chance } from '@/core/chance'
import type { Written } from '@/core/channels'
import type { AgentId, CampaignId, QueueId } from '@/core/ids'
import type { AnswerValue } from '@/core/scripts'
import type { SetUp } from '@/core/set-up'
import type { LineQuality } from '@/core/sound-quality'
import type { FloorState } from '@/core/state'
import { behalfOf, type Work } from '@/core/work'
import type { Ended } from './ended'
import type { Pace } from './paces'

export interface Stage {
  /** How the centre is set up on a day that is not told otherwise. */
  readonly setUp: SetUp
  readonly rhythm: Rhythm
  readonly records: CustomerRecords
  /** What is wanted of each queue, and what those called by a campaign have to say; `otherBusiness` of one the stage knows nothing of. */
  readonly business: ReadonlyMap<BusinessId, Business>
  readonly otherBusiness: Business
  readonly campaigns: ReadonlyMap<CampaignId, Campaigning>
  /** Who starts campaigns that are drafts when the day begins; null for nobody. */
  readonly opensCampaigns: AgentId | null
  readonly words: Words
  /** What people write about. */
  readonly talks: readonly Talk[]
  readonly places: readonly Place[]
  readonly habits: Habits
  /** Lines of the public network that are not as good as a line can be: of numbers that begin so, how often, and how they are then. The first that fits counts. */
  readonly lines: readonly { readonly prefix: string; readonly often: number; readonly line: LineQuality }[]
  /** Countries callers come from, other than the centre's own. */
  readonly abroad: readonly Abroad[]
}

/** People who are called, and colleagues who call them. */
export interface Campaigning {
  /** The chance that a person answers: by weekday (1 Monday to 7 Sunday) and hour at their place, in a world of this pace. */
  answering(day: number, hour: number, pace: Pace): number
  /** Colleagues who work it, besides their queues. */
  readonly agentIds: readonly AgentId[]
}

/** Whose business a call is. */
export type BusinessId = QueueId | CampaignId

export function businessIdOf(work: Pick<Work, 'queueId' | 'campaign'>): BusinessId | null {
  const { queueId, campaignId } = behalfOf(work)
  return campaignId ?? queueId
}

/** How busy the centre is. Times count from the start of its day. */
export interface Rhythm {
  /** `weekday` as `Date.getDay` counts them, Sunday 0; null for a day that is none of the week, as the live one. */
  hoursOf(weekday: number | null): Hours
  /** Calls an hour that enter a queue at a time of day; zero outside opening hours and in a quiet world. */
  arrivalsPerHour(pace: Pace, queueId: QueueId, timeOfDayMs: number, hours: Hours): number
  /** How many an hour begin to write to a queue. */
  writtenPerHour(pace: Pace, queueId: QueueId, channel: Written): number
  /** When past days call the lists of campaigns, from the start of the day; null for a day on which everybody is needed for those who call. */
  callsAt(weekday: number, pace: Pace): { readonly fromMs: number; readonly toMs: number } | null
  /** No queue gets more than this, whatever the pace. */
  readonly mostPerHour: number
  /** Where the live day begins when somebody chooses a pace. */
  liveStartOfDayMs(pace: Pace): number
}

/** When the centre answers, how many calls come compared with a weekday, and how many are on shift. */
export interface Hours {
  readonly opensMs: number
  readonly closesMs: number
  readonly load: number
  /** Seats that are staffed; null for all. */
  readonly seats: number | null
}

export interface CustomerRecords {
  /** The number of somebody the records know by this id. */
  numberOf(id: string): string | undefined
  /** Whose number it is (E.164); those it was struck for are left out. */
  byNumber(number: string, struck: FloorState['struck']): readonly Customer[]
  /** The number of somebody of the records who calls. */
  someone(chance: Chance): string
  /** A number the records do not know. */
  stranger(chance: Chance): string
}

/** What callers of a queue want, how long it takes and what they say. */
export interface Business {
  readonly intents: readonly Intent[]
  /** How long half of them need at most, holds included. */
  readonly medianMs: number
  /** What is said turn by turn, any of each; `{booking}` stands for the reference. */
  readonly lines: Lines
  /** What is said instead at some turns by who wants something else than most, by the name of what they want. */
  readonly instead: Readonly<Record<string, Readonly<Record<number, readonly string[]>>>>
}
export type Lines = readonly (readonly string[])[]

/** What is written turn by turn: what they say and, between, what somebody of the centre answers. */
export interface Talk {
  readonly of: QueueId | null
  readonly subject: string
  /** What it is coded with. */
  readonly code: string
  readonly says: readonly string[]
  readonly answers: readonly string[]
}

/** What a caller wants: the way in, what is said, what the script takes down and the code all speak of the same thing. */
export interface Intent {
  /** A name for it, unique within a queue. */
  readonly wants: string
  readonly weight: number
  /** How much more often on a storm day. */
  readonly inStorm?: number
  /** What they choose on the way in, any of these; null for whatever there is. */
  readonly paths: readonly string[] | null
  /** What the script's questions get for answers; the others are answered by chance. */
  readonly answers: Readonly<Record<string, AnswerValue>>
  /** The outcome when their business is done. */
  readonly code: string
  /** They meant to call somebody else: short, and of nobody the records know. */
  readonly isWrongNumber?: boolean
  /** They belong in another queue and are put through to it. */
  readonly belongsIn?: QueueId
  /** Pages of the script an agent goes on to; all of them when not given. */
  readonly pages?: number
}

export interface Words {
  /** Whoever is called. */
  readonly dialled: Lines
  readonly wrongNumber: Lines
  readonly noBooking: string
  readonly fedUp: string
  readonly machine: string
  /** What is said into a mailbox, sentence by sentence: of a queue's own business, and any of the others into an agent's. */
  readonly messages: readonly { readonly of: QueueId | null; readonly says: readonly string[] }[]
  /** A colleague who answers a message. */
  readonly writtenBack: readonly string[]
  /** A colleague who is asked. */
  readonly colleague: readonly string[]
  /** Somebody dialled in besides the caller. */
  readonly stranger: readonly string[]
  readonly notOnTheMenu: string
}

/** A place outside the centre that agents call. */
export interface Place {
  readonly name: string
  readonly number: string
  /** What is said on answering. */
  readonly greeting: string
  /** What each digit leads to; null for a person who listens to words. */
  readonly menu: Readonly<Record<string, string>> | null
}

/** How colleagues do things here. */
export interface Habits {
  /** Leaves at the end of the shift without coding the last call, and without signing out: how often, 0 to 1. */
  hurriesOften(agentId: AgentId): number
  /** Reasons to be away, how often each is taken and for how long. */
  readonly breaks: readonly { readonly reason: string; readonly weight: number; readonly lastsMs: number }[]
  /** How long somebody looks at a record before they call, at most. */
  readonly readsRecordMs: number
  /** How many numbers of a list are in use no more, 0 to 1. */
  readonly numbersOutOfUse: number
  /** Not ready for a moment after a call, to telephone. */
  readonly afterCall: string
  readonly awayNotes: readonly string[]
  readonly callNotes: readonly string[]
  /** To a queue by its name, or to a colleague: null. */
  noteWhenPutThrough(queue: string | null): string
  readonly noteWhenNeeded: string
  readonly codes: Codes
  /** What is written down where a script asks for words, by field. */
  readonly texts: Readonly<Record<string, readonly string[]>>
  readonly otherText: string
  readonly number: string
  readonly email: string
  readonly moment: { readonly date: string; readonly time: string; readonly dateTime: string }
}

/** Outcomes that do not follow from what somebody wanted, the first that the outcome set has. */
export interface Codes {
  readonly ended: Readonly<Record<Exclude<Ended, 'done'>, readonly string[]>>
  readonly placeReached: string
  /** What comes of calls that were dialled by hand and answered. */
  readonly byHand: readonly { readonly weight: number; readonly item: string }[]
  readonly otherwise: readonly string[]
}

export interface Abroad {
  readonly prefix: string
  readonly timeZone: string
  /** Where it is night when the centre opens. */
  readonly isOverseas: boolean
}

export const placeAt = ({ places }: Stage, number: string | null): Place | undefined => places.find((p) => p.number === number)

export const businessOf = ({ business, otherBusiness }: Stage, of: BusinessId | null): Business => (of === null ? undefined : business.get(of)) ?? otherBusiness

export const abroadOf = ({ abroad }: Stage, number: string | null): Abroad | undefined => abroad.find(({ prefix }) => number?.startsWith(prefix))
