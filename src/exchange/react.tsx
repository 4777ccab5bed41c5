'use client'
// The floor for components: one connection per tab, shared through context.
import { createContext, type ReactNode, useCallback, useContext, useEffect, useState, useSyncExternalStore } from 'react'
import type { Ask } from '@/core/floor'
import { toAgentId } from '@/core/ids'
import { type ConnectOptions, connect, type FloorClient, type Reply, type Witness } from './client'
import type { DeviceView, DoorParts, FloorView } from './protocol'
import { tabKey } from './tab-key'
import { wishedPast, wishedWorld } from './wished'

const FloorContext = createContext<FloorClient | null>(null)

export function FloorProvider({ children }: { children: ReactNode }) {
  const [floor, setFloor] = useState<FloorClient | null>(null)
  useEffect(() => {
    const opened = connect({ key: tabKey, device: deviceOfTab(), world: wishedWorld(), past: wishedPast() })
    setFloor(opened)
    return () => opened.close()
  }, [])
  return <FloorContext value={floor}>{children}</FloorContext>
}

const NO_SUBSCRIPTION = () => () => {}

function useOfFloor<T>(read: (floor: FloorClient) => T | null): T | null {
  const floor = useContext(FloorContext)
  return useSyncExternalStore(
    floor?.subscribe ?? NO_SUBSCRIPTION,
    () => (floor === null ? null : read(floor)),
    () => null,
  )
}

const readView = (floor: FloorClient): FloorView | null => floor.view()
const readDoor = (floor: FloorClient): DoorParts | null => floor.door()
const readDevice = (floor: FloorClient): DeviceView | null => floor.device()

/** The floor as whoever is signed in at this tab sees it; null until it answers, and while nobody is. */
export const useFloorView = (): FloorView | null => useOfFloor(readView)
/** What is seen without signing in; null until the floor answers. */
export const useDoor = (): DoorParts | null => useOfFloor(readDoor)
/** What the window of a device shows; null in every other tab. */
export const useDeviceView = (): DeviceView | null => useOfFloor(readDevice)

export const useFloor = (): FloorClient | null => useContext(FloorContext)

/** Gives a command and resolves with the floor's answer. */
export function useCommand(): (ask: Ask, witness?: Witness) => Promise<Reply> {
  const floor = useFloor()
  return useCallback(
    async (ask, witness) =>
      floor === null
        ? { ok: false, refusal: { reason: 'notConnected', says: 'The floor is still opening.', next: 'Try again in a moment.' } }
        : floor.command(ask, witness),
    [floor],
  )
}

/** The window of a device says whose it is in its address. */
function deviceOfTab(): ConnectOptions['device'] {
  const is = ({ '/handset': 'handset', '/phone': 'ownPhone' } as const)[location.pathname]
  const agent = new URLSearchParams(location.search).get('agent')
  return is !== undefined && agent?.startsWith('agent_') ? { is, agentId: toAgentId(agent) } : null
}
