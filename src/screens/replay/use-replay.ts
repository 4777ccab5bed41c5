// A past day and the instant of it that is shown: opened in its worker, gone to, played on at a speed.
import { addDays, parseISO } from 'date-fns'
import { useCallback, useEffect, useRef, useState } from 'react'
import { createStore } from 'zustand/vanilla'
import type { AgentId } from '@/core/ids'
import type { FloorClient } from '@/services/exchange/client'
import type { FloorView } from '@/services/exchange/protocol'
import { useFloor } from '@/services/exchange/react'
import { useHistory } from '@/services/history/react'
import { type DayOpened, openReplay, type ReplayClient } from './client'

type Shown = FloorClient['shown']

export interface Replaying {
  /** null until the day is open. */
  readonly day: DayOpened | null
  readonly problem: string | null
  /** The instant that is shown, and the one that is gone to: the same a moment later. */
  readonly atMs: number
  readonly wantedMs: number
  readonly goTo: (atMs: number) => void
  /** Seconds of the day a second of now; 0 while it stands. */
  readonly speed: number
  readonly play: (speed: number) => void
  readonly shown: Shown
}

const FRAME_MS = 100

/** What is shown begins with the floor as it is: what a replay has no part of (voicemail, sound) stays that. */
export function useReplay(day: string, boardOf: AgentId | null): Replaying {
  const floor = useFloor()
  const [shown] = useState<Shown>(() => createStore(() => ({ door: null, view: null, device: null, silent: false, notOpened: null })))
  const [opened, setOpened] = useState<DayOpened | null>(null)
  const [problem, setProblem] = useState<string | null>(null)
  const [atMs, setAtMs] = useState(0)
  const [wantedMs, setWantedMs] = useState(0)
  const [speed, setSpeed] = useState(0)
  const client = useRef<ReplayClient | null>(null)
  const wanted = useRef<{ readonly atMs: number; readonly boardOf: AgentId | null } | null>(null)
  const isAsking = useRef(false)
  /** The day that was found to hold something. */
  const found = useRef('')
  const board = useRef(boardOf)
  board.current = boardOf

  /** One question at a time; of those that come meanwhile the last is asked next. */
  const ask = useCallback(
    async (next: { readonly atMs: number; readonly boardOf: AgentId | null }) => {
      wanted.current = next
      setWantedMs(next.atMs)
      if (isAsking.current) return
      isAsking.current = true
      try {
        while (wanted.current !== null && client.current !== null) {
          const { atMs: at, boardOf: of } = wanted.current
          wanted.current = null
          const moment = await client.current.api.at(at, of)
          const before: FloorView | null = shown.getState().view ?? floor?.shown.getState().view ?? null
          if (before !== null) shown.setState({ view: { ...before, ...moment.changes } })
          setAtMs(moment.atMs)
        }
      } catch (error) {
        setProblem(`The day could not be gone through: ${error instanceof Error ? error.message : String(error)}. Choose it again.`)
      } finally {
        isAsking.current = false
      }
    },
    [shown, floor],
  )

  // A worker for each day, for as long as it is looked at.
  useEffect(() => {
    if (day === '') return
    const opening = openReplay()
    client.current = opening
    setOpened(null)
    setProblem(null)
    setSpeed(0)
    setAtMs(0)
    found.current = ''
    shown.setState({ view: null })
    return () => {
      client.current = null
      opening.close()
    }
  }, [day, shown])

  // Days may still be coming in: one that holds nothing yet is asked for again whenever there is more.
  const { value: ledger, problem: unread } = useHistory(
    useCallback(async (api) => (day === '' || found.current === day ? null : { day, text: await api.ledger(spanOf(day)) }), [day]),
  )
  useEffect(() => {
    const replaying = client.current
    if (ledger === null || ledger.day !== day || replaying === null || found.current === day) return
    found.current = day
    void replaying.api.open(ledger.text, spanOf(day)).then(
      (its) => {
        if (client.current !== replaying) return
        setOpened(its)
        if (its.fromMs === null) found.current = ''
        else void ask({ atMs: its.fromMs, boardOf: board.current })
      },
      (error: unknown) => setProblem(`This day could not be read: ${error instanceof Error ? error.message : String(error)}. Choose it again.`),
    )
  }, [ledger, day, ask])

  const goTo = useCallback((next: number) => void ask({ atMs: next, boardOf }), [ask, boardOf])

  // Another board of the same instant.
  const at = useRef(atMs)
  at.current = atMs
  useEffect(() => {
    if (at.current > 0) void ask({ atMs: at.current, boardOf })
  }, [boardOf, ask])

  useEffect(() => {
    if (speed === 0 || opened?.toMs == null) return
    const { toMs } = opened
    let last = performance.now()
    let position = at.current
    const timer = setInterval(() => {
      const present = performance.now()
      position = Math.min(toMs, position + (present - last) * speed)
      last = present
      goTo(position)
      if (position >= toMs) setSpeed(0)
    }, FRAME_MS)
    return () => clearInterval(timer)
  }, [speed, opened, goTo])

  return {
    day: opened,
    wantedMs,
    problem: problem ?? (unread === null ? null : `This day could not be read: ${unread}. Choose it again.`),
    atMs,
    goTo,
    speed,
    play: setSpeed,
    shown,
  }
}

const spanOf = (day: string) => ({ fromMs: parseISO(day).getTime(), toMs: addDays(parseISO(day), 1).getTime() })
