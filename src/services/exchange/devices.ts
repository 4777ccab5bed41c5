// The devices an agent may speak through besides this computer: the desk handset and their own phone, each played by a
// small window of its own. A handset that is lifted answers; a phone dials the sound line and keys in the code it was given. Any window may dial that line,
// for it stands for the world outside: what it may do with an agent's phone it may do once it has keyed in the code, and no other window may.
import { readNumber } from '@/core/directory'
import type { AgentId, CallId } from '@/core/ids'
import { detectDigits } from '@/core/tones'
import type { HandsetState, PhoneView, SoundView } from './protocol'

/** A code is good for this long, and for so many tries. */
export const CODE_GOOD_FOR_MS = 120_000
export const CODE_TRIES = 3
const CODE_LENGTH = 6

export interface DevicesOptions {
  readonly now: () => number
  /** A number of six digits that nobody can guess. */
  readonly newCode: () => string
  readonly homeCountry: () => string
  /** What a phone of one's own dials, in E.164. */
  readonly soundLine: string
  /** A device that an agent may be working through is gone or there again. */
  readonly onGone: (agentId: AgentId, device: 'handset' | 'ownPhone', why: string) => void
  readonly onBack: (agentId: AgentId, device: 'handset' | 'ownPhone') => void
  /** A handset that rang because a call was to be moved to it was lifted. */
  readonly onMoved: (agentId: AgentId, callId: CallId) => void
}

export interface Devices {
  /** A handset window has opened or closed. */
  handsetOpened(agentId: AgentId): void
  handsetClosed(agentId: AgentId): void
  /** Rings it, to be checked or to take over a call; false when there is no such handset. */
  ringHandset(agentId: AgentId, callId: CallId | null): boolean
  /** Whether lifting it was about a ring of its own; otherwise the call that rings at the agent is meant. */
  lift(agentId: AgentId): boolean
  putDown(agentId: AgentId): void
  hasHandset(agentId: AgentId): boolean
  hasPhone(agentId: AgentId): boolean
  /** A new code; one that was out is void. */
  expectPhone(agentId: AgentId): void
  /** What a window hears after it has dialled. */
  phoneDials(agentId: AgentId, window: object, typed: string): string
  /** Keys as sound. What is said back, null while the code is not complete. */
  phoneKeys(agentId: AgentId, window: object, samples: Float32Array): string | null
  phoneHangsUp(agentId: AgentId, window: object): void
  /** It has keyed in the code: it is the phone. */
  isPhone(agentId: AgentId, window: object): boolean
  view(agentId: AgentId): SoundView
}

interface Handset {
  windows: number
  state: Exclude<HandsetState, 'absent'>
  movesCallId: CallId | null
}

interface Phone {
  code: string
  expiresAtMs: number
  state: PhoneView['state']
  tries: number
  /** Windows that have dialled, with what each has keyed so far. */
  readonly onLine: Map<object, string>
  /** The one that keyed in the code. */
  joined: object | null
}

export function createDevices({ now, newCode, homeCountry, soundLine, onGone, onBack, onMoved }: DevicesOptions): Devices {
  const line = readNumber(soundLine, homeCountry())
  const lineShown = line.ok ? line.number.international : soundLine
  const handsets = new Map<AgentId, Handset>()
  const phones = new Map<AgentId, Phone>()

  return {
    handsetOpened(agentId) {
      const handset = handsets.get(agentId)
      if (handset === undefined) handsets.set(agentId, { windows: 1, state: 'idle', movesCallId: null })
      else handset.windows++
      onBack(agentId, 'handset')
    },
    handsetClosed(agentId) {
      const handset = handsets.get(agentId)
      if (handset === undefined || --handset.windows > 0) return
      handsets.delete(agentId)
      onGone(agentId, 'handset', 'The desk handset cannot be reached any more.')
    },
    ringHandset(agentId, callId) {
      const handset = handsets.get(agentId)
      if (handset === undefined) return false
      handset.state = 'ringing'
      handset.movesCallId = callId
      return true
    },
    lift(agentId) {
      const handset = handsets.get(agentId)
      if (handset?.state !== 'ringing') return false
      handset.state = 'lifted'
      if (handset.movesCallId !== null) onMoved(agentId, handset.movesCallId)
      handset.movesCallId = null
      return true
    },
    putDown(agentId) {
      const handset = handsets.get(agentId)
      if (handset !== undefined) handset.state = 'idle'
    },
    hasHandset: (agentId) => handsets.has(agentId),
    hasPhone: (agentId) => phones.get(agentId)?.state === 'connected',
    isPhone: (agentId, window) => phones.get(agentId)?.joined === window,
    expectPhone(agentId) {
      phones.set(agentId, { code: newCode(), expiresAtMs: now() + CODE_GOOD_FOR_MS, state: 'waiting', tries: 0, onLine: new Map(), joined: null })
    },
    phoneDials(agentId, window, typed) {
      const phone = phones.get(agentId)
      const reading = readNumber(typed, homeCountry())
      if (!reading.ok || reading.number.e164 !== soundLine) return 'This number is not in use.'
      if (phone === undefined || (phone.joined !== null && phone.joined !== window)) return 'Nobody is expected on this line. Ask your desk for a code first.'
      phone.onLine.set(window, '')
      if (phone.joined === null) phone.state = 'asked'
      return 'Sound line. Please key in your code.'
    },
    phoneKeys(agentId, window, samples) {
      const phone = phones.get(agentId)
      const before = phone?.onLine.get(window)
      if (phone === undefined || before === undefined || (phone.state !== 'asked' && phone.state !== 'wrongCode')) return null
      const keyed = before + detectDigits(samples)
      phone.onLine.set(window, keyed.length < CODE_LENGTH ? keyed : '')
      if (keyed.length < CODE_LENGTH) return null
      if (now() >= phone.expiresAtMs) {
        phone.state = 'expired'
        return 'This code has expired. Ask your desk for a new one.'
      }
      if (keyed !== phone.code) {
        phone.state = ++phone.tries >= CODE_TRIES ? 'tooManyTries' : 'wrongCode'
        return phone.state === 'wrongCode' ? 'This code is wrong. Please key it in again.' : 'This code was wrong three times. Ask your desk for a new one.'
      }
      phone.state = 'connected'
      phone.joined = window
      onBack(agentId, 'ownPhone')
      return 'Thank you. Your desk speaks through this phone now.'
    },
    phoneHangsUp(agentId, window) {
      const phone = phones.get(agentId)
      if (phone === undefined || !phone.onLine.delete(window)) return
      if (phone.joined === window) {
        phone.joined = null
        phone.state = 'hungUp'
        onGone(agentId, 'ownPhone', 'Your phone has hung up.')
      } else if (phone.onLine.size === 0 && (phone.state === 'asked' || phone.state === 'wrongCode')) phone.state = 'waiting'
    },
    view(agentId) {
      const phone = phones.get(agentId)
      return {
        agentId,
        line: lineShown,
        handset: handsets.get(agentId)?.state ?? 'absent',
        phone: phone === undefined ? null : { code: phone.code, expiresAtMs: phone.expiresAtMs, state: phone.state },
      }
    },
  }
}
