'use client'
import { useEffect } from 'react'
import { play, RINGING, type SoundStart } from '@/parts/sound'
import { Button } from '@/parts/ui'
// A stand-in for the telephone on the desk: it rings, is lifted and is put down in a window of its own.
import { useDeviceView, useFloor } from '@/services/exchange/react'
import { DeviceFrame } from './device-frame'

export function HandsetWindow() {
  const floor = useFloor()
  const device = useDeviceView()
  const state = device?.state ?? 'idle'
  useRing(state === 'ringing')
  const act = (what: 'lift' | 'putDown') => void floor?.ask({ kind: 'handset', act: what })
  const words = {
    idle: 'On the hook',
    ringing: device?.with == null ? 'It rings: your desk checks the sound' : `${device.with} rings`,
    talking: device?.with == null ? 'Lifted' : `Talking with ${device.with}`,
  }
  return (
    <DeviceFrame title="Desk handset" owner={device?.agentName ?? null}>
      <p
        role="status"
        aria-label="Handset"
        className={`border-y py-6 text-center font-semibold text-xl ${state === 'ringing' ? 'border-brass border-dashed text-brass-text' : 'border-line'}`}
      >
        {words[state]}
      </p>
      <div className="mt-6 grid grid-cols-2 gap-3">
        <Button tone="primary" size="large" onClick={() => act('lift')} disabled={state !== 'ringing'}>
          Lift
        </Button>
        <Button size="large" onClick={() => act('putDown')} disabled={state !== 'talking'}>
          Put down
        </Button>
      </div>
      <p className="mt-6 text-soft">Closing this window pulls the plug: your shift and your call go on, and the desk says so.</p>
    </DeviceFrame>
  )
}

function useRing(on: boolean): void {
  useEffect(() => {
    if (!on) return
    let playing: SoundStart | null = null
    let over = false
    void play(RINGING, 0.08).then((started) => {
      playing = started
      if (over && started.ok) started.stop()
    })
    return () => {
      over = true
      if (playing?.ok) playing.stop()
    }
  }, [on])
}
