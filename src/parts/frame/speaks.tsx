'use client'
// Whether somebody on the line speaks, as loud as they are heard here: measured on what reaches this ear, not guessed.
import { useEffect, useState } from 'react'
import type { DeviceId } from '@/core/ids'
import { useOnShift } from './on-shift'

const LOOK_EVERY_MS = 100
/** Quieter than this nobody speaks. */
const SILENCE = 0.01
/** As loud as people speak at most: the whole bar. */
const LOUD = 0.5

/** `deviceId` null for oneself. */
export function Speaks({ deviceId }: { deviceId: DeviceId | null }) {
  const sound = useOnShift()?.sound
  const [level, setLevel] = useState(0)
  useEffect(() => {
    if (sound === undefined) return
    const look = () => (deviceId === null ? (sound.look()?.peak ?? 0) : sound.levelOf(deviceId))
    const timer = setInterval(() => setLevel(look()), LOOK_EVERY_MS)
    return () => clearInterval(timer)
  }, [sound, deviceId])
  return (
    <span
      aria-hidden
      data-speaks={level > SILENCE}
      title={level > SILENCE ? 'speaks' : 'is silent'}
      className="inline-block h-1.5 w-10 overflow-hidden border border-line-strong bg-raised"
    >
      <span style={{ width: `${Math.min(1, level / LOUD) * 100}%` }} className="block h-full bg-green" />
    </span>
  )
}
