// Callers: how long they wait, what they say and when, what they bear, and whether they call again.
import { onLine } from '@/core/calls'
import type { AgentId, CallId, QueueId } from '@/core/ids'
import { pageOf } from '@/core/scripts'
import { scriptVersion } from '@/core/set-up'
import { agentOfDevice, type FloorState } from '@/core/state'
import { get } from '@/core/table'
import { HOUR, MINUTE, SECOND } from '@/core/time'
import type { Work } from '@/core/work'
import { isMachineOn } from './attempts'
import { lineOf, turnsOf } from './conversation'
import { isHeld, isOutside } from './far-ends'
import { type Acts, chanceIn, personaIn, personaOfWork, type Scene, type Sees } from './scene'

/** Who gave up tries again soon; who was served, seldom and later. */
const AGAIN_AFTER_GIVING_UP = 0.35
const AGAIN_AFTER_ALL = 0.03
const KEEPS_PLACE_OFTEN = 0.3
const LEAVES_MESSAGE_OFTEN = 0.1

const isPlayed = ({ memory }: Scene, agentId: AgentId | null): boolean => agentId !== null && memory.plays.has(agentId)

export const CALLERS: Acts<'keepPlace' | 'leaveMessage' | 'giveUp' | 'fedUp' | 'breakOff' | 'say' | 'leave'> = {
  keepPlace: (_, { callId }) => [{ kind: 'keepPlace', callId }],
  leaveMessage: (_, { callId }) => [{ kind: 'leaveMessage', callId }],
  giveUp(scene, { callId }, floor, atMs) {
    if (!waitsForSomebody(floor, callId)) return []
    const work = get(floor.work, callId)
    const chance = chanceIn(scene, callId, 'again')
    if (work?.number != null && work.queueId !== null && !scene.memory.wishOf.has(callId) && chance.next() < AGAIN_AFTER_GIVING_UP)
      callsAgain(scene, work.queueId, work.number, atMs + MINUTE + chance.exponential(8 * MINUTE))
    return [{ kind: 'callerHangsUp', callId }]
  },
  fedUp({ stage }, { callId, heldSinceMs }, floor) {
    const stillHeld = get(floor.calls, callId)?.connections.some((c) => c.state === 'held' && c.sinceMs === heldSinceMs)
    if (!stillHeld) return []
    return [
      { kind: 'callerSays', callId, turn: get(floor.work, callId)?.captions.length ?? 0, text: stage.words.fedUp },
      { kind: 'callerHangsUp', callId },
    ]
  },
  breakOff({ memory }, { callId }, floor) {
    const work = get(floor.work, callId)
    if (work === undefined || work.endedAtMs !== null) return []
    memory.endOf.set(callId, 'brokenOff')
    return [{ kind: 'callerHangsUp', callId }]
  },
  say(scene, act, floor, atMs) {
    const { callId, turn } = act
    const work = get(floor.work, callId)
    if (work === undefined || work.captions.length !== turn || work.endedAtMs !== null) return []
    // Nobody speaks into hold music: wait until somebody listens.
    if (isHeld(floor, callId)) {
      scene.note(atMs + 2 * SECOND, act)
      return []
    }
    return [{ kind: 'callerSays', callId, turn, text: lineOf(scene.stage, scene.memory.seed, work, personaOfWork(scene, work).intent, turn) }]
  },
  leave: (_, { callId, deviceId }) => [{ kind: 'callerHangsUp', callId, ...(deviceId === undefined ? {} : { deviceId }) }],
}

export const CALLERS_SEE: Sees = {
  callQueued(scene, { callId, queueId }, _, atMs) {
    const { memory, note } = scene
    const { wished } = memory
    memory.wished = null
    if (wished !== null) memory.wishOf.set(callId, wished)
    if (wished?.keepsPlaceMs != null) note(atMs + wished.keepsPlaceMs, { kind: 'keepPlace', callId })
    waits(scene, callId, queueId, atMs)
  },
  callTurnedAway({ memory }) {
    memory.wished = null
  },
  // Handed on to another queue, they wait anew, with new patience.
  connectionQueued: (scene, { callId, queueId }, _, atMs) => waits(scene, callId, queueId, atMs),
  /** Some would rather be called back than wait for long, or say what it is about and go. */
  callerTold(scene, { callId, expectedWaitMs }, _, atMs) {
    if (expectedWaitMs === null || expectedWaitMs < 2 * MINUTE || scene.memory.wishOf.has(callId)) return
    const chance = chanceIn(scene, callId, 'keep place')
    if (chance.next() < KEEPS_PLACE_OFTEN) scene.note(atMs + 8 * SECOND + chance.next() * 20 * SECOND, { kind: 'keepPlace', callId })
    else if (chance.next() < LEAVES_MESSAGE_OFTEN) scene.note(atMs + 12 * SECOND + chance.next() * 20 * SECOND, { kind: 'leaveMessage', callId })
  },
  connectionHeld(scene, { callId, deviceId }, _, atMs) {
    const byAgentId = agentOfDevice(deviceId)
    if (byAgentId !== null && !isPlayed(scene, byAgentId))
      scene.note(atMs + personaIn(scene, callId, null).holdPatienceMs, { kind: 'fedUp', callId, heldSinceMs: atMs })
  },
  connectionEstablished(scene, { callId, deviceId }, floor, atMs) {
    const work = get(floor.work, callId)
    const agentId = agentOfDevice(deviceId)
    if (work?.handledBy == null || isPlayed(scene, agentId)) return
    // Whoever left a message is not on the line before they are called back.
    if (agentId !== null && work.messageId !== null) return
    if (agentId === null && work.direction !== 'inbound' && isPlayed(scene, work.handledBy)) return
    talks(scene, work, agentId, atMs)
  },
  /** Somebody the dialer has reached says good day, or a machine speaks. */
  callPutThrough(scene, { callId, agentId }, floor, atMs) {
    const work = get(floor.work, callId)
    if (work === undefined || isPlayed(scene, agentId) || isMachineOn(scene, floor, callId)) return
    talks(scene, work, agentId, atMs)
  },
  scriptPageShown: (scene, { callId }, floor, atMs) => goesOn(scene, callId, false, floor, atMs),
  captionSpoken: (scene, { callId }, floor, atMs) => goesOn(scene, callId, true, floor, atMs),
  wrapUpStarted(scene, { callId, agentId }, floor, atMs) {
    if (isPlayed(scene, agentId)) isServed(scene, callId, floor, atMs)
  },
}

function callsAgain({ memory: { pace, dayNo }, note }: Scene, queueId: QueueId, number: string, atMs: number): void {
  if (pace !== 'quiet') note(atMs, { kind: 'again', queueId, number, dayNo })
}

const waits = (scene: Scene, callId: CallId, queueId: QueueId, atMs: number) =>
  scene.note(atMs + personaIn(scene, callId, queueId).patienceMs, { kind: 'giveUp', callId })

/** Somebody at a desk, or whoever they dialled, is on the line now. */
function talks(scene: Scene, work: Work, agentId: AgentId | null, atMs: number): void {
  const { id: callId, captions } = work
  // A consulted colleague or a further party says something of their own; the caller has said good day already.
  if (agentId !== null && work.handledBy !== agentId) return
  if (agentId === null && captions.length > 0) return
  scene.note(atMs + 900, { kind: 'say', callId, turn: captions.length })
  scene.note(atMs + personaOfWork(scene, work).staysMs, { kind: 'leave', callId })
}

/** Callers go on when the agent does; left alone they go on by themselves, but say good-bye only at the end. */
function goesOn(scene: Scene, callId: CallId, spoke: boolean, floor: FloorState, atMs: number): void {
  const work = get(floor.work, callId)
  if (work?.handledBy == null || isPlayed(scene, work.handledBy)) return
  const turn = work.captions.length
  const turns = turnsOf(scene.stage, work, personaOfWork(scene, work).intent)
  if (turn >= turns) return spoke ? scene.note(atMs + 8 * SECOND, { kind: 'leave', callId }) : undefined
  const atEnd = work.run !== null && pageOf(scriptVersion(floor.setUp, work.run), work.run.pageId).ways.length === 0
  const isGoodbye = turn === turns - 1
  const inMs = spoke ? (isGoodbye && !atEnd ? 75 * SECOND : 16 * SECOND) : isGoodbye && !atEnd ? null : 1800
  if (inMs !== null) scene.note(atMs + inMs, { kind: 'say', callId, turn })
}

function isServed(scene: Scene, callId: CallId, floor: FloorState, atMs: number): void {
  const work = get(floor.work, callId)
  const chance = chanceIn(scene, callId, 'again after all')
  if (work?.number == null || work.queueId === null || work.dialled || chance.next() > AGAIN_AFTER_ALL) return
  callsAgain(scene, work.queueId, work.number, atMs + 10 * MINUTE + chance.exponential(1.5 * HOUR))
}

/** A caller with nobody to talk to: in a queue, or rung through to somebody who has not answered. */
function waitsForSomebody(floor: FloorState, callId: CallId): boolean {
  const call = get(floor.calls, callId)
  return call !== undefined && onLine(call).every(isOutside)
}
