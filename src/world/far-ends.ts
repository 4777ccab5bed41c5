// Everybody at the other end who is not the caller: places that are dialled, a menu that listens for digits, mailboxes, and
// colleagues who are asked something. What they hear is what the floor says they hear.
import { type Connection, connectionOf, type Party, whoHearsWhom } from '@/core/calls'
import type { Chance } from '@/core/chance'
import type { Command } from '@/core/floor'
import { type AgentId, type CallId, type DeviceId, deviceOfAgent, deviceOutside } from '@/core/ids'
import { agentName } from '@/core/set-up'
import type { FloorState } from '@/core/state'
import { agentOfDevice } from '@/core/state'
import { get } from '@/core/table'
import { SECOND } from '@/core/time'
import { detectDigits } from '@/core/tones'
import { NOT_ON_THE_MENU, placeByNumber } from '@/world/scenario'
import type { Act } from './act'

export const COLLEAGUE_LINES = ['Yes, what have you got?', 'Go on, I am listening.', 'Is it about the late boat?', 'I have a minute. What is it?']
export const STRANGER_LINES = ['Hello?', 'Yes, who is it?', 'Good day.']
export const MESSAGE = 'It is about my crossing. Please call me back. Thank you.'
/** A mailbox greets, the caller leaves a message and goes. */
const MESSAGE_AFTER_MS = 5 * SECOND
const MESSAGE_LASTS_MS = 7 * SECOND
/** Whoever was dialled in besides the caller stays this long. */
const STAYS_MS = 240 * SECOND

interface Options {
  readonly note: (atMs: number, act: Act) => void
  readonly plays: ReadonlySet<AgentId>
  readonly chanceOf: (callId: CallId) => Chance
}

export interface FarEnds {
  answered(callId: CallId, deviceId: DeviceId, state: FloorState, atMs: number): void
  hear(callId: CallId, agentId: AgentId | null, samples: Float32Array, state: FloorState, atMs: number): void
  respond(act: Extract<Act, { kind: 'heardDigits' }>, state: FloorState, atMs: number): readonly Command[]
}

export const isHeld = (state: FloorState, callId: CallId): boolean => get(state.calls, callId)?.connections.some((c) => c.state === 'held') ?? false

export const isOutside = ({ party }: Connection): boolean => party.kind === 'outside'

export function createFarEnds({ note, plays, chanceOf }: Options): FarEnds {
  const remark = (callId: CallId, deviceId: DeviceId, text: string, atMs: number) => note(atMs, { kind: 'remark', callId, deviceId, text })

  return {
    answered(callId, deviceId, state, atMs) {
      const call = get(state.calls, callId)
      const party = call && connectionOf(call, deviceId)?.party
      if (call === undefined || party === undefined) return
      const isCaller = deviceId === deviceOutside(callId, 1) && call.consultFor === null
      if (party.kind === 'voicemail') {
        remark(callId, deviceId, `This is the voicemail of ${agentName(state.setUp, party.agentId)}. Please speak after the tone.`, atMs + 600)
        const caller = call.connections.find(isOutside)?.deviceId
        if (caller !== undefined) remark(callId, caller, MESSAGE, atMs + MESSAGE_AFTER_MS)
        note(atMs + MESSAGE_AFTER_MS + MESSAGE_LASTS_MS, caller === undefined ? { kind: 'leave', callId } : { kind: 'leave', callId, deviceId: caller })
        return
      }
      if (party.kind === 'outside' && !isCaller) {
        remark(callId, deviceId, greeting(party, chanceOf(callId)), atMs + 900)
        note(atMs + STAYS_MS, { kind: 'leave', callId, deviceId })
        return
      }
      // The caller of a call dialled to a place greets as that place does.
      const place = party.kind === 'outside' ? placeByNumber(party.number) : undefined
      if (place !== undefined) remark(callId, deviceId, place.greeting, atMs + 700)
      const agentId = agentOfDevice(deviceId)
      if (agentId !== null && plays.has(agentId) && (call.consultFor !== null || get(state.work, callId)?.handledBy !== agentId))
        remark(callId, deviceId, chanceOf(callId).pick(COLLEAGUE_LINES), atMs + 1_000)
    },

    hear(callId, agentId, samples, state, atMs) {
      const call = get(state.calls, callId)
      if (call === undefined || agentId === null) return
      const digits = detectDigits(samples)
      if (digits === '') return
      // A keypad is heard even when the microphone is muted; not on a line that is held or being cut off.
      const ears = whoHearsWhom(call, () => false)
      for (const { listener, speaker, hears } of ears)
        if (speaker === deviceOfAgent(agentId) && hears === 'voice' && !listener.startsWith('dev_agent_'))
          note(atMs, { kind: 'heardDigits', callId, deviceId: listener, digits })
    },

    respond({ callId, deviceId, digits }, state, atMs) {
      const call = get(state.calls, callId)
      const party = call && connectionOf(call, deviceId)?.party
      const menu = party?.kind === 'outside' ? placeByNumber(party.number)?.menu : null
      if (menu != null) remark(callId, deviceId, menu[digits.at(-1) ?? ''] ?? NOT_ON_THE_MENU, atMs + 500)
      return [{ kind: 'digitsHeard', callId, deviceId, digits }]
    },
  }
}

const greeting = (party: Party, chance: Chance): string =>
  party.kind === 'outside' ? (placeByNumber(party.number)?.greeting ?? chance.pick(STRANGER_LINES)) : ''
