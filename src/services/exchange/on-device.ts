// A handset that is lifted or put down, and a phone of one’s own that dials, keys and hangs up.
import type { AgentId } from '@/core/ids'
import { get } from '@/core/table'
import type { Floor } from './answering'
import type { TabMessage } from './protocol'

/** What an agent does on the device itself. Gives what the device says. */
export function onDevice(
  floor: Floor,
  agentId: AgentId,
  message: Extract<TabMessage, { kind: 'handset' | 'phoneDials' | 'phoneKeys' | 'phoneHangsUp' }>,
): string | null {
  const { devices } = floor
  switch (message.kind) {
    case 'phoneDials':
      return devices.phoneDials(agentId, message.typed)
    case 'phoneKeys':
      return devices.phoneKeys(agentId, message.samples)
    case 'phoneHangsUp':
      devices.phoneHangsUp(agentId)
      return null
    case 'handset': {
      const engagements = get(floor.state().agents, agentId)?.engagements ?? []
      if (message.act === 'lift') {
        const rings = engagements.find((e) => e.state === 'alerting')
        if (!devices.lift(agentId) && rings !== undefined) floor.give({ kind: 'answer', agentId, callId: rings.callId })
        return null
      }
      devices.putDown(agentId)
      const talks = engagements.find((e) => e.state === 'connected' || e.state === 'initiated')
      if (talks !== undefined) floor.give({ kind: 'hangUp', agentId, callId: talks.callId })
      return null
    }
  }
}
