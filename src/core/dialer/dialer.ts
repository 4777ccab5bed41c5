// The dialer: at every tick it asks the pacing of each campaign that runs how many people are to be called now, takes them from the lists, and asks the floor
// to call them. Pure: time comes in, people come from a source, and everything is done by commands of the floor, which checks them all.
import type { CampaignId } from '@/core/ids'
import type { LedgerEntry } from '@/core/ledger'
import { createPacer, createPreview, createProgressive, type GuardedPacer, guarded, type Observation, type PacingReasons } from '@/core/pacing'
import { type DialerCommand, promisesDue } from '@/core/rules/campaign'
import { idleOf } from '@/core/rules/shift'
import type { CampaignSetUp } from '@/core/set-up'
import type { FloorState } from '@/core/state'
import { get } from '@/core/table'
import type { RecordSource } from './source'
import { agentsOf, type CampaignWatch, watchCampaign } from './watch'

export const TICK_MS = 250

export interface DialerOptions {
  readonly seed: number
  readonly tickMs?: number
  /** A pacing failed: one attempt per idle agent takes over, and why. */
  readonly onFault?: (campaignId: CampaignId, why: string) => void
}

/** Why it goes as fast as it does. */
export interface DialerReasons extends PacingReasons {
  readonly fault: string | null
  readonly observation: Pick<Observation, 'agentsLoggedOn' | 'agentsIdle' | 'agentsOnBreak' | 'linesFree' | 'recent' | 'recentHour' | 'totals'>
}

/** What the floor made of a command; null when it was taken, otherwise why not. */
export type Give = (command: DialerCommand) => string | null

export interface Dialer {
  /** Everything that happens on the floor, in order. */
  observe(entries: readonly LedgerEntry[]): void
  /** When it has something to do next; null while no campaign runs that anybody works. */
  nextTickAtMs(state: FloorState): number | null
  tick(state: FloorState, atMs: number, source: RecordSource, give: Give): void
  /** null while the campaign is not dialled. */
  reasons(campaignId: CampaignId): DialerReasons | null
}

interface Dialling {
  readonly campaign: CampaignSetUp
  readonly pacer: GuardedPacer
  readonly watch: CampaignWatch
  last: Observation | null
}

export function createDialer({ seed, tickMs = TICK_MS, onFault = () => {} }: DialerOptions): Dialer {
  const dialled = new Map<CampaignId, Dialling>()
  let lastTickMs = -Infinity

  const diallingOf = (state: FloorState, campaign: CampaignSetUp, atMs: number): Dialling => {
    const known = dialled.get(campaign.id)
    if (known !== undefined && known.campaign === campaign) return known
    const { abandonCap, lines, ringLimitMs, connectLimitMs } = campaign
    const config = { agents: agentsOf(state, campaign.id), lines, abandonCap: abandonCap.share, tickMs, ringLimitMs, connectLimitMs, seed }
    const made = campaign.manner === 'predictive' ? createPacer(config) : campaign.manner === 'progressive' ? createProgressive() : createPreview()
    const pacer = guarded(made, (why) => onFault(campaign.id, why))
    const dialling = { campaign, pacer, watch: watchCampaign(campaign, pacer, state, atMs, tickMs), last: null }
    dialled.set(campaign.id, dialling)
    return dialling
  }

  return {
    observe(entries) {
      for (const entry of entries) for (const { watch } of dialled.values()) watch.take(entry)
    },
    nextTickAtMs: (state) => (worked(state).length === 0 ? null : Math.max(lastTickMs + tickMs, state.atMs)),
    tick(state, atMs, source, give) {
      lastTickMs = atMs
      const campaigns = worked(state)
      for (const id of dialled.keys()) if (!campaigns.some((c) => c.id === id)) dialled.delete(id)
      for (const campaign of campaigns) {
        const dialling = diallingOf(state, campaign, atMs)
        // What was promised goes first: whoever is shown it is nobody to call for.
        for (const { id: callbackId } of promisesDue(state, campaign.id, atMs)) give({ kind: 'offerPromise', callbackId })
        const observation = dialling.watch.observe(state, atMs)
        dialling.last = observation
        if (campaign.manner === 'preview') offer(state, campaign, atMs, source, give)
        else launch(campaign, dialling.pacer.decide(observation), atMs, source, give)
        if (source.isDone(campaign.id) && !isUnderWay(state, campaign.id)) give({ kind: 'listDone', campaignId: campaign.id })
      }
    },
    reasons(campaignId) {
      const dialling = dialled.get(campaignId)
      if (dialling === undefined || dialling.last === null) return null
      const { agentsLoggedOn, agentsIdle, agentsOnBreak, linesFree, recent, recentHour, totals } = dialling.last
      const reasons = dialling.pacer.reasons?.()
      return reasons === undefined
        ? null
        : { ...reasons, fault: dialling.pacer.fault(), observation: { agentsLoggedOn, agentsIdle, agentsOnBreak, linesFree, recent, recentHour, totals } }
    },
  }
}

const worked = (state: FloorState): readonly CampaignSetUp[] =>
  state.setUp.campaigns.filter((c) => get(state.campaigns, c.id)?.state === 'running' && !c.retired && agentsOf(state, c.id) > 0)

const isUnderWay = (state: FloorState, campaignId: CampaignId): boolean => {
  for (const a of state.attempts.values()) if (a.campaignId === campaignId) return true
  for (const w of state.work.values()) if (w.campaign?.campaignId === campaignId) return true
  return false
}

function launch({ id: campaignId }: CampaignSetUp, count: number, atMs: number, source: RecordSource, give: Give): void {
  for (let n = 0; n < count; ) {
    const record = source.next(campaignId, atMs)
    if (record === undefined) return
    const refused = give({ kind: 'makeAttempt', campaignId, record })
    if (refused === null) n++
    else {
      source.giveBack(campaignId, record, atMs)
      // Whoever is being talked to already, or may not be called at this hour, is passed over; anything else concerns all.
      if (refused !== 'numberBusy' && refused !== 'outsideHours') return
      n++
    }
  }
}

function offer(state: FloorState, { id: campaignId }: CampaignSetUp, atMs: number, source: RecordSource, give: Give): void {
  for (const { id: agentId, shift } of idleOf(state, campaignId)) {
    if (shift?.leaving != null) continue
    const record = source.next(campaignId, atMs)
    if (record === undefined) return
    if (give({ kind: 'offerRecord', campaignId, agentId, record }) !== null) source.giveBack(campaignId, record, atMs)
  }
}
