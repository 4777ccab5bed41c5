'use client'
// How loud voices, ringing and reminders are, each apart, and which tone rings: kept in this browser.
import { useMemo } from 'react'
import { usePersonalNumber, usePersonalSetting } from '@/parts/ui'

export interface Volumes {
  readonly voice: number
  readonly ring: number
  /** Of who is on hold too long, and of callbacks that are due. */
  readonly reminder: number
  readonly ringId: string
  readonly setVoice: (volume: number) => void
  readonly setRing: (volume: number) => void
  readonly setReminder: (volume: number) => void
  readonly setRingId: (id: string) => void
}

export function useVolumes(): Volumes {
  const [voice, setVoice] = usePersonalNumber('voice volume', 1)
  const [ring, setRing] = usePersonalNumber('ring volume', 0.75)
  const [reminder, setReminder] = useReminderVolume()
  const [ringId, setRingId] = usePersonalSetting<string>('ringing tone', '')
  return useMemo(
    () => ({ voice, ring, reminder, ringId, setVoice, setRing, setReminder, setRingId }),
    [voice, ring, reminder, ringId, setVoice, setRing, setReminder, setRingId],
  )
}

/** Of a ring at full volume. */
export const RING_LOUDNESS = 0.16

export const useReminderVolume = () => usePersonalNumber('reminder volume', 0.5)
