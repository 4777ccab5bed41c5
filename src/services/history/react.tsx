'use client'
// The history for components: one connection a tab, opened by whoever first asks it something.
import { createContext, type ReactNode, useCallback, useContext, useEffect, useMemo, useRef, useState } from 'react'
import { type Asked, useAsked } from '@/services/exchange/asked'
import { useFloor, useLocked } from '@/services/exchange/react'
import { wishedPast } from '@/services/exchange/wished'
import { type HistoryApi, type HistoryClient, type Opening, openHistory, type Progress } from './client'
import { daysBefore, type Forecasts, forecastsOf } from './forecasts'

const OpenContext = createContext<(() => HistoryClient) | null>(null)
const OpeningContext = createContext<HistoryOpening>({ progress: null, opening: null })

export interface HistoryOpening {
  /** Days of demo history arrived so far; null when none are being fetched. */
  readonly progress: Progress | null
  readonly opening: Opening | null
}

export function HistoryProvider({ children }: { children: ReactNode }) {
  const floor = useFloor()
  const [opening, setOpening] = useState<HistoryOpening>({ progress: null, opening: null })
  const [open, setOpen] = useState<(() => HistoryClient) | null>(null)
  useEffect(() => {
    if (floor === null) return
    let history: HistoryClient | null = null
    const begin = () => {
      const opened = openHistory(floor, wishedPast(), (progress) => setOpening((h) => ({ ...h, progress })))
      void opened.opened.then((answer) => setOpening({ progress: null, opening: answer }))
      return opened
    }
    // Signed out, this tab keeps nothing of what happened.
    const stop = floor.shown.subscribe(({ view, door }) => {
      if (view !== null || history === null || door?.door.signedIn !== null) return
      history.close()
      history = null
    })
    setOpen(() => () => {
      history ??= begin()
      return history
    })
    return () => {
      stop()
      history?.close()
    }
  }, [floor])
  return (
    <OpenContext value={open}>
      <OpeningContext value={opening}>{children}</OpeningContext>
    </OpenContext>
  )
}

export const useHistoryOpening = (): HistoryOpening => useContext(OpeningContext)

/**
 * Asks the history and asks again whenever it holds more. `ask` must be stable (useCallback): another one is another
 * question. An answer that comes after a newer one is dropped.
 */
export function useHistory<T>(ask: (api: HistoryApi) => Promise<T>): Asked<T> {
  const open = useContext(OpenContext)
  const [asked, take] = useAsked<T>(ask)
  const turn = useRef(0)
  const locked = useLocked()
  useEffect(() => {
    if (open === null || locked) return
    const history = open()
    let alive = true
    let shown = 0
    const run = () => {
      const mine = ++turn.current
      const show = (outcome: Parameters<typeof take>[1]) => {
        if (!alive || mine < shown) return
        shown = mine
        take(ask, outcome)
      }
      answered(ask(history.api)).then(
        (value) => show({ value }),
        (error: unknown) => show({ error }),
      )
    }
    run()
    const stop = history.subscribe(run)
    return () => {
      alive = false
      stop()
    }
  }, [open, locked, ask, take])
  return asked
}

/** A worker that was ended by the browser never says so: it only stops answering. */
const PATIENCE_MS = 30_000

function answered<T>(answer: Promise<T>): Promise<T> {
  return new Promise((resolve, reject) => {
    const late = setTimeout(() => reject(new Error('the history did not answer in time')), PATIENCE_MS)
    void answer.then(resolve, reject).finally(() => clearTimeout(late))
  })
}

/** For one question asked on a press, such as an export. */
export function useHistoryApi(): HistoryApi | null {
  const open = useContext(OpenContext)
  return useMemo(() => open?.().api ?? null, [open])
}

/** What a local day (`2026-11-28`) is expected to bring, from the days before the one of `nowMs`; `times` scales it. null until the days are read. */
export function useForecasts(day: string, nowMs: number, times = 1): { readonly forecasts: Forecasts | null; readonly problem: string | null } {
  const { latest, problem } = useHistory(useCallback((api) => api.profiles({ days: daysBefore(nowMs), nowMs }), [nowMs]))
  const forecasts = useMemo(() => (latest === null ? null : forecastsOf(latest, day, times)), [latest, day, times])
  return { forecasts, problem }
}
