'use client'
// The floor and the archive for components: one connection per tab, shared through context.
import { createContext, type ReactNode, useCallback, useContext, useEffect, useMemo, useRef, useState, useSyncExternalStore } from 'react'
import type { Ask } from '@/core/floor'
import { toAgentId } from '@/core/ids'
import { PACES } from '@/world'
import { type ArchiveClient, type Opening, openArchive, type Progress } from './archive/client'
import { type ConnectOptions, connect, type FloorClient, type Reply, type Witness } from './client'
import type { DeviceView, DoorParts, FloorView } from './protocol'
import { tabKey } from './tab-key'

interface Connection {
  readonly floor: FloorClient
  /** Opened by whoever first asks it something: the window of a device never does. */
  readonly archive: () => ArchiveClient
}

const ConnectionContext = createContext<Connection | null>(null)
const HistoryContext = createContext<HistoryState>({ progress: null, opening: null })

export interface HistoryState {
  /** Days of demo history arrived so far; null when none are being fetched. */
  readonly progress: Progress | null
  readonly opening: Opening | null
}

export function FloorProvider({ children }: { children: ReactNode }) {
  const [connection, setConnection] = useState<Connection | null>(null)
  const [history, setHistory] = useState<HistoryState>({ progress: null, opening: null })
  useEffect(() => {
    const world = wishedWorld()
    const past = { days: wishedDays(), seed: wishedSeed() }
    const floor = connect({ key: tabKey, device: deviceOfTab(), world, past })
    let archive: ArchiveClient | null = null
    const open = () => {
      const opened = openArchive(floor, past, (progress) => setHistory((h) => ({ ...h, progress })))
      void opened.opened.then((opening) => setHistory({ progress: null, opening }))
      return opened
    }
    // Signed out, this tab keeps nothing of what happened.
    const stop = floor.subscribe(() => {
      if (floor.view() !== null || archive === null || floor.door()?.door.signedIn !== null) return
      archive.close()
      archive = null
    })
    setConnection({
      floor,
      archive: () => {
        archive ??= open()
        return archive
      },
    })
    return () => {
      stop()
      archive?.close()
      floor.close()
    }
  }, [])
  return (
    <ConnectionContext value={connection}>
      <HistoryContext value={history}>{children}</HistoryContext>
    </ConnectionContext>
  )
}

const NO_SUBSCRIPTION = () => () => {}

function useOfFloor<T>(read: (floor: FloorClient) => T | null): T | null {
  const floor = useContext(ConnectionContext)?.floor
  return useSyncExternalStore(
    floor?.subscribe ?? NO_SUBSCRIPTION,
    () => (floor === undefined ? null : read(floor)),
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

export function useFloor(): FloorClient | null {
  return useContext(ConnectionContext)?.floor ?? null
}

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

export const useHistory = (): HistoryState => useContext(HistoryContext)

export interface Asked<T> {
  readonly value: T | null
  readonly problem: string | null
}

/**
 * Asks the archive and asks again whenever it holds more. `ask` must be stable (useCallback). The former answer stays
 * until the next one is there; an answer that comes after a newer one is dropped.
 */
export function useArchive<T>(ask: (api: ArchiveClient['api']) => Promise<T>): Asked<T> {
  const connection = useContext(ConnectionContext)
  const [asked, setAsked] = useState<Asked<T>>({ value: null, problem: null })
  const turn = useRef(0)
  useEffect(() => {
    if (connection === null) return
    const archive = connection.archive()
    let alive = true
    let shown = 0
    const run = () => {
      const mine = ++turn.current
      const show = (next: Asked<T>) => {
        if (!alive || mine < shown) return
        shown = mine
        setAsked(next)
      }
      ask(archive.api).then(
        (value) => show({ value, problem: null }),
        (error: unknown) => show({ value: null, problem: error instanceof Error ? error.message : String(error) }),
      )
    }
    run()
    const stop = archive.subscribe(run)
    return () => {
      alive = false
      stop()
    }
  }, [connection, ask])
  return asked
}

/** For one question asked on a press, such as an export. */
export function useArchiveApi(): ArchiveClient['api'] | null {
  const connection = useContext(ConnectionContext)
  return useMemo(() => connection?.archive().api ?? null, [connection])
}

/** The window of a device says whose it is in its address. */
function deviceOfTab(): ConnectOptions['device'] {
  const is = ({ '/handset': 'handset', '/phone': 'ownPhone' } as const)[location.pathname]
  const agent = new URLSearchParams(location.search).get('agent')
  return is !== undefined && agent?.startsWith('agent_') ? { is, agentId: toAgentId(agent) } : null
}

const DEMO_DAYS = 7
const MOST_DAYS = 31
const DEMO_SEED = 7

/** `?days=0` begins without past days. */
function wishedDays(): number {
  const days = Number(new URLSearchParams(location.search).get('days') ?? DEMO_DAYS)
  return Number.isInteger(days) && days >= 0 ? Math.min(days, MOST_DAYS) : DEMO_DAYS
}

/** `?seed=` holds for past days as for today. */
function wishedSeed(): number {
  const seed = Number(new URLSearchParams(location.search).get('seed') ?? DEMO_SEED)
  return Number.isSafeInteger(seed) && seed >= 0 ? seed : DEMO_SEED
}

/** What the address says of the world, for whoever comes to this computer next. */
export function worldOfAddress(): string {
  const said = new URLSearchParams(location.search)
  for (const key of [...said.keys()]) if (!['world', 'seed', 'days'].includes(key)) said.delete(key)
  return said.size === 0 ? '' : `?${said}`
}

/** `?world=quiet&seed=7` says which world a floor that opens now begins with; a floor that runs keeps its own. */
function wishedWorld() {
  const pace = PACES.find((p) => p === new URLSearchParams(location.search).get('world'))
  return pace === undefined ? null : { pace, seed: wishedSeed() }
}
