// Who answers when somebody of a campaign calls, by the hour at their place, and which colleagues call.
import { type CampaignId, toAgentId } from '@/core/ids'
import type { Campaigning } from '@/world'
import { ISLAND_PASS, WINTER_TIMETABLE } from './campaigns'

/** By hour from midnight: most are at home in the evening, few at work hours, nobody likes the early morning. */
const BY_HOUR = [0.3, 0.28, 0.26, 0.25, 0.25, 0.25, 0.26, 0.27, 0.24, 0.25, 0.28, 0.31, 0.34, 0.31, 0.28, 0.29, 0.33, 0.38, 0.43, 0.45, 0.42, 0.36, 0.32, 0.31]
const WEEKEND = 1.15

const answering =
  (by: number): Campaigning['answering'] =>
  (day, hour, pace) =>
    // In a storm people stay by the telephone.
    Math.min(0.9, (BY_HOUR[hour] ?? 0.3) * (day > 5 ? WEEKEND : 1) * (pace === 'storm' ? 1.1 : 1) * by)

export const CAMPAIGNING: ReadonlyMap<CampaignId, Campaigning> = new Map([
  [WINTER_TIMETABLE, { answering: answering(1.1), agentIds: [toAgentId('agent_fenella-eddystane'), toAgentId('agent_bevan-skarrow')] }],
  [
    ISLAND_PASS,
    { answering: answering(0.95), agentIds: [toAgentId('agent_torin-kellowick'), toAgentId('agent_yrsa-tidesley'), toAgentId('agent_odhran-saltergate')] },
  ],
])
