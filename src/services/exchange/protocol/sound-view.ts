// What is shown of devices: of the agent’s at the desk, and in a device’s own window.
import type { AgentId } from '@/core/ids'

export type HandsetState = 'absent' | 'idle' | 'ringing' | 'lifted'

export interface PhoneView {
  readonly code: string
  readonly expiresAtMs: number
  /** `asked`: it has dialled, and the code is awaited. */
  readonly state: 'waiting' | 'asked' | 'wrongCode' | 'tooManyTries' | 'expired' | 'connected' | 'hungUp'
}

/** The devices of the agent whose sound this desk has or prepares. */
export interface SoundView {
  readonly agentId: AgentId
  /** The number a phone of one's own dials, as people write it. */
  readonly line: string
  readonly handset: HandsetState
  readonly phone: PhoneView | null
}

/** What a device's window shows. */
export interface DeviceView {
  readonly is: 'handset' | 'ownPhone'
  readonly agentId: AgentId
  readonly agentName: string
  readonly state: 'idle' | 'ringing' | 'talking'
  /** Who rings or talks there; null for a check. */
  readonly with: string | null
}
