// What attempts of a span have come to: by campaign, agent, list, hour of the called person's day, and hour of their week. Reckoned from what records have been
// through, which is all there is to know of attempts.
import type { RecordState, Try } from '@/core/campaigns'
import type { AgentId, CampaignId, ListId } from '@/core/ids'
import { type AttemptSums, type CodeCounts, NO_ATTEMPTS, withAttempt } from '@/core/reports'
import { localTime } from '@/core/time'

export interface ReportAsked {
  readonly fromMs: number
  /** Excluded. */
  readonly toMs: number
  /** Of one campaign; null for all. */
  readonly campaignId: CampaignId | null
}

/** Codes of each campaign, and what they count as. */
export type CountsOf = Readonly<Record<string, Readonly<Record<string, CodeCounts>>>>

export interface OfHour {
  /** 1 Monday to 7 Sunday. */
  readonly day: number
  readonly hour: number
  readonly sums: AttemptSums
}

export interface OfList {
  readonly id: ListId
  readonly name: string
  readonly campaignId: CampaignId
  readonly sums: AttemptSums
  readonly loaded: number
  readonly states: Readonly<Record<RecordState, number>>
}

export interface CampaignReport {
  readonly all: AttemptSums
  readonly campaigns: readonly { readonly id: CampaignId; readonly sums: AttemptSums }[]
  readonly agents: readonly { readonly id: AgentId; readonly sums: AttemptSums }[]
  readonly lists: readonly OfList[]
  /** As the clock stood at the called person's place; hours without attempts are left out. */
  readonly hours: readonly OfHour[]
}

export interface ReportedList extends Omit<OfList, 'sums'> {
  /** What is known of whom, and in which zone they are. */
  readonly tries: Iterable<{ readonly zone: string; readonly tries: readonly Try[] }>
}

/** `only` of one agent: what was put through to them. */
export function campaignReport(
  lists: readonly ReportedList[],
  { fromMs, toMs, campaignId }: ReportAsked,
  counts: CountsOf,
  only: AgentId | null,
): CampaignReport {
  let all = NO_ATTEMPTS
  const campaigns = new Map<CampaignId, AttemptSums>()
  const agents = new Map<AgentId, AttemptSums>()
  const hours = new Map<number, AttemptSums>()
  const ofLists: OfList[] = []
  for (const { tries: people, ...list } of lists) {
    if (campaignId !== null && list.campaignId !== campaignId) continue
    const codes = counts[list.campaignId] ?? {}
    let ofList = NO_ATTEMPTS
    for (const { zone, tries } of people)
      for (const t of tries) {
        if (t.atMs < fromMs || t.atMs >= toMs || (only !== null && t.agentId !== only)) continue
        const code = t.code === null ? null : (codes[t.code] ?? null)
        const add = <K>(to: Map<K, AttemptSums>, key: K) => void to.set(key, withAttempt(to.get(key) ?? NO_ATTEMPTS, t, code))
        all = withAttempt(all, t, code)
        ofList = withAttempt(ofList, t, code)
        add(campaigns, list.campaignId)
        if (t.agentId !== null) add(agents, t.agentId)
        const { day, minute } = localTime(zone, t.atMs)
        add(hours, (day - 1) * 24 + Math.floor(minute / 60))
      }
    ofLists.push({ ...list, sums: ofList })
  }
  const byId = <Id extends string>(of: ReadonlyMap<Id, AttemptSums>) => [...of].map(([id, sums]) => ({ id, sums })).sort((a, b) => (a.id < b.id ? -1 : 1))
  return {
    all,
    campaigns: byId(campaigns),
    agents: byId(agents),
    lists: ofLists,
    hours: [...hours].sort(([a], [b]) => a - b).map(([at, sums]) => ({ day: Math.floor(at / 24) + 1, hour: at % 24, sums })),
  }
}
