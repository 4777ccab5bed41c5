// What a pacer is shown of a campaign on a floor: its agents and attempts as they are now, and as events what has become of them.
import type { Agent } from '@/core/agents'
import type { CallId, CampaignId } from '@/core/ids'
import type { LedgerEntry } from '@/core/ledger'
import { createPacingLog, type Observation, type Pacer, type PacingEvent, type PacingLog, type Since } from '@/core/pacing'
import { linesInUse } from '@/core/rules/campaign'
import type { CampaignSetUp } from '@/core/set-up'
import type { FloorState } from '@/core/state'
import { get } from '@/core/table'

type Phase = 'idle' | 'talk' | 'wrap' | 'break'

interface Seen {
  phase: Phase
  sinceMs: number
}

interface Known {
  readonly madeAtMs: number
  answeredAtMs: number | null
  isLive: boolean
}

export interface CampaignWatch {
  /** What happened to attempts; entries of other campaigns are passed over. */
  take(entry: LedgerEntry): void
  /** As it is now; what agents have done since it was last asked is told before. */
  observe(state: FloorState, atMs: number): Observation
}

/** `pacer` hears of everything as it happens. Times are since `startMs`. */
export function watchCampaign(campaign: CampaignSetUp, pacer: Pacer, state: FloorState, startMs: number, tickMs: number): CampaignWatch {
  const today = get(state.campaigns, campaign.id)?.days[0]
  const isToday = today !== undefined && startMs - Date.parse(today.day) < 86_400_000
  const log: PacingLog = createPacingLog(isToday ? { liveAnswers: today.live, abandons: today.abandoned } : undefined)
  const attempts = new Map<string, Known>()
  const agents = new Map<string, Seen>()
  for (const a of state.attempts.values())
    if (a.campaignId === campaign.id && a.callId === null)
      attempts.set(a.id, { madeAtMs: a.madeAtMs, answeredAtMs: a.answeredAtMs, isLive: a.liveAtMs !== null })

  const tell = (event: PacingEvent) => {
    log.take(event)
    pacer.observe?.(event)
  }

  const followAgents = (floor: FloorState, atMs: number) => {
    const nowMs = atMs - startMs
    for (const agent of floor.agents.values()) {
      if (agent.shift?.campaignId !== campaign.id) continue
      const { id } = agent
      const is = phaseOf(floor, agent, campaign.id)
      const was = agents.get(id)
      agents.set(id, { phase: is, sinceMs: agent.state.sinceMs })
      if (was === undefined || was.phase === is) continue
      const lastedMs = agent.state.sinceMs - was.sinceMs
      if (was.phase === 'talk') tell({ type: 'talkEnd', nowMs, agent: id, talkMs: lastedMs, machine: false })
      if (was.phase === 'wrap' || (was.phase === 'talk' && is !== 'wrap'))
        tell({ type: 'wrapEnd', nowMs, agent: id, wrapMs: was.phase === 'wrap' ? lastedMs : 0 })
      if (is === 'break') tell({ type: 'break', nowMs, agent: id })
      else if (is === 'idle') tell({ type: was.phase === 'break' ? 'back' : 'ready', nowMs, agent: id })
    }
    for (const id of agents.keys()) if (get(floor.agents, id)?.shift?.campaignId !== campaign.id) agents.delete(id)
  }

  return {
    take({ event, atMs }) {
      const nowMs = atMs - startMs
      if (event.kind === 'attemptMade') {
        if (event.campaignId !== campaign.id || event.callId !== null) return
        attempts.set(event.attemptId, { madeAtMs: atMs, answeredAtMs: null, isLive: false })
        return tell({ type: 'launch', nowMs, call: event.attemptId })
      }
      if (!('attemptId' in event)) return
      const call = event.attemptId
      const known = attempts.get(call)
      if (known === undefined) return
      const elapsedMs = atMs - known.madeAtMs
      const sinceAnswerMs = atMs - (known.answeredAtMs ?? atMs)
      switch (event.kind) {
        case 'attemptAnswered':
          known.answeredAtMs = atMs
          return tell({ type: 'answered', nowMs, call, ringMs: elapsedMs })
        case 'attemptTakenLive':
          if (!event.isPerson) return tell({ type: 'machine', nowMs, call, elapsedMs, sinceAnswerMs })
          known.isLive = true
          return tell({ type: 'live', nowMs, call, elapsedMs, sinceAnswerMs })
        case 'attemptMessagePlayed':
          attempts.delete(call)
          return tell(event.to === 'abandoned' ? { type: 'abandon', nowMs, call } : { type: 'machine', nowMs, call, elapsedMs, sinceAnswerMs })
        case 'attemptEnded': {
          attempts.delete(call)
          if (event.agentId !== null) {
            const since = event.agentId === null ? undefined : agents.get(event.agentId)?.sinceMs
            return tell({ type: 'connect', nowMs, call, agentIdleMs: since === undefined ? 0 : atMs - since })
          }
          if (event.result === 'abandoned') return tell({ type: 'abandon', nowMs, call })
          if (known.answeredAtMs !== null) return known.isLive ? undefined : tell({ type: 'machine', nowMs, call, elapsedMs, sinceAnswerMs })
          return tell({ type: 'failed', nowMs, call, reason: event.result, elapsedMs })
        }
      }
    },
    observe(floor, atMs) {
      followAgents(floor, atMs)
      const idle: Since[] = []
      const agentsTalking: Since[] = []
      const agentsInWrapUp: Since[] = []
      const away: Since[] = []
      const ofPhase = { idle, talk: agentsTalking, wrap: agentsInWrapUp, break: away }
      for (const { phase, sinceMs } of agents.values()) ofPhase[phase].push({ elapsedMs: atMs - sinceMs })
      const ringing: Since[] = []
      const detecting: Since[] = []
      const waiting: Since[] = []
      const ofState = { dialling: ringing, ringing, detecting, waiting }
      for (const a of floor.attempts.values()) {
        if (a.campaignId !== campaign.id || a.callId !== null || a.state === 'told') continue
        const sinceMs = a.state === 'dialling' || a.state === 'ringing' ? a.madeAtMs : (a.answeredAtMs ?? a.madeAtMs)
        ofState[a.state].push({ elapsedMs: atMs - sinceMs })
      }
      const { recent, recentHour, totals } = log.summaries(atMs - startMs)
      return {
        nowMs: atMs - startMs,
        tickMs,
        abandonCap: campaign.abandonCap.share,
        linesTotal: campaign.lines,
        linesFree: Math.max(0, campaign.lines - linesInUse(floor, campaign.id)),
        agentsLoggedOn: agents.size,
        agentsIdle: idle.length,
        agentsOnBreak: away.length,
        idle,
        agentsTalking,
        agentsInWrapUp,
        ringing,
        detecting,
        waiting,
        recent,
        recentHour,
        totals,
      }
    },
  }
}

/** Who asked to leave is as good as gone, and so is whoever has a call of a queue: when they are back is not the campaign's to say. */
function phaseOf(state: FloorState, agent: Agent, campaignId: CampaignId): Phase {
  const isOurs = (callId: CallId | undefined) => {
    const campaign = callId === undefined ? null : get(state.work, callId)?.campaign
    return campaign?.campaignId === campaignId && campaign.attemptId !== null
  }
  switch (agent.state.name) {
    case 'ready':
      return agent.shift?.leaving != null ? 'break' : get(state.previews, agent.id) !== undefined ? 'talk' : 'idle'
    case 'onCall':
      return agent.engagements.some((e) => isOurs(e.callId)) ? 'talk' : 'break'
    case 'wrapUp':
      return isOurs(agent.wrapUps[0]?.callId) ? 'wrap' : 'break'
    default:
      return 'break'
  }
}

export const agentsOf = (state: FloorState, campaignId: CampaignId): number => {
  let count = 0
  for (const agent of state.agents.values()) if (agent.shift?.campaignId === campaignId) count++
  return count
}
