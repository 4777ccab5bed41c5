// An attempt from the network's request to its end (Make Predictive Call, ECMA-269, 17.1.21).
import { type Attempt, type AttemptResult, type CallingHours, createCallingHours } from '@/core/campaigns'
import { writeNumber } from '@/core/directory'
import { forbidden } from '@/core/rules/do-not-call'
import { refuse } from '@/core/rules/rule'
import { type CampaignSetUp, campaignSetUp } from '@/core/set-up'
import { type Draft, type Due, emit, type FloorState, nextAttemptId } from '@/core/state'
import { get } from '@/core/table'
import { SECOND, wholeMs } from '@/core/time'
import type { OfCampaign } from '@/core/work'
import type { Of, Ruling } from './commands'

/** Of a set-up that is in use: another one takes its place when it changes. */
const hoursOf = new WeakMap<CampaignSetUp, CallingHours>()
export function callingHours(campaign: CampaignSetUp): CallingHours {
  const known = hoursOf.get(campaign) ?? createCallingHours(campaign)
  hoursOf.set(campaign, known)
  return known
}

/** Lines of a campaign in use: attempts, and calls with people of its list. */
export function linesInUse(state: FloorState, campaignId: CampaignSetUp['id']): number {
  let count = 0
  for (const attempt of state.attempts.values()) if (attempt.campaignId === campaignId) count++
  for (const work of state.work.values()) if (work.campaign?.campaignId === campaignId && work.endedAtMs === null && isOnOwnLine(state, work.campaign)) count++
  return count
}

/** Somebody who rang back came in on a line of the queue. */
const isOnOwnLine = ({ attempts }: FloorState, { attemptId }: OfCampaign): boolean => attemptId !== null && get(attempts, attemptId) === undefined

/**
 * Asks the network for somebody of a list. Refused: campaignNotRunning, noLineFree, numberBusy, outsideHours. A number on the do-not-call list is not
 * called, and that is an event of its record.
 */
export function makeAttempt(draft: Draft, { campaignId, record }: Of<'makeAttempt'>): Ruling {
  const { state } = draft
  const campaign = running(state, campaignId)
  if (campaign === undefined) return notRunning(state, campaignId)
  if (linesInUse(state, campaignId) >= campaign.lines) return refuse({ reason: 'noLineFree', lines: campaign.lines })
  const { number, person, recordId } = record
  const refused = mayNotBeCalledNow(draft, campaign, record)
  if (refused !== null) return refused
  if (forbidden(state, number, person) !== null) return emit(draft, null, { kind: 'recordBarred', campaignId, recordId, number })
  const attemptId = nextAttemptId(state)
  return emit(draft, null, { kind: 'attemptMade', attemptId, campaignId, record, callId: null, agentId: null, ringLimitMs: campaign.ringLimitMs })
}

/** Refused: numberBusy, outsideHours. */
export function mayNotBeCalledNow(draft: Draft, campaign: CampaignSetUp, { number, zones }: Of<'makeAttempt'>['record']): Ruling {
  if (isOnCall(draft.state, number)) return refuse({ reason: 'numberBusy', number: writeNumber(number) })
  const where = zones.length === 0 ? [campaign.timeZone] : zones
  return callingHours(campaign).isAllowed(where, draft.atMs) ? null : refuse({ reason: 'outsideHours', number: writeNumber(number) })
}

function isOnCall(state: FloorState, number: string): boolean {
  for (const attempt of state.attempts.values()) if (attempt.record.number === number) return true
  for (const call of state.calls.values())
    if (call.connections.some((c) => c.party.kind === 'outside' && c.party.number === number && c.state !== 'failed')) return true
  return false
}

export const running = (state: FloorState, campaignId: CampaignSetUp['id']): CampaignSetUp | undefined =>
  get(state.campaigns, campaignId)?.state === 'running' ? state.setUp.campaigns.find((c) => c.id === campaignId && !c.retired) : undefined

export const notRunning = (state: FloorState, campaignId: CampaignSetUp['id']): Ruling =>
  refuse({ reason: 'campaignNotRunning', name: state.setUp.campaigns.find((c) => c.id === campaignId)?.name ?? campaignId })

/** What the network and the detector say of an attempt. Refused: noSuchAttempt, notInThatState. */
export function reportAttempt(draft: Draft, { attemptId, report }: Of<'reportAttempt'>): Ruling {
  const attempt = get(draft.state.attempts, attemptId)
  if (attempt === undefined || attempt.callId !== null) return refuse({ reason: 'noSuchAttempt' })
  const is = (...states: readonly Attempt['state'][]) => states.includes(attempt.state)
  const campaign = campaignSetUp(draft.state.setUp, attempt.campaignId)
  switch (report.is) {
    case 'rings':
      return is('dialling') ? emit(draft, null, { kind: 'attemptRings', attemptId }) : refuse({ reason: 'notInThatState' })
    case 'answered':
      return is('dialling', 'ringing') ? emit(draft, null, { kind: 'attemptAnswered', attemptId }) : refuse({ reason: 'notInThatState' })
    case 'live': {
      if (!is('detecting')) return refuse({ reason: 'notInThatState' })
      const dueAtMs = draft.atMs + wholeMs(Math.max(0, campaign.connectLimitMs - report.sinceGreetingMs))
      return emit(draft, null, { kind: 'attemptTakenLive', attemptId, dueAtMs, isPerson: true })
    }
    case 'machine':
      return is('detecting') ? machine(draft, attempt, campaign) : refuse({ reason: 'notInThatState' })
    case 'busy':
    case 'invalid':
      return is('dialling', 'ringing') ? over(draft, attempt, report.is) : refuse({ reason: 'notInThatState' })
    case 'refused':
      return is('dialling', 'ringing', 'detecting') ? over(draft, attempt, 'refused') : refuse({ reason: 'notInThatState' })
    case 'hungUp':
      return over(draft, attempt, HUNG_UP[attempt.told === 'machine' ? 'machine' : attempt.state])
  }
}

/** Whoever hangs up before an agent was there had been left alone, once they were known to be a person. */
const HUNG_UP: Readonly<Record<Attempt['state'] | 'machine', AttemptResult>> = {
  dialling: 'noAnswer',
  ringing: 'noAnswer',
  detecting: 'refused',
  waiting: 'abandoned',
  told: 'abandoned',
  machine: 'machine',
}

function machine(draft: Draft, attempt: Attempt, campaign: CampaignSetUp): null {
  const { id: attemptId } = attempt
  switch (campaign.machineGets) {
    case 'nothing':
      return over(draft, attempt, 'machine')
    case 'message':
      return play(draft, attempt, 'machine', campaign.machineMessage)
    case 'agent':
      return emit(draft, null, { kind: 'attemptTakenLive', attemptId, dueAtMs: draft.atMs + campaign.connectLimitMs, isPerson: false })
  }
}

/** The ring is over its limit, patience is at its end, or the words have been said. */
export function attemptDue(draft: Draft, { attemptId }: Extract<Due, { kind: 'attempt' }>): void {
  const attempt = get(draft.state.attempts, attemptId)
  if (attempt === undefined) return
  const campaign = campaignSetUp(draft.state.setUp, attempt.campaignId)
  if (attempt.state === 'waiting' && attempt.isPerson) play(draft, attempt, 'abandoned', campaign.abandonedMessage)
  else if (attempt.state === 'told') over(draft, attempt, attempt.told ?? 'abandoned')
  else over(draft, attempt, attempt.state === 'waiting' ? 'machine' : 'noAnswer')
}

const WORDS_PER_MS = 160 / 60_000

function play(draft: Draft, { id: attemptId }: Attempt, to: 'abandoned' | 'machine', says: string): null {
  const lastsMs = Math.max(2 * SECOND, Math.round(says.split(/\s+/).length / WORDS_PER_MS))
  return emit(draft, null, { kind: 'attemptMessagePlayed', attemptId, to, says, untilMs: draft.atMs + lastsMs })
}

export function over(draft: Draft, attempt: Attempt, result: AttemptResult, { callId, agentId }: Pick<Attempt, 'callId' | 'agentId'> = attempt): null {
  const { id: attemptId, campaignId, record, answeredAtMs, liveAtMs, state, sinceMs } = attempt
  // With an agent on the line from the beginning, whoever answers is there at once.
  const byFarEnd = result === 'live' && attempt.callId !== null ? draft.atMs : null
  return emit(draft, draft.entries.length === 0 ? null : draft.state.seq, {
    kind: 'attemptEnded',
    attemptId,
    campaignId,
    recordId: record.recordId,
    result,
    callId,
    agentId,
    answeredAtMs: answeredAtMs ?? byFarEnd,
    liveAtMs: liveAtMs ?? byFarEnd,
    messageAtMs: state === 'told' ? sinceMs : null,
  })
}
