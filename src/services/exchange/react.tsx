'use client'
// The floor for components: one connection per tab, shared through context.
import { createContext, type ReactNode, useCallback, useContext, useEffect, useMemo, useRef, useState } from 'react'
import { createStore, useStore } from 'zustand'
import { useShallow } from 'zustand/react/shallow'
import type { Ask } from '@/core/floor'
import { toAgentId } from '@/core/ids'
import { type ConnectOptions, connect, type FloorClient, type Reply, type Request, type Shown, type Witness } from './client'
import type { DeviceView, DoorParts, FloorView, RefusalView, SetUpInUse } from './protocol'
import { setSoundKeySource } from './recordings/key-source'
import { tabKey } from './tab-key'
import { wishedPast, wishedWorld } from './wished'

export { BUILT_AT_MS } from './built-at'

const FloorContext = createContext<FloorClient | null>(null)

export function FloorProvider({ children }: { children: ReactNode }) {
  const [floor, setFloor] = useState<FloorClient | null>(null)
  useEffect(() => {
    const opened = connect({ key: tabKey, device: deviceOfTab(), world: wishedWorld(), past: wishedPast() })
    setFloor(opened)
    setSoundKeySource(async () => {
      const reply = await opened.ask({ kind: 'soundKey' })
      return reply.ok ? reply.text : null
    })
    return () => opened.close()
  }, [])
  return <FloorContext value={floor}>{children}</FloorContext>
}

/** What stands below sees another floor than the one that runs: `shown` in its place, and nothing can be asked of it or done on it. */
export function ShownFloor({ shown, says, children }: { shown: FloorClient['shown']; says: Pick<RefusalView, 'says' | 'next'>; children: ReactNode }) {
  const client = useMemo((): FloorClient => {
    const refuse = async (): Promise<Reply> => ({ ok: false, refusal: { reason: 'onlyShown', ...says } })
    const nothing = () => () => {}
    return {
      shown,
      ask: refuse,
      command: refuse,
      signIn: refuse,
      signOut: refuse,
      setPin: refuse,
      onStored: nothing,
      onReset: nothing,
      introduce: () => false,
      close: () => {},
    }
  }, [shown, says])
  return <FloorContext value={client}>{children}</FloorContext>
}

/** Before the floor is connected: nothing is shown. */
const NOTHING = createStore<Shown>(() => ({ door: null, view: null, device: null, silent: false, notOpened: null }))

const useShown = <T,>(select: (shown: Shown) => T): T => useStore(useContext(FloorContext)?.shown ?? NOTHING, select)

/** One thing of what whoever is signed in at this tab sees; null until the floor answers, and while nobody is. Renders when that one changes. */
export const useSeen = <T,>(select: (view: FloorView) => T): T | null => useShown(({ view }) => (view === null ? null : select(view)))
/** Several things, as an object of them. */
export const useAllSeen = <T extends object>(select: (view: FloorView) => T): T | null =>
  useShown(useShallow(({ view }: Shown) => (view === null ? null : select(view))))
/** The whole of it, for pages that show most of it. */
export const useFloorView = (): FloorView | null => useShown(({ view }) => view)
/** What is seen without signing in; null until the floor answers. */
export const useDoor = (): DoorParts | null => useShown(useShallow(({ door }: Shown) => door))
/** Whether the page waits for its PIN: nothing is asked meanwhile that would wait with it. */
export const useLocked = (): boolean => useShown(({ door }) => door?.door.locked ?? false)
/** Whether the floor was asked if it is there, and has not answered. */
export const useFloorSilent = (): boolean => useShown(({ silent }) => silent)
/** Why the floor cannot be opened for now. */
export const useNotOpened = (): string | null => useShown(({ notOpened }) => notOpened)
/** What the window of a device shows; null in every other tab. */
export const useDeviceView = (): DeviceView | null => useShown(({ device }) => device)

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

/** The floor's latest answer to a request, asked for anew with every `revision` of what it is about; the former one stands until then, null before the first. */
export function useAnswer<T>(request: Request, revision: number | null): T | null {
  const floor = useFloor()
  const [answer, setAnswer] = useState<T | null>(null)
  const latest = useRef(0)
  const key = JSON.stringify(request)
  // biome-ignore lint/correctness/useExhaustiveDependencies: another revision is another answer to the same question
  useEffect(() => {
    const mine = ++latest.current
    void floor?.ask(JSON.parse(key) as Request).then((reply) => {
      if (mine === latest.current && reply.ok && reply.text !== null) setAnswer(JSON.parse(reply.text) as T)
    })
  }, [floor, key, revision])
  return answer
}

/** The window of a device says whose it is in its address. */
function deviceOfTab(): ConnectOptions['device'] {
  const is = ({ '/handset': 'handset', '/phone': 'ownPhone' } as const)[location.pathname]
  const agent = new URLSearchParams(location.search).get('agent')
  return is !== undefined && agent?.startsWith('agent_') ? { is, agentId: toAgentId(agent) } : null
}

/** The document as the floor uses it, read again whenever somebody has changed it; null until it is there. */
export function useSetUpInUse(revision: number): SetUpInUse | null {
  const floor = useFloor()
  const [setUp, setSetUp] = useState<SetUpInUse | null>(null)
  const read = useCallback(
    async (_: number) => {
      const reply = await floor?.ask({ kind: 'setUp' })
      if (reply?.ok && reply.text !== null) setSetUp(JSON.parse(reply.text) as SetUpInUse)
    },
    [floor],
  )
  useEffect(() => void read(revision), [read, revision])
  return setUp
}
