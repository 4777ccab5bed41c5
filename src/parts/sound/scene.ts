// What one agent's ear gets, read from who hears whom on each of their calls: the mixer obeys it, and so does the recorder.
import { type Call, type Ear, type Hearing, takesPart } from '@/core/calls'
import { type AgentId, type DeviceId, deviceOfAgent } from '@/core/ids'

export interface Scene {
  /** What I hear from each other end of my calls. */
  readonly ear: Readonly<Record<DeviceId, Hearing>>
  /** Somebody hears me. */
  readonly heard: boolean
  /** The far end of what I dialled cannot be had: the tone that says so. */
  readonly failed: 'busy' | 'unobtainable' | null
  /** Heard here and by nobody else: it is no part of what is recorded. */
  readonly whispers: readonly DeviceId[]
  /** The line that is recorded now; null while none is, or while it is paused. */
  readonly recordingId: string | null
}

export const SILENCE: Scene = { ear: {}, heard: false, failed: null, whispers: [], recordingId: null }

export function sceneOf(views: readonly { readonly call: Call; readonly ears: readonly Ear[] }[], agentId: AgentId, nowMs = 0): Scene {
  const mine = deviceOfAgent(agentId)
  const ear: Record<DeviceId, Hearing> = {}
  let heard = false
  let failed: Scene['failed'] = null
  let recordingId: string | null = null
  const whispers: DeviceId[] = []
  for (const { call, ears } of views) {
    for (const { listener, speaker, hears } of ears) {
      if (listener === mine) ear[speaker] = hears
      if (speaker === mine && hears === 'voice') heard = true
    }
    for (const c of call.connections) if (c.whispersTo === mine) whispers.push(c.deviceId)
    // One desk records a call: that of the first agent who takes part in it and hears it. What is said on another line meanwhile is no part of it.
    const first = call.connections.find((c) => c.party.kind === 'agent' && c.state === 'connected' && takesPart(c))
    if (call.recording?.state === 'on' && first?.deviceId === mine) recordingId = call.recording.recordingId
    // What is said after a mailbox's tone is recorded where it is said.
    if (call.leaving !== null && nowMs >= call.leaving.toneAtMs && first?.deviceId === mine) recordingId = call.leaving.recordingId
    const alone = !call.connections.some((c) => c.deviceId !== mine && c.state === 'connected' && takesPart(c))
    const lost = call.connections.find((c) => c.state === 'failed')?.failure
    if (lost != null && alone && call.connections.some((c) => c.deviceId === mine && c.state === 'connected'))
      failed = lost === 'busy' || lost === 'refused' ? 'busy' : 'unobtainable'
  }
  return { ear, heard, failed, whispers, recordingId }
}
