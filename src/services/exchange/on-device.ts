// A handset that is lifted or put down, and a phone of one’s own that dials, keys and hangs up.
import { get } from '@/core/table'
import type { Floor } from './answering'
import type { TabMessage } from './protocol'
import type { Tab } from './tab'

/** What an agent does on the device itself, and on no other. Gives what the device says. */
export function onDevice(
  floor: Floor,
  tab: Tab,
  message: Extract<TabMessage, { kind: 'handset' | 'phoneDials' | 'phoneKeys' | 'phoneHangsUp' }>,
): string | null {
  const { devices } = floor
  if (tab.device === null || (tab.device.is === 'handset') !== (message.kind === 'handset')) return null
  const { agentId } = tab.device
  // The desk it stands on was signed out of.
  if (tab.device.is === 'handset' && tab.accountId !== agentId) return null
  switch (message.kind) {
    case 'phoneDials':
      return devices.phoneDials(agentId, tab, message.typed)
    case 'phoneKeys':
      return devices.phoneKeys(agentId, tab, message.samples)
    case 'phoneHangsUp':
      devices.phoneHangsUp(agentId, tab)
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
