// Colleagues played by the stand-ins: when they come and go, how they answer, read the script, hold, ask, code their calls, take breaks and keep
// promises. They use the same commands as anyone at a desk.
import type { Agent } from '@/core/agents'
import { type Chance, createChance, seedFor } from '@/core/chance'
import { circleKey, partnerIn } from '@/core/circles'
import { pairKey } from '@/core/colleagues'
import type { AgentCommand } from '@/core/floor'
import type { AgentId, CallId } from '@/core/ids'
import { agentOfDevice, type FloorState } from '@/core/state'
import { get, values } from '@/core/table'
import { MINUTE, SECOND } from '@/core/time'
import type { ColleagueAct } from './act'
import { ask, askedEnough } from './asks'
import { isMachineOn } from './attempts'
import { awayMs, breakNote, dueBreak } from './breaks'
import { codeCall } from './codes'
import type { Ended } from './ended'
import { isHeld } from './far-ends'
import { mindCallback, mindOpen, mindTask } from './promises'
import { readOn } from './reads'
import { hurries } from './rota'
import { type Acts, chanceIn, personaOfWork, type Scene, type Sees } from './scene'
import { answerDelayMs, planTalk, wrapUpMs } from './talk'

const RINGS_UP_OFTEN = 0.02
const TALKS_WITH_COLLEAGUES_MS = 3 * MINUTE
const THINKS_MS = 4 * SECOND

/** `chance` is that of their shift. */
export function beginShift({ memory }: Scene, agentId: AgentId, atMs: number, chance: Chance): void {
  memory.lastBreakMs.set(agentId, atMs - chance.next() * 90 * MINUTE)
}

/** What is promised or owed when the world begins. */
export function mindPromises(scene: Scene, floor: FloorState, atMs: number): void {
  for (const { id, shift, owed } of values(floor.agents)) if (scene.memory.plays.has(id) && shift !== null) mindOwed(scene, id, owed, atMs)
  mindOpen(scene, floor, atMs)
}

/** What was left uncoded the day before comes first. */
function mindOwed({ note }: Scene, agentId: AgentId, owed: readonly { readonly callId: CallId }[], atMs: number): void {
  for (const [i, { callId }] of owed.entries()) note(atMs + 20 * SECOND * (i + 1), { kind: 'code', agentId, callId })
}

export const COLLEAGUES: Acts<Exclude<ColleagueAct['kind'], 'hearMessage' | 'callMessageBack' | 'joinConference'>> = {
  note: (scene, { agentId, untilMs }, floor) => breakNote(scene, floor, agentId, untilMs),
  clockOn({ memory, stage }, { agentId }, { setUp, campaigns }) {
    const account = setUp.agents.find((a) => a.id === agentId)
    if (account === undefined || memory.pace === 'quiet') return []
    const works = !memory.worksCampaigns
      ? undefined
      : [...stage.campaigns].find(([id, { agentIds }]) => agentIds.includes(agentId) && get(campaigns, id)?.state === 'running')
    return [{ kind: 'startShift', agentId, queueIds: [...account.queueIds], campaignId: works?.[0] ?? null, seat: 'standIn' }]
  },
  clockOff: (scene, { agentId }, floor, atMs) => clockOff(scene, agentId, floor, atMs),
  goReady: (_, { agentId }) => [{ kind: 'goReady', agentId }],
  answer: (_, { agentId, callId }) => [{ kind: 'answer', agentId, callId }],
  hold: (_, { agentId, callId }) => [{ kind: 'hold', agentId, callId }],
  retrieve: (_, { agentId, callId }) => [{ kind: 'retrieve', agentId, callId }],
  finish: (_, { agentId, callId }) => [{ kind: 'hangUp', agentId, callId }],
  ask: (scene, { agentId, callId }, floor) => ask(scene, floor, agentId, callId),
  askedEnough(scene, { agentId, callId }, floor) {
    const [command, then] = askedEnough(scene, floor, agentId, callId)
    if (then === 'handedOver') hasPutThrough(scene, agentId, callId)
    return [command]
  },
  putThrough(scene, { agentId, callId, queueId }) {
    hasPutThrough(scene, agentId, callId)
    // Where the queue takes nobody, there is nothing left but good-bye.
    return [
      { kind: 'transfer', agentId, callId, target: { kind: 'queue', queueId } },
      { kind: 'hangUp', agentId, callId },
    ]
  },
  readOn(scene, { agentId, callId, step }, floor) {
    const work = get(floor.work, callId)
    return work === undefined || isHeld(floor, callId) ? [] : readOn(scene, floor.setUp, agentId, work, step)
  },
  code,
  ringColleague: (_, { agentId, toAgentId }) => [{ kind: 'callColleague', agentId, toAgentId, at: 'desk' }],
  answerQuestion(scene, { agentId, byAgentId }, floor, atMs) {
    const question = get(floor.questions, pairKey({ byAgentId, toAgentId: agentId }))
    if (question === undefined || question.answered !== null) return []
    const free = get(floor.agents, agentId)?.engagements.length === 0 && get(floor.agents, byAgentId)?.engagements.length === 0
    const roll = createChance(seedFor(scene.memory.seed, `question ${byAgentId} ${agentId} ${question.askedAtMs} ${atMs}`)).next()
    const answer = free && roll < 0.6 ? 'now' : roll < 0.85 ? 'soon' : 'no'
    return [{ kind: 'answerQuestion', agentId, byAgentId, answer }]
  },
  writeBack({ stage, memory }, { agentId, circle, no }, floor) {
    const now = get(floor.circles, circleKey(circle))
    const read = { kind: 'readCircle', agentId, circle, throughNo: no } as const
    // In a group nobody needs to say anything; to one person one answers what was said last.
    const to = partnerIn(circle, agentId)
    if (now === undefined || to === null || now.lineCount !== no) return [read]
    const chance = createChance(seedFor(memory.seed, `writes back ${circleKey(circle)} ${no}`))
    return [read, { kind: 'writeToColleagues', agentId, to: { kind: 'agent', agentId: to }, text: chance.pick(stage.words.writtenBack) }]
  },
  ringUp({ stage }, { agentId, number }, floor) {
    const [known] = stage.records.byNumber(number, floor.struck)
    return [{ kind: 'makeCall', agentId, typed: number, customer: known ?? null }]
  },
}

export const COLLEAGUES_SEE: Sees = {
  connectionDelivered({ memory, note }, { callId, party }, _, atMs) {
    if (party.kind !== 'agent' || !memory.plays.has(party.agentId) || memory.gone.has(party.agentId)) return
    const inMs = answerDelayMs(memory.seed, callId, party.agentId)
    if (inMs !== null) note(atMs + inMs, { kind: 'answer', agentId: party.agentId, callId })
  },
  connectionEstablished(scene, { callId, deviceId }, floor, atMs) {
    const { plays } = scene.memory
    const work = get(floor.work, callId)
    const agentId = agentOfDevice(deviceId)
    const call = get(floor.calls, callId)
    // Colleagues among themselves have said what there was to say after a while.
    if (call?.workId === null && agentId !== null && plays.has(agentId)) scene.note(atMs + TALKS_WITH_COLLEAGUES_MS, { kind: 'finish', agentId, callId })
    if (work?.handledBy == null) return
    // Whoever dials talks with nobody yet.
    if (agentId !== null && plays.has(agentId) && work.direction === 'inbound') goesOnTalking(scene, callId, agentId, floor, atMs)
    if (agentId === null && work.direction === 'outbound' && plays.has(work.handledBy)) hasDialled(scene, callId, work.handledBy, atMs)
    if (agentId === null && (work.direction === 'campaign' || work.direction === 'message') && plays.has(work.handledBy))
      goesOnTalking(scene, callId, work.handledBy, floor, atMs)
  },
  callPutThrough(scene, { callId, agentId }, floor, atMs) {
    if (scene.memory.plays.has(agentId) && !isMachineOn(scene, floor, callId)) goesOnTalking(scene, callId, agentId, floor, atMs)
  },
  contactTaken(scene, { callId, agentId }, floor, atMs) {
    if (scene.memory.plays.has(agentId)) goesOnTalking(scene, callId, agentId, floor, atMs)
  },
  wrapUpStarted({ memory, note }, { callId, agentId, recommendedMs }, _, atMs) {
    if (memory.plays.has(agentId)) note(atMs + wrapUpMs(memory.seed, callId, recommendedMs), { kind: 'code', agentId, callId })
  },
  shiftStarted(scene, { agentId }, floor, atMs) {
    if (!scene.memory.plays.has(agentId)) return
    scene.note(atMs + 1500, { kind: 'goReady', agentId })
    mindOwed(scene, agentId, get(floor.agents, agentId)?.owed ?? [], atMs)
  },
  agentNotReady({ stage, memory, note }, { agentId, reason }, _, atMs) {
    if (!memory.plays.has(agentId)) return
    const inMs = awayMs(stage.habits, reason)
    if (inMs > MINUTE) note(atMs + 3 * SECOND, { kind: 'note', agentId, untilMs: atMs + inMs })
    note(atMs + inMs, { kind: 'goReady', agentId })
  },
  circleWritten({ memory, note }, { circle, no, byAgentId, there }, _, atMs) {
    if (memory.plays.has(byAgentId)) return
    for (const agentId of there)
      if (memory.plays.has(agentId)) {
        const chance = createChance(seedFor(memory.seed, `reads ${agentId} ${no} ${atMs}`))
        note(atMs + THINKS_MS + chance.next() * 15 * SECOND, { kind: 'writeBack', agentId, circle, no })
      }
  },
  questionAsked({ memory, note }, { byAgentId, toAgentId }, _, atMs) {
    if (memory.plays.has(toAgentId)) note(atMs + THINKS_MS, { kind: 'answerQuestion', agentId: toAgentId, byAgentId })
  },
  callbackAgreed: (scene, { callbackId }, floor, atMs) => mindCallback(scene, floor, callbackId, atMs),
  callbackMoved: (scene, { callbackId }, floor, atMs) => mindCallback(scene, floor, callbackId, atMs),
  callbackEscalated: (scene, { callbackId }, floor, atMs) => mindCallback(scene, floor, callbackId, atMs),
  taskFiled: (scene, { taskId }, _, atMs) => mindTask(scene, taskId, atMs),
  carriedOver: (scene, _event, floor, atMs) => mindPromises(scene, floor, atMs),
}

/** A call is theirs from now on, with whoever is on it. */
function goesOnTalking(scene: Scene, callId: CallId, agentId: AgentId, floor: FloorState, atMs: number): void {
  const work = get(floor.work, callId)
  if (work?.handledBy !== agentId) return
  const takenOver = work.takenFrom.length > 1
  for (const { inMs, act } of planTalk(scene.memory.seed, agentId, callId, personaOfWork(scene, work), takenOver)) scene.note(atMs + inMs, act)
}

const LASTS_MS: Readonly<Partial<Record<Ended, number>>> = { busy: 2 * SECOND, noAnswer: 2 * SECOND, machine: 14 * SECOND }

/** Somebody they dialled has answered, or has not. */
export function hasDialled(scene: Scene, callId: CallId, agentId: AgentId, atMs: number): void {
  const chance = chanceIn(scene, callId, 'dialled')
  const ended = scene.memory.endOf.get(callId)
  const inMs = (ended === undefined ? undefined : LASTS_MS[ended]) ?? Math.min(8 * MINUTE, chance.logNormal(80 * SECOND, 0.6))
  scene.note(atMs + inMs, { kind: 'finish', agentId, callId })
}

function hasPutThrough({ memory: { putThrough } }: Scene, agentId: AgentId, callId: CallId): void {
  putThrough.set(callId, new Set([...(putThrough.get(callId) ?? []), agentId]))
}

function clockOff({ stage, memory, note }: Scene, agentId: AgentId, floor: FloorState, atMs: number): readonly AgentCommand[] {
  const { day, pace, seed, gone } = memory
  const agent = get(floor.agents, agentId)
  const mayGo = day.kind === 'calendar' || pace === 'quiet'
  if (agent?.shift == null || !mayGo) return []
  const isInAHurry = day.kind === 'calendar' && hurries(stage.habits, seed, day.day, agentId)
  const hasNothingInHand = agent.engagements.length + agent.threads.length === 0
  const uncoded = agent.wrapUps.length + agent.owed.length
  // One call is left at most: whoever left more could not go ready the next morning before they have coded some.
  if (isInAHurry && hasNothingInHand && agent.wrapUps.length === 1 && uncoded === 1) {
    gone.add(agentId)
    return []
  }
  const isFree = hasNothingInHand && uncoded === 0
  if (isFree && (!isInAHurry || agent.state.name !== 'ready')) return [{ kind: 'endShift', agentId }]
  note(atMs + 10 * SECOND, { kind: 'clockOff', agentId })
  return []
}

function code(
  scene: Scene,
  { agentId, callId }: { readonly agentId: AgentId; readonly callId: CallId },
  floor: FloorState,
  atMs: number,
): readonly AgentCommand[] {
  const { stage, memory, note } = scene
  const work = get(floor.work, callId)
  if (work === undefined) return []
  const ended = memory.putThrough.get(callId)?.has(agentId) ? 'putThrough' : (memory.endOf.get(callId) ?? 'done')
  // Whoever has something else in hand goes after that.
  const breakReason = hasMore(get(floor.agents, agentId), callId) ? null : dueBreak(scene, agentId, atMs)
  const number = whomToRing(scene, floor, agentId, callId, work.number)
  if (breakReason === null && number !== null) note(atMs + 3 * SECOND, { kind: 'ringUp', agentId, number })
  const reason = breakReason ?? (number === null ? null : stage.habits.afterCall)
  const andThen = reason === null ? ({ state: 'ready' } as const) : ({ state: 'notReady', reason } as const)
  return [codeCall(scene, floor.setUp, { agentId, work, ended, atMs, andThen })]
}

const hasMore = (agent: Agent | undefined, besides: CallId): boolean =>
  agent !== undefined && (agent.engagements.length > 0 || agent.threads.length > 0 || agent.wrapUps.some((w) => w.callId !== besides))

/** Now and then there is something to ask a place or to tell somebody, by telephone. */
function whomToRing(scene: Scene, { setUp }: FloorState, agentId: AgentId, callId: CallId, number: string | null): string | null {
  const { stage, memory } = scene
  const chance = chanceIn(scene, callId, `ring up ${agentId}`)
  const maySitOut = setUp.notReadyReasons.some((r) => r.name === stage.habits.afterCall)
  if (memory.pace === 'quiet' || chance.next() > RINGS_UP_OFTEN || !maySitOut) return null
  return number !== null && chance.next() < 0.6 ? number : chance.pick(stage.places).number
}
