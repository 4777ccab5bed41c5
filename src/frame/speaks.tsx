'use client'
// Whether somebody on the line speaks, as loud as they are heard here: measured on what reaches this ear, not guessed.
import clsx from 'clsx'
import { useEffect, useState } from 'react'
import type { DeviceId } from '@/core/ids'
import { useOnShift } from './on-shift'

const LOOK_EVERY_MS = 100
/** Quieter than this nobody speaks. */
const SILENCE = 0.01
const BARS = [0.01, 0.04, 0.12, 0.3] as const

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
    <span aria-hidden data-speaks={level > SILENCE} title={level > SILENCE ? 'speaks' : 'is silent'} className="inline-flex h-3 items-end gap-0.5">
      {BARS.map((from, i) => (
        <span key={from} style={{ height: 3 + i * 3 }} className={clsx('w-1', level > from ? 'bg-green' : 'bg-line')} />
      ))}
    </span>
  )
}
