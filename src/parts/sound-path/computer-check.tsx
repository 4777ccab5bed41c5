'use client'
// This computer: microphone and speaker are chosen, the level is seen, three seconds are recorded and played back.
import { useCallback, useEffect, useRef, useState } from 'react'
import { audioContext, closeMicrophone, createMeter, type Heard, judge, openMicrophone, recordStream, type SoundDevice, soundDevices } from '@/parts/sound'
import { Button, Problem, SelectField, usePersonalSetting } from '@/parts/ui'
import { MICROPHONE_FAILURES, VERDICTS } from './words'

const RECORD_MS = 3_000
const LOOK_EVERY_MS = 60
const NEEDLE = 0.85

type Step =
  | { readonly at: 'idle' }
  | { readonly at: 'recording'; readonly sinceMs: number }
  | { readonly at: 'playing' | 'asking' | 'works' }
  | { readonly at: 'failed'; readonly says: string }

interface Props {
  readonly onProof: (works: boolean) => void
}

/** The microphone and speaker an agent chose on this computer; empty for whatever the computer has chosen. */
export const useChosenDevices = () => {
  const [microphone, setMicrophone] = usePersonalSetting<string>('microphone', '')
  const [speaker, setSpeaker] = usePersonalSetting<string>('speaker', '')
  return { microphone, setMicrophone, speaker, setSpeaker }
}

export function ComputerCheck({ onProof }: Props) {
  const [step, setStep] = useState<Step>({ at: 'idle' })
  const [level, setLevel] = useState(0)
  const { microphone, setMicrophone, speaker, setSpeaker } = useChosenDevices()
  const [inputs, outputs] = useDevices(step.at)
  const playback = useRef<HTMLAudioElement | null>(null)
  const abandon = useRef<(() => void) | null>(null)
  useEffect(
    () => () => {
      abandon.current?.()
      playback.current?.pause()
    },
    [],
  )

  const fail = (says: string) => {
    setStep({ at: 'failed', says })
    onProof(false)
  }

  const check = async (deviceId = microphone) => {
    abandon.current?.()
    playback.current?.pause()
    const opening = await openMicrophone(deviceId)
    if (!opening.ok) return fail(MICROPHONE_FAILURES[opening.failure])
    const context = audioContext()
    if (context === null) {
      closeMicrophone(opening.stream)
      return fail(MICROPHONE_FAILURES.unsupported)
    }
    await context.resume()
    const meter = createMeter(context, opening.stream)
    const recording = recordStream(opening.stream)
    const heard: Heard[] = []
    const looking = setInterval(() => {
      const now = meter.look()
      heard.push(now)
      // Falls slower than it rises, as the needle of a meter does: a word is seen after it was said.
      setLevel((before) => Math.max(now.peak, before * NEEDLE))
    }, LOOK_EVERY_MS)
    const finish = async () => {
      abandon.current = null
      clearInterval(looking)
      const blob = await recording.stop()
      meter.stop()
      setLevel(0)
      const verdict = judge(heard)
      if (verdict !== 'good') return fail(VERDICTS[verdict])
      playback.current = new Audio(URL.createObjectURL(blob))
      playback.current.onended = () => setStep({ at: 'asking' })
      await chooseSpeaker(playback.current, speaker)
      setStep({ at: 'playing' })
      playback.current.play().catch(() => setStep({ at: 'asking' }))
    }
    const timer = setTimeout(() => void finish(), RECORD_MS)
    abandon.current = () => {
      clearTimeout(timer)
      clearInterval(looking)
      meter.stop()
    }
    setStep({ at: 'recording', sinceMs: Date.now() })
  }

  const answer = (hears: boolean) => {
    if (!hears) return fail('You did not hear yourself. Plug the headset in and turn it up, or choose another speaker, then check again.')
    setStep({ at: 'works' })
    onProof(true)
  }

  return (
    <div>
      <div className="flex items-center gap-3">
        <Button onClick={() => void check()} disabled={step.at === 'recording'}>
          Check sound
        </Button>
        <Level value={step.at === 'recording' ? level : null} />
      </div>
      <div role="status" className="mt-2">
        {step.at === 'idle' && <p className="text-soft">Records three seconds of you and plays them back.</p>}
        {step.at === 'recording' && <p>Say something, such as your name. Recording for three seconds…</p>}
        {step.at === 'playing' && <p>This is what callers hear of you…</p>}
        {step.at === 'asking' && (
          <p className="space-x-2">
            <span>Did you hear yourself?</span>
            <Button onClick={() => answer(true)}>Yes</Button>
            <Button onClick={() => answer(false)}>No</Button>
          </p>
        )}
        {step.at === 'works' && <p className="font-semibold text-green">✓ You are heard, and you hear.</p>}
      </div>
      {step.at === 'failed' && <Problem>{step.says}</Problem>}
      {inputs.length > 0 && (
        <div className="mt-3 space-y-2">
          <DeviceField
            label="Microphone"
            devices={inputs}
            value={microphone}
            onChange={(id) => {
              setMicrophone(id)
              void check(id)
            }}
          />
          {outputs.length > 0 && <DeviceField label="Speaker" devices={outputs} value={speaker} onChange={setSpeaker} />}
        </div>
      )}
    </div>
  )
}

function DeviceField({ label, devices, value, onChange }: { label: string; devices: readonly SoundDevice[]; value: string; onChange: (id: string) => void }) {
  return (
    <SelectField label={label} value={devices.some((d) => d.id === value) ? value : ''} onChange={(e) => onChange(e.target.value)}>
      <option value="">As the computer is set</option>
      {devices.map((d) => (
        <option key={d.id} value={d.id}>
          {d.label}
        </option>
      ))}
    </SelectField>
  )
}

/** Known by name only once the microphone was allowed, and again whenever something is plugged in. */
function useDevices(step: Step['at']): readonly [readonly SoundDevice[], readonly SoundDevice[]] {
  const [inputs, setInputs] = useState<readonly SoundDevice[]>([])
  const [outputs, setOutputs] = useState<readonly SoundDevice[]>([])
  const look = useCallback(() => {
    void soundDevices('audioinput').then(setInputs)
    void soundDevices('audiooutput').then(setOutputs)
  }, [])
  // biome-ignore lint/correctness/useExhaustiveDependencies: every step may have brought the permission that gives the names
  useEffect(look, [look, step])
  useEffect(() => {
    navigator.mediaDevices?.addEventListener('devicechange', look)
    return () => navigator.mediaDevices?.removeEventListener('devicechange', look)
  }, [look])
  return [inputs, outputs]
}

type Sinkable = HTMLAudioElement & { setSinkId?: (id: string) => Promise<void> }

async function chooseSpeaker(audio: Sinkable, id: string): Promise<void> {
  // A speaker that is gone is no reason to stay silent: the computer's own is used.
  if (id !== '') await audio.setSinkId?.(id).catch(() => {})
}

/** A live level as a bar, and as a meter for who does not see it; nothing while the microphone is closed. */
export function Level({ value, className = 'w-36' }: { value: number | null; className?: string }) {
  if (value === null) return null
  // By ear loudness grows slower than the amplitude.
  const loud = Math.min(1, Math.sqrt(value))
  return (
    <span className={`relative h-3 rounded-sm border border-line-strong bg-paper ${className}`}>
      <meter aria-label="Microphone level" min={0} max={100} value={Math.round(loud * 100)} className="sr-only" />
      <span aria-hidden className={`block h-full ${value >= 0.99 ? 'bg-red' : 'bg-green'}`} style={{ width: `${loud * 100}%` }} />
    </span>
  )
}
