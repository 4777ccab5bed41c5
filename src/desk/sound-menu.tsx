'use client'
// Sound at the desk: how loud voices and ringing are, apart from each other, and through which device where the browser
// lets a page choose.
import { Popover } from 'radix-ui'
import { useEffect, useId, useState } from 'react'
import { audioContext } from '@/sound'
import { Button } from '@/ui'
import type { SoundProblem } from './line-sound'

interface Props {
  readonly voice: number
  readonly ring: number
  readonly onVoice: (volume: number) => void
  readonly onRing: (volume: number) => void
  readonly problem: SoundProblem | null
}

export function SoundMenu({ voice, ring, onVoice, onRing, problem }: Props) {
  return (
    <Popover.Root>
      <Popover.Trigger asChild>
        <Button tone="quiet">{problem === null ? 'Sound' : `Sound: ${problem.inShort}`}</Button>
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content align="end" sideOffset={6} aria-label="Sound" className="z-40 w-80 rounded-sm border border-line-strong bg-raised p-4 shadow-lg">
          {problem !== null && (
            <p role="status" className="mb-3 border-brass border-l-4 pl-2">
              {problem.says}
            </p>
          )}
          <Volume label="Voices" value={voice} onChange={onVoice} />
          <Volume label="Ringing" value={ring} onChange={onRing} />
          <OutputChoice />
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  )
}

function Volume({ label, value, onChange }: { label: string; value: number; onChange: (value: number) => void }) {
  const id = useId()
  return (
    <div className="mb-3 grid grid-cols-[72px_1fr_44px] items-center gap-2">
      <label htmlFor={id} className="font-semibold">
        {label}
      </label>
      <input id={id} type="range" min={0} max={1} step={0.05} value={value} onChange={(e) => onChange(Number(e.target.value))} className="accent-green" />
      <span className="tabular text-right">{Math.round(value * 100)} %</span>
    </div>
  )
}

type Sinkable = AudioContext & { setSinkId?: (id: string) => Promise<void> }

function OutputChoice() {
  const [outputs, setOutputs] = useState<readonly MediaDeviceInfo[]>([])
  const id = useId()
  const context = audioContext() as Sinkable | null
  useEffect(() => {
    void navigator.mediaDevices?.enumerateDevices().then((all) => setOutputs(all.filter((d) => d.kind === 'audiooutput' && d.label !== '')))
  }, [])
  if (context?.setSinkId === undefined || outputs.length < 2)
    return <p className="text-soft text-xs">Sound goes where this computer sends it; the browser offers no choice here.</p>
  return (
    <div className="grid grid-cols-[72px_1fr] items-center gap-2">
      <label htmlFor={id} className="font-semibold">
        Through
      </label>
      <select id={id} className="h-8 min-w-0 rounded-sm border border-line-strong bg-raised px-1" onChange={(e) => void context.setSinkId?.(e.target.value)}>
        {outputs.map((d) => (
          <option key={d.deviceId} value={d.deviceId}>
            {d.label}
          </option>
        ))}
      </select>
    </div>
  )
}
