'use client'
// Where in a call its recording is: remarks are made at the place that is heard, and heard again from theirs.
import { createContext, type ReactNode, useContext, useMemo, useRef, useState } from 'react'

interface Played {
  /** Whether there is sound to go to. */
  readonly hasSound: boolean
  /** Into the call, ms; null while no sound is here. */
  placeMs(): number | null
  /** Plays from a place in the call. */
  playFrom(callMs: number): void
  /** Called by the recording that is shown, from when it is there until what it gives is called. */
  attach(sound: Sounding): () => void
}

export interface Sounding {
  /** In which part of the call there is sound, ms into it. */
  readonly fromMs: number
  readonly toMs: number
  placeMs(): number
  playFrom(callMs: number): void
}

const PlayedContext = createContext<Played>({ hasSound: false, placeMs: () => null, playFrom: () => {}, attach: () => () => {} })

export const usePlayed = (): Played => useContext(PlayedContext)

/** Of several recordings the one played last says where; one is gone to that holds the place, or the nearest. */
export function PlayedProvider({ children }: { children: ReactNode }) {
  const sounding = useRef<readonly Sounding[]>([])
  const [count, setCount] = useState(0)
  const acts = useMemo(
    (): Omit<Played, 'hasSound'> => ({
      placeMs: () => {
        const places = sounding.current.map((s) => s.placeMs())
        return places.length === 0 ? null : Math.max(...places)
      },
      playFrom: (callMs) => {
        const away = (s: Sounding) => Math.max(0, s.fromMs - callMs, callMs - s.toMs)
        const [nearest] = sounding.current.toSorted((a, b) => away(a) - away(b))
        nearest?.playFrom(callMs)
      },
      attach: (sound) => {
        sounding.current = [...sounding.current, sound]
        setCount(sounding.current.length)
        return () => {
          sounding.current = sounding.current.filter((s) => s !== sound)
          setCount(sounding.current.length)
        }
      },
    }),
    [],
  )
  const value = useMemo((): Played => ({ ...acts, hasSound: count > 0 }), [acts, count])
  return <PlayedContext value={value}>{children}</PlayedContext>
}
