'use client'
// A stand-in for a phone of the agent's own: it dials a number and sends keys as real tones.
import { useState } from 'react'
import { dtmfSamples } from '@/core/tones'
import { playSamples } from '@/parts/sound'
import { Button, TextField } from '@/parts/ui'
import { useDeviceView, useFloor } from '@/services/exchange/react'
import { DeviceFrame } from './device-frame'

const KEYS = ['1', '2', '3', '4', '5', '6', '7', '8', '9', '*', '0', '#']

export function PhoneWindow() {
  const floor = useFloor()
  const device = useDeviceView()
  const [typed, setTyped] = useState('')
  const [heard, setHeard] = useState<string | null>(null)
  const [keyed, setKeyed] = useState('')
  const dialled = heard !== null

  const dial = async () => {
    const reply = await floor?.ask({ kind: 'phoneDials', typed })
    setKeyed('')
    setHeard(reply?.ok ? (reply.text ?? '') : 'No connection.')
  }
  const press = async (key: string) => {
    if (!dialled) return setTyped(typed + key)
    const samples = dtmfSamples(key)
    playSamples(samples)
    setKeyed(keyed + key)
    const reply = await floor?.ask({ kind: 'phoneKeys', samples })
    if (reply?.ok && reply.text !== null) {
      setHeard(reply.text)
      setKeyed('')
    }
  }
  const hangUp = async () => {
    await floor?.ask({ kind: 'phoneHangsUp' })
    setHeard(null)
    setKeyed('')
  }
  return (
    <DeviceFrame title="Own phone" owner={device?.agentName ?? null}>
      {dialled ? (
        <div className="flex h-[6.5rem] flex-col justify-center border-line border-y px-2">
          <p role="status" aria-label="Phone">
            {heard}
          </p>
          <p className="tabular mt-1 h-6 text-lg">{keyed}</p>
        </div>
      ) : (
        <form
          className="h-[6.5rem]"
          onSubmit={(event) => {
            event.preventDefault()
            void dial()
          }}
        >
          <TextField label="Number" inputMode="tel" value={typed} onChange={(e) => setTyped(e.target.value)} />
        </form>
      )}
      <div className="mt-3 grid grid-cols-3 gap-2">
        {KEYS.map((key) => (
          <Button key={key} size="large" className="tabular" onClick={() => void press(key)}>
            {key}
          </Button>
        ))}
      </div>
      <div className="mt-4 grid grid-cols-2 gap-3">
        <Button tone="primary" size="large" disabled={dialled || typed === ''} onClick={() => void dial()}>
          Dial
        </Button>
        <Button size="large" tone="loss" disabled={!dialled} onClick={() => void hangUp()}>
          Hang up phone
        </Button>
      </div>
    </DeviceFrame>
  )
}
