// Who hears whom: a function of the call's connections and of who is muted, and of nothing else. The board draws
// it, its preview draws the one after a command, and the mixer obeys it.
import type { AgentId, DeviceId } from '@/core/ids'
import type { Call } from './call'
import type { Connection } from './connection'

/** What one party's ear gets from one other party. */
export type Hearing = 'voice' | 'silence' | 'music' | 'ringing'

export interface Ear {
  readonly listener: DeviceId
  readonly speaker: DeviceId
  readonly hears: Hearing
}

/**
 * Every ordered pair of different people on the call. A party who holds the call hears nothing of it and is not
 * heard; whoever is left with nobody to talk to hears music; a caller in a queue hears music; whoever waits for
 * an alerting end hears ringing. Mute silences the muted agent's voice and leaves their ear alone.
 */
export function whoHearsWhom(call: Call, isMuted: (agentId: AgentId) => boolean): readonly Ear[] {
  const ears: Ear[] = []
  for (const listener of call.connections) {
    if (listener.party.kind === 'queue') continue
    const alone = !call.connections.some((c) => c !== listener && c.state === 'connected' && c.party.kind !== 'queue')
    for (const speaker of call.connections)
      if (speaker !== listener) ears.push({ listener: listener.deviceId, speaker: speaker.deviceId, hears: hearing(listener, speaker, alone, isMuted) })
  }
  return ears
}

function hearing(listener: Connection, speaker: Connection, alone: boolean, isMuted: (agentId: AgentId) => boolean): Hearing {
  if (listener.state !== 'connected') return 'silence'
  switch (speaker.state) {
    case 'connected':
      return speaker.party.kind === 'agent' && isMuted(speaker.party.agentId) ? 'silence' : 'voice'
    case 'alerting':
      // A queued caller keeps the music while an agent's phone rings; ringing is for who dialled.
      return listener.party.kind === 'agent' ? 'ringing' : 'silence'
    case 'queued':
      return 'music'
    case 'held':
      return alone ? 'music' : 'silence'
    case 'initiated':
    case 'failed':
      return 'silence'
  }
}
