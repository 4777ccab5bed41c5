// Looking things up in a set-up. Lookups by id throw on one the set-up does not hold: ids inside the floor come from
// the same set-up, and nothing is ever taken out of it.
import type { AgentId, CampaignId, QueueId } from '@/core/ids'
import type { OutcomeSet } from '@/core/outcomes'
import type { Script } from '@/core/scripts'
import type { AgentSetUp } from './account'
import type { CampaignSetUp } from './campaign'
import type { QueueSetUp } from './queue'
import type { SetUp } from './schema'
import { chosenScriptId, type ScriptSeeker } from './script-choice'

export const queueSetUp = (setUp: SetUp, id: QueueId): QueueSetUp => found(indexOf(setUp).queues.get(id), id)
/** The queue in use that is called by a number, in E.164; null where it is nobody's here. */
export const queueWithNumber = (setUp: SetUp, number: string): QueueSetUp | null => indexOf(setUp).byNumber.get(number) ?? null
/**
 * Whose desk of the centre is dialled by this: an extension as it is set up, spaces and dashes between its digits left away, or, in E.164, the number of an account.
 * null where it is nobody's who works here now.
 */
export const accountDialled = (setUp: SetUp, dialled: string): AgentSetUp | null => indexOf(setUp).byDialled.get(extensionIn(dialled)) ?? null
/** Digits as they are held against an extension. */
export const extensionIn = (typed: string): string => typed.replace(/[\s.-]/g, '')
export const campaignSetUp = (setUp: SetUp, id: CampaignId): CampaignSetUp => found(indexOf(setUp).campaigns.get(id), id)
export const agentSetUp = (setUp: SetUp, id: AgentId): AgentSetUp => found(indexOf(setUp).agents.get(id), id)

interface Index {
  readonly queues: ReadonlyMap<QueueId, QueueSetUp>
  readonly byNumber: ReadonlyMap<string, QueueSetUp>
  readonly byDialled: ReadonlyMap<string, AgentSetUp>
  readonly campaigns: ReadonlyMap<CampaignId, CampaignSetUp>
  readonly agents: ReadonlyMap<AgentId, AgentSetUp>
}

/** A set-up never changes: another one takes its place. So what is made of it may be kept with it. */
const indexes = new WeakMap<SetUp, Index>()

function indexOf(setUp: SetUp): Index {
  const known = indexes.get(setUp)
  if (known !== undefined) return known
  const index = {
    queues: new Map(setUp.queues.map((q) => [q.id, q])),
    byNumber: new Map(setUp.queues.flatMap((q) => (q.retired || q.number === '' ? [] : [[q.number, q] as const]))),
    byDialled: dialled(setUp.agents.filter((a) => !a.retired)),
    campaigns: new Map(setUp.campaigns.map((c) => [c.id, c])),
    agents: new Map(setUp.agents.map((a) => [a.id, a])),
  }
  indexes.set(setUp, index)
  return index
}

/** A number that several show is the centre's, and nobody's in person. */
function dialled(agents: readonly AgentSetUp[]): ReadonlyMap<string, AgentSetUp> {
  const shown = new Map<string, AgentSetUp | null>()
  for (const a of agents) shown.set(a.number, shown.has(a.number) ? null : a)
  const whose = new Map<string, AgentSetUp>()
  for (const [number, a] of shown) if (number !== '' && a !== null) whose.set(number, a)
  for (const a of agents) if (a.extension !== '') whose.set(a.extension, a)
  return whose
}

export const agentName = (setUp: SetUp, id: AgentId): string => agentSetUp(setUp, id).name

/** Whether an account has the skills a queue needs, at their levels. */
export const meetsNeeds = ({ skills }: Pick<AgentSetUp, 'skills'>, { needs }: Pick<QueueSetUp, 'needs'>): boolean =>
  needs.every((n) => skills.some((s) => s.skillId === n.skillId && s.level >= n.level))

/** Whether an account takes calls of a queue at first: it is one of theirs, and they have the skills. */
export const takesCallsOf = (account: Pick<AgentSetUp, 'queueIds' | 'skills'>, queue: Pick<QueueSetUp, 'id' | 'needs'>): boolean =>
  account.queueIds.includes(queue.id) && meetsNeeds(account, queue)

/** The names of those who can change what an account may do. */
export const setUpOwners = (setUp: SetUp): readonly string[] => setUp.agents.filter((a) => !a.retired && a.may.includes('setUp')).map((a) => a.name)

/**
 * On whose business a call is: a queue's, a campaign's, or nobody's. A campaign's call that was handed on to a queue is the queue's from then on; somebody who rings
 * a campaign's number back waits in a queue, and is the campaign's.
 */
export interface Behalf {
  readonly queueId: QueueId | null
  readonly campaignId: CampaignId | null
}

/**
 * Of a call that is over, as its record says: a campaign's own call that went through a queue was handed on to it, and one that came in at the queue for those who
 * ring back was the campaign's.
 */
export function behalfOfRecord(
  campaigns: readonly Pick<CampaignSetUp, 'id' | 'ringBackQueueId'>[],
  { queueId, campaignId, direction }: Behalf & { readonly direction: string },
): Behalf {
  const campaign = campaigns.find((c) => c.id === campaignId)
  const isCampaigns = campaign !== undefined && (queueId === null || (direction === 'inbound' && queueId === campaign.ringBackQueueId))
  return { queueId, campaignId: isCampaigns ? campaign.id : null }
}

/** Whose codes, times and script hold; null for a call that is dialled by hand. */
export function rulesOfBehalf(setUp: SetUp, { queueId, campaignId }: Behalf): QueueSetUp | CampaignSetUp | null {
  if (campaignId !== null) return campaignSetUp(setUp, campaignId)
  return queueId === null ? null : queueSetUp(setUp, queueId)
}

/** The set that codes a call: its queue's or campaign's, or the one for calls dialled by hand. */
export function outcomeSetFor(setUp: SetUp, behalf: Behalf): OutcomeSet {
  const id = rulesOfBehalf(setUp, behalf)?.outcomeSetId ?? setUp.outsideOutcomeSetId
  return found(
    setUp.outcomeSets.find((s) => s.id === id),
    id,
  )
}

/** The script of a call of a queue or a campaign; one of neither has none. */
export function scriptFor(setUp: SetUp, behalf: Behalf, seeker: ScriptSeeker = { path: null, group: null }): Script | null {
  const rules = rulesOfBehalf(setUp, behalf)
  const id = rules === null ? null : 'scriptChoices' in rules ? chosenScriptId(rules, seeker) : rules.scriptId
  return id === null || setUp.archivedScriptIds.includes(id) ? null : scriptById(setUp, id)
}

/** The version that opens now: the latest one. */
export const scriptById = (setUp: SetUp, id: Script['id']): Script => found(latestOf(setUp.scripts.filter((s) => s.id === id)), id)

/** The version a run began with; the latest one where a ledger speaks of one that was never kept. */
export const scriptVersion = (setUp: SetUp, { scriptId, version }: { readonly scriptId: Script['id']; readonly version: number }): Script =>
  setUp.scripts.find((s) => s.id === scriptId && s.version === version) ?? scriptById(setUp, scriptId)

/** The latest version of every script that is not archived, by name. */
export const scriptsInUse = ({ scripts, archivedScriptIds }: Pick<SetUp, 'scripts' | 'archivedScriptIds'>): readonly Script[] =>
  [...new Set(scripts.map((s) => s.id))]
    .filter((id) => !archivedScriptIds.includes(id))
    .flatMap((id) => latestOf(scripts.filter((s) => s.id === id)) ?? [])
    .sort((a, b) => a.name.localeCompare(b.name))

const latestOf = (versions: readonly Script[]): Script | undefined =>
  versions.reduce<Script | undefined>((latest, s) => (latest === undefined || s.version > latest.version ? s : latest), undefined)

function found<T>(item: T | undefined, id: string): T {
  if (item === undefined) throw new Error(`the set-up holds no ${id}`)
  return item
}

/** A reason an agent may give; the floor keeps some for itself. */
export const isChosenReason = ({ notReadyReasons }: SetUp, reason: string): boolean => notReadyReasons.some((r) => r.name === reason && !r.givenByFloor)
