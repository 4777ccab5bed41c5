'use client'
// A function that stays the same from render to render and does what the latest one would: what is handed to parts that render only when their
// own props change. To be called by events, not while rendering.
import { useCallback, useLayoutEffect, useRef } from 'react'

export function useStable<A extends readonly unknown[], R>(latest: (...args: A) => R): (...args: A) => R {
  const kept = useRef(latest)
  useLayoutEffect(() => {
    kept.current = latest
  })
  return useCallback((...args: A) => kept.current(...args), [])
}
