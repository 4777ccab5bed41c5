'use client'
// Hands the desk to the service worker, once everything else is there: the first call of the day must not wait for the last byte.
import { useEffect } from 'react'

const AFTER_MS = 3_000

export function KeptForOffline() {
  useEffect(() => {
    if (process.env.NODE_ENV !== 'production' || !('serviceWorker' in navigator)) return
    const timer = setTimeout(() => {
      navigator.serviceWorker.register('/sw.js').catch((error: unknown) => console.warn('The desk will not open without a network:', error))
    }, AFTER_MS)
    return () => clearTimeout(timer)
  }, [])
  return null
}
