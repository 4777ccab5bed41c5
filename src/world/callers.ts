// Callers: how long they wait, what they say and when, what they bear, and whether they call again.
import { onLine } from '@/core/calls'
import type { Command } from '@/core/floor'
import type { AgentId, CallId, QueueId } from '@/core/ids'
import { pageOf } from '@/core/scripts'
import { scriptVersion } from '@/core/set-up'
import type { FloorState } from '@/core/state'
import { get } from '@/core/table'
import { HOUR, MINUTE, SECOND } from '@/core/time'
import type { Work } from '@/core/work'
import type { Act } from './act'
import { chanceOfCall } from './chance-of-call'
import type { Ended } from './codes'
import { FED_UP, lineOf, turnsOf } from './conversation'
import { isHeld, isOutside } from './far-ends'
import type { Persona, RingWish } from './persona'

interface Options {
  readonly seed: number
  readonly plays: ReadonlySet<AgentId>
  readonly note: (atMs: number, act: Act) => void
  readonly personaFor: (callId: CallId, queueId: QueueId | null) => Persona
  readonly wishOf: ReadonlyMap<CallId, RingWish>
  readonly endOf: Map<CallId, Ended>
  readonly callsAgain: (queueId: QueueId, number: string, atMs: number) => void
}

type CallerActs = Extract<Act, { kind: 'keepPlace' | 'giveUp' | 'fedUp' | 'breakOff' | 'say' | 'leave' }>

export interface Callers {
  waits(callId: CallId, queueId: QueueId, atMs: number): void
  told(callId: CallId, expectedWaitMs: number | null, atMs: number): void
  held(callId: CallId, byAgentId: AgentId | null, atMs: number): void
  /** Somebody at a desk, or whoever they dialled, is on the line now. */
  talks(work: Work, agentId: AgentId | null, atMs: number): void
  goOn(callId: CallId, spoke: boolean, state: FloorState, atMs: number): void
  isServed(callId: CallId, state: FloorState, atMs: number): void
  perform(act: CallerActs, state: FloorState, atMs: number): readonly Command[]
}

/** Who gave up tries again soon; who was served, seldom and later. */
const AGAIN_AFTER_GIVING_UP = 0.35
const AGAIN_AFTER_ALL = 0.03
const KEEPS_PLACE_OFTEN = 0.3

export function createCallers({ seed, plays, note, personaFor, wishOf, endOf, callsAgain }: Options): Callers {
  const isTheirs = (agentId: AgentId | null) => agentId !== null && plays.has(agentId)

  const perform: Callers['perform'] = (act, state, atMs) => {
    const { callId } = act
    const work = get(state.work, callId)
    switch (act.kind) {
      case 'keepPlace':
        return [{ kind: 'keepPlace', callId }]
      case 'giveUp': {
        if (!waitsForSomebody(state, callId)) return []
        const chance = chanceOfCall(seed, callId, 'again')
        if (work?.number != null && work.queueId !== null && !wishOf.has(callId) && chance.next() < AGAIN_AFTER_GIVING_UP)
          callsAgain(work.queueId, work.number, atMs + MINUTE + chance.exponential(8 * MINUTE))
        return [{ kind: 'callerHangsUp', callId }]
      }
      case 'fedUp': {
        const stillHeld = get(state.calls, callId)?.connections.some((c) => c.state === 'held' && c.sinceMs === act.heldSinceMs)
        return stillHeld
          ? [
              { kind: 'callerSays', callId, turn: work?.captions.length ?? 0, text: FED_UP },
              { kind: 'callerHangsUp', callId },
            ]
          : []
      }
      case 'breakOff':
        if (work === undefined || work.endedAtMs !== null) return []
        endOf.set(callId, 'brokenOff')
        return [{ kind: 'callerHangsUp', callId }]
      case 'say':
        if (work === undefined || work.captions.length !== act.turn || work.endedAtMs !== null) return []
        // Nobody speaks into hold music: wait until somebody listens.
        if (isHeld(state, callId)) {
          note(atMs + 2 * SECOND, act)
          return []
        }
        return [{ kind: 'callerSays', callId, turn: act.turn, text: lineOf(seed, work, personaFor(callId, work.queueId).intent, act.turn) }]
      case 'leave':
        return [{ kind: 'callerHangsUp', callId, ...(act.deviceId === undefined ? {} : { deviceId: act.deviceId }) }]
    }
  }

  return {
    waits(callId, queueId, atMs) {
      note(atMs + personaFor(callId, queueId).patienceMs, { kind: 'giveUp', callId })
    },
    /** Some would rather be called back than wait for long. */
    told(callId, expectedWaitMs, atMs) {
      if (expectedWaitMs === null || expectedWaitMs < 2 * MINUTE || wishOf.has(callId)) return
      const chance = chanceOfCall(seed, callId, 'keep place')
      if (chance.next() < KEEPS_PLACE_OFTEN) note(atMs + 8 * SECOND + chance.next() * 20 * SECOND, { kind: 'keepPlace', callId })
    },
    held(callId, byAgentId, atMs) {
      if (byAgentId !== null && !isTheirs(byAgentId)) note(atMs + personaFor(callId, null).holdPatienceMs, { kind: 'fedUp', callId, heldSinceMs: atMs })
    },
    talks(work, agentId, atMs) {
      const { id: callId } = work
      // A consulted colleague or a further party says something of their own; the caller has said good day already.
      if (agentId !== null && work.handledBy !== agentId) return
      if (agentId === null && work.captions.length > 0) return
      note(atMs + 900, { kind: 'say', callId, turn: work.captions.length })
      note(atMs + personaFor(callId, work.queueId).staysMs, { kind: 'leave', callId })
    },
    /** Callers go on when the agent does; left alone they go on by themselves, but say good-bye only at the end. */
    goOn(callId, spoke, state, atMs) {
      const work = get(state.work, callId)
      if (work?.handledBy == null || isTheirs(work.handledBy)) return
      const turn = work.captions.length
      const turns = turnsOf(work, personaFor(callId, work.queueId).intent)
      if (turn >= turns) return spoke ? note(atMs + 8 * SECOND, { kind: 'leave', callId }) : undefined
      const atEnd = work.run !== null && pageOf(scriptVersion(state.setUp, work.run), work.run.pageId).ways.length === 0
      const isGoodbye = turn === turns - 1
      const inMs = spoke ? (isGoodbye && !atEnd ? 75 * SECOND : 16 * SECOND) : isGoodbye && !atEnd ? null : 1800
      if (inMs !== null) note(atMs + inMs, { kind: 'say', callId, turn })
    },
    isServed(callId, state, atMs) {
      const work = get(state.work, callId)
      const chance = chanceOfCall(seed, callId, 'again after all')
      if (work?.number == null || work.queueId === null || work.dialled || chance.next() > AGAIN_AFTER_ALL) return
      callsAgain(work.queueId, work.number, atMs + 10 * MINUTE + chance.exponential(1.5 * HOUR))
    },
    perform,
  }
}

/** A caller with nobody to talk to: in a queue, or rung through to somebody who has not answered. */
function waitsForSomebody(state: FloorState, callId: CallId): boolean {
  const call = get(state.calls, callId)
  return call !== undefined && onLine(call).every(isOutside)
}
