// People of calling lists: whether they answer, how long it rings, and what the machine that listens first makes of whoever picks up. A pure function of the
// day's seed and the attempt.

import type { Chance } from '@/core/chance'
import { createChance, seedFor } from '@/core/chance'
import { type AttemptId, type CallId, type CampaignId, deviceOutside } from '@/core/ids'
import { campaignSetUp } from '@/core/set-up'
import type { FloorState } from '@/core/state'
import { get } from '@/core/table'
import { localTime, SECOND, wholeMs } from '@/core/time'
import type { AttemptReportIs } from './act'
import type { PicksUp } from './picks-up'
import type { Acts, Scene, Sees } from './scene'

const MACHINE_TAKES_MS = 2.5 * SECOND
/** The detector takes so many people for machines, and lets so many machines pass. */
const DROPS = 0.04
const PASSES = 0.1
const HANGS_UP_WAITING_AFTER_MS = 4 * SECOND

export const ATTEMPTS: Acts<'attempt' | 'callRecord' | 'openCampaign'> = {
  attempt: (_, { attemptId, is, sinceGreetingMs }) => [
    { kind: 'reportAttempt', attemptId, report: is === 'live' ? { is, sinceGreetingMs: wholeMs(sinceGreetingMs ?? 0) } : { is } },
  ],
  callRecord: (_, { agentId }) => [{ kind: 'callRecord', agentId }],
  openCampaign({ stage }, { campaignId }, floor) {
    const { opensCampaigns } = stage
    return opensCampaigns !== null && get(floor.campaigns, campaignId)?.state === 'draft'
      ? [{ kind: 'startCampaign', agentId: opensCampaigns, campaignId }]
      : []
  },
}

export const ATTEMPTS_SEE: Sees = {
  attemptMade(scene, { attemptId, callId, campaignId, record, ringLimitMs }, floor, atMs) {
    // Where an agent is on the line already, it is a call like any they dial.
    if (callId !== null) return
    const { memory } = scene
    const chance = chanceOf(scene, attemptId)
    const asked = memory.nextAnswer ?? memory.listAnswers
    const is: PicksUp = asked ?? picksUp(scene, campaignId, record.number, record.zones[0] ?? floor.setUp.timeZone, chance, atMs)
    memory.nextAnswer = null
    memory.picksUp.set(attemptId, is)
    const report = (inMs: number, next: AttemptReportIs) => scene.note(atMs + inMs, { kind: 'attempt', attemptId, is: next })
    if (is === 'invalid' || is === 'busy') return report(is === 'invalid' ? 1_500 : 2_500, is)
    report(700, 'rings')
    // Whoever a trainer asked for is not waited for.
    const ringMs = asked === null ? 1_200 + chance.logNormal(9_000, 0.45) : 2_000
    if (is === 'noAnswer') return
    if (is === 'refused') return report(Math.min(ringMs, ringLimitMs - 500), 'refused')
    if (ringMs < ringLimitMs) report(ringMs, 'answered')
  },
  attemptAnswered(scene, { attemptId }, floor, atMs) {
    const attempt = get(floor.attempts, attemptId)
    if (attempt === undefined) return
    const { detector } = campaignSetUp(floor.setUp, attempt.campaignId)
    const isPerson = scene.memory.picksUp.get(attemptId) !== 'machine'
    const chance = chanceOf(scene, attemptId, 'greeting')
    const greetingMs = 700 + chance.next() * 900
    const verdictMs = 200 + chance.next() * 600
    if (!detector) return scene.note(atMs + greetingMs, { kind: 'attempt', attemptId, is: 'live', sinceGreetingMs: 0 })
    const taken = isPerson ? chance.next() >= DROPS : chance.next() < PASSES
    if (taken) scene.note(atMs + greetingMs + verdictMs, { kind: 'attempt', attemptId, is: 'live', sinceGreetingMs: isPerson ? verdictMs : 0 })
    else scene.note(atMs + (isPerson ? greetingMs + verdictMs : MACHINE_TAKES_MS), { kind: 'attempt', attemptId, is: 'machine' })
  },
  /** Nobody listens to a recorded message to its end. */
  attemptMessagePlayed(scene, { attemptId, to }, _, atMs) {
    if (to === 'abandoned')
      scene.note(atMs + HANGS_UP_WAITING_AFTER_MS + chanceOf(scene, attemptId, 'message').next() * 4_000, { kind: 'attempt', attemptId, is: 'hungUp' })
  },
  attemptEnded({ memory, stage, note }, { attemptId, callId }, floor, atMs) {
    const is = memory.picksUp.get(attemptId)
    memory.picksUp.delete(attemptId)
    if (callId === null || is !== 'machine') return
    // It was put through all the same: whoever has it hears it speak.
    memory.endOf.set(callId, 'machine')
    note(atMs + 600, { kind: 'remark', callId, deviceId: deviceOutside(callId, 1), text: stage.words.machine })
    const agentId = get(floor.work, callId)?.handledBy
    if (agentId != null && memory.plays.has(agentId)) note(atMs + 7 * SECOND, { kind: 'finish', agentId, callId })
  },
  recordOffered({ memory, note, stage }, { agentId, record }, _, atMs) {
    if (!memory.plays.has(agentId)) return
    const chance = createChance(seedFor(memory.seed, `looks ${record.recordId} ${record.tries}`))
    note(atMs + 3 * SECOND + chance.next() * stage.habits.readsRecordMs, { kind: 'callRecord', agentId })
  },
}

/** A machine that was taken for a person, as the dialer puts it through. */
export function isMachineOn({ memory }: Scene, floor: FloorState, callId: CallId): boolean {
  const attemptId = get(floor.work, callId)?.campaign?.attemptId
  return attemptId != null && memory.picksUp.get(attemptId) === 'machine'
}

/** By the hour as it is at their place: some are at work, some asleep. A number that is nobody's is never anybody's. */
function picksUp({ stage, memory }: Scene, campaignId: CampaignId, number: string, zone: string, chance: Chance, atMs: number): PicksUp {
  const answering = stage.campaigns.get(campaignId)?.answering ?? (() => 0.3)
  if (createChance(seedFor(1, `in use ${number}`)).next() < stage.habits.numbersOutOfUse) return 'invalid'
  const { day, minute } = localTime(zone, atMs)
  if (chance.next() < answering(day, Math.floor(minute / 60), memory.pace)) return 'person'
  return chance.weighted<PicksUp>([
    { weight: 52, item: 'noAnswer' },
    { weight: 36, item: 'machine' },
    { weight: 9, item: 'busy' },
    { weight: 3, item: 'refused' },
  ])
}

const chanceOf = ({ memory }: Scene, attemptId: AttemptId, purpose = 'picks up') => createChance(seedFor(memory.seed, `${purpose} ${attemptId}`))

/** What the network had under way when the floor was closed is cut short: nobody is called a second time for it. */
export function resumeAttempts(scene: Scene, floor: FloorState, atMs: number): void {
  for (const { id: attemptId, callId, state } of floor.attempts.values())
    if (callId === null && (state === 'detecting' || state === 'waiting')) scene.note(atMs + SECOND, { kind: 'attempt', attemptId, is: 'hungUp' })
}
