'use client'
// The floor and the archive for components: one connection per tab, shared through context.
import { createContext, type ReactNode, useCallback, useContext, useEffect, useMemo, useRef, useState, useSyncExternalStore } from 'react'
import type { AgentCommand } from '@/core/floor'
import { type AgentId, toAgentId } from '@/core/ids'
import { PACES } from '@/world'
import { type ArchiveClient, type Opening, openArchive, type Progress } from './archive/client'
import { type ConnectOptions, connect, type FloorClient, type Reply } from './client'
import type { FloorView } from './protocol'

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

/** This tab's seat survives a reload in session storage, which no other tab shares. */
const SEAT_KEY = 'seat'

export function FloorProvider({ children }: { children: ReactNode }) {
  const [connection, setConnection] = useState<Connection | null>(null)
  const [history, setHistory] = useState<HistoryState>({ progress: null, opening: null })
  useEffect(() => {
    const floor = connect({ agentId: storedSeat(), device: deviceOfTab(), world: wishedWorld() })
    let archive: ArchiveClient | null = null
    const open = () => {
      const opened = openArchive(floor, wishedDays(), (progress) => setHistory((h) => ({ ...h, progress })))
      void opened.opened.then((opening) => setHistory({ progress: null, opening }))
      return opened
    }
    setConnection({
      floor,
      archive: () => {
        archive ??= open()
        return archive
      },
    })
    return () => {
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

/** The floor as this tab sees it; null until it answers. */
export function useFloorView(): FloorView | null {
  const floor = useContext(ConnectionContext)?.floor
  const view = useSyncExternalStore(
    floor?.subscribe ?? NO_SUBSCRIPTION,
    () => floor?.view() ?? null,
    () => null,
  )
  useForgetMovedSeat(view)
  return view
}

/** A tab whose seat has moved elsewhere must not claim it again when it is reloaded. */
function useForgetMovedSeat(view: FloorView | null): void {
  const moved = view !== null && view.seatMoved !== null && view.me === null
  useEffect(() => {
    if (moved) sessionStorage.removeItem(SEAT_KEY)
  }, [moved])
}

export function useFloor(): FloorClient | null {
  return useContext(ConnectionContext)?.floor ?? null
}

/** Gives a command and resolves with the floor's answer; remembers the seat when a shift starts. */
export function useCommand(): (command: AgentCommand) => Promise<Reply> {
  const floor = useFloor()
  return useCallback(
    async (command) => {
      if (floor === null) return { ok: false, refusal: { reason: 'notConnected', says: 'The floor is still opening.', next: 'Try again in a moment.' } }
      const reply = await floor.command(command)
      if (reply.ok && (command.kind === 'startShift' || command.kind === 'moveSeat')) sessionStorage.setItem(SEAT_KEY, command.agentId)
      if (reply.ok && command.kind === 'endShift') sessionStorage.removeItem(SEAT_KEY)
      return reply
    },
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

function storedSeat(): AgentId | null {
  if (deviceOfTab() !== null) return null
  const seat = sessionStorage.getItem(SEAT_KEY)
  return seat?.startsWith('agent_') ? toAgentId(seat) : null
}

/** The window of a device says whose it is in its address. */
function deviceOfTab(): ConnectOptions['device'] {
  const is = ({ '/handset': 'handset', '/phone': 'ownPhone' } as const)[location.pathname]
  const agent = new URLSearchParams(location.search).get('agent')
  return is !== undefined && agent?.startsWith('agent_') ? { is, agentId: toAgentId(agent) } : null
}

const DEMO_DAYS = 5

/** `?days=0` begins without past days. */
function wishedDays(): number {
  const days = Number(new URLSearchParams(location.search).get('days') ?? DEMO_DAYS)
  return Number.isInteger(days) && days >= 0 ? days : DEMO_DAYS
}

/** `?world=quiet&seed=7` says which world a floor that opens now begins with; a floor that runs keeps its own. */
function wishedWorld() {
  const query = new URLSearchParams(location.search)
  const pace = PACES.find((p) => p === query.get('world'))
  const seed = Number(query.get('seed') ?? 7)
  return pace === undefined || !Number.isSafeInteger(seed) ? null : { pace, seed }
}
