'use client'
// The sound check: a tone, and what became of it. It never stands in the way of starting a shift.
import { useEffect, useRef, useState } from 'react'
import { play, RINGING, type SoundStart } from '@/sound'
import { Button } from '@/ui'

type Check = { readonly state: 'idle' | 'playing' | 'heard' | 'notHeard' } | { readonly state: 'failed'; readonly says: string }

const FAILURES = {
  noSound: 'This browser cannot play sound. Use another browser, or work without sound: calls still ring on the screen.',
  notAllowedYet: 'The browser did not let the page play sound. Allow sound for this page in the address bar, then check again.',
} as const

export function SoundCheck() {
  const [check, setCheck] = useState<Check>({ state: 'idle' })
  const [level, setLevel] = useState(0)
  const playing = useRef<Extract<SoundStart, { ok: true }> | null>(null)

  const stop = () => {
    playing.current?.stop()
    playing.current = null
  }
  useEffect(() => () => playing.current?.stop(), [])
  useEffect(() => {
    if (check.state !== 'playing') return
    const timer = setInterval(() => setLevel(playing.current?.level() ?? 0), 80)
    return () => clearInterval(timer)
  }, [check.state])

  const start = async () => {
    stop()
    const started = await play(RINGING)
    if (!started.ok) return setCheck({ state: 'failed', says: FAILURES[started.reason] })
    playing.current = started
    setCheck({ state: 'playing' })
  }
  const answer = (state: 'heard' | 'notHeard') => {
    stop()
    setCheck({ state })
  }

  return (
    <section aria-label="Sound">
      <h2 className="eyebrow">Sound</h2>
      <div className="mt-1 flex items-center gap-3">
        <Button onClick={start}>Check sound</Button>
        {check.state === 'playing' && (
          <span className="h-2 w-28 rounded-sm border border-line-strong bg-paper" aria-hidden>
            <span className="block h-full bg-green" style={{ width: `${Math.min(100, level * 700)}%` }} />
          </span>
        )}
      </div>
      <div role="status" className="mt-2">
        {check.state === 'playing' && (
          <div className="space-x-2">
            <span>The ringing tone plays. Do you hear it?</span>
            <Button onClick={() => answer('heard')}>Yes</Button>
            <Button onClick={() => answer('notHeard')}>No</Button>
          </div>
        )}
        {check.state === 'heard' && <p>Sound works.</p>}
        {check.state === 'notHeard' && (
          <p>Check that the headset is plugged in and chosen in your computer’s sound settings, and that its volume is up. Then check again.</p>
        )}
        {check.state === 'failed' && <p className="text-red">{check.says}</p>}
        {check.state === 'idle' && <p className="text-soft">Plays the ringing tone. You can start without it.</p>}
      </div>
    </section>
  )
}
