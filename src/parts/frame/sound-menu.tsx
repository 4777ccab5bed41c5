'use client'
// Sound at the desk: which path carries it and how it does, how loud voices and ringing are, and another path to take.
import { memo, useEffect, useId, useState } from 'react'
import { type Heard, RINGS, ringOf } from '@/parts/sound'
import { Level, PATH_WORDS, SoundPathStep } from '@/parts/sound-path'
import { Button, Popover, SelectField, useCaptionsSpoken } from '@/parts/ui'
import { CHANNEL_WORDS } from '@/parts/words'
import type { SoundView } from '@/services/exchange/protocol'
import { useSeen } from '@/services/exchange/react'
import { useCadence } from './cadence'
import { NotificationSetting } from './notifications'
import { useKnocks } from './offers'
import type { OnShift } from './on-shift'
import { RING_LOUDNESS } from './volumes'

export const SoundMenu = memo(function SoundMenu({ me, give, sound, volumes }: Pick<OnShift, 'me' | 'give' | 'sound' | 'volumes'>) {
  const view = useSeen((seen) => seen.sound)
  const { problem, look } = sound
  const trouble = me.soundLost !== null ? 'lost' : (problem?.inShort ?? (me.soundPath === 'none' ? 'none' : null))
  return (
    <Popover
      label="Sound"
      trigger={
        <Button tone="quiet" className="!px-1">
          {trouble === null ? 'Sound' : `Sound: ${trouble}`}
          <LiveLevel look={look} />
        </Button>
      }
    >
      {problem !== null && (
        <p role="status" className="mb-3 border-brass border-l-4 pl-2">
          {problem.says}
        </p>
      )}
      <Volume label="Voices" value={volumes.voice} onChange={volumes.setVoice} />
      <Volume label="Ringing" value={volumes.ring} onChange={volumes.setRing} />
      <Volume label="Reminders" value={volumes.reminder} onChange={volumes.setReminder} />
      <RingChoice volumes={volumes} />
      <fieldset className="mb-3">
        <legend className="font-semibold">Heard when offered</legend>
        <div className="mt-1 flex gap-4">
          {(['chat', 'mail', 'text'] as const).map((channel) => (
            <Knocks key={channel} channel={channel} />
          ))}
        </div>
      </fieldset>
      <CaptionsSpoken />
      <NotificationSetting />
      <ChangePath me={me} view={view} give={give} />
    </Popover>
  )
})

function CaptionsSpoken() {
  const [spoken, setSpoken] = useCaptionsSpoken()
  return (
    <SelectField
      label="A screen reader reads captions out"
      className="mb-3"
      value={spoken}
      onChange={(e) => setSpoken((['auto', 'on', 'off'] as const).find((v) => v === e.target.value) ?? 'auto')}
    >
      <option value="auto">only where no sound is on</option>
      <option value="on">always</option>
      <option value="off">never</option>
    </SelectField>
  )
}

function Knocks({ channel }: { channel: 'chat' | 'mail' | 'text' }) {
  const [heard, setHeard] = useKnocks(channel)
  return (
    <label className="flex items-center gap-2">
      <input type="checkbox" className="size-4 accent-green" checked={heard === 'on'} onChange={(e) => setHeard(e.target.checked ? 'on' : 'off')} />
      {CHANNEL_WORDS[channel]}s
    </label>
  )
}

const HEARD_FOR_MS = 4_000

/** Which tone rings; it can be heard as loud as it will be. */
function RingChoice({ volumes: { ringId, setRingId, ring } }: Pick<OnShift, 'volumes'>) {
  const [heard, setHeard] = useState(false)
  const { cadence, id } = ringOf(ringId)
  useCadence(cadence, heard, RING_LOUDNESS * ring)
  useEffect(() => {
    if (!heard) return
    const timer = setTimeout(() => setHeard(false), HEARD_FOR_MS)
    return () => clearTimeout(timer)
  }, [heard])
  return (
    <div className="mb-3 flex items-end gap-2">
      <SelectField label="Ringing tone" className="flex-1" value={id} onChange={(e) => setRingId(e.target.value)}>
        {RINGS.map((r) => (
          <option key={r.id} value={r.id}>
            {r.label}
          </option>
        ))}
      </SelectField>
      <Button aria-pressed={heard} onClick={() => setHeard(!heard)}>
        {heard ? 'Stop' : 'Hear it'}
      </Button>
    </div>
  )
}

/** What is chosen here is tried out first; it carries the voice once it is taken. */
function ChangePath({ me, view, give }: Pick<OnShift, 'me' | 'give'> & { view: SoundView | null }) {
  const [path, setPath] = useState(me.soundPath === 'none' ? 'computer' : me.soundPath)
  const [works, setWorks] = useState(false)
  const there = { computer: true, handset: view !== null && view.handset !== 'absent', ownPhone: view?.phone?.state === 'connected' }[path]
  const isTaken = me.soundPath === path && me.soundLost === null
  return (
    <div className="mt-4 border-line border-t pt-3">
      <h3 className="mb-1 font-semibold">
        Your sound path: {PATH_WORDS[me.soundPath]}
        {me.soundLost !== null && ', lost'}
      </h3>
      <SoundPathStep agentId={me.id} sound={view} path={path} onPath={setPath} onProof={setWorks} />
      <Button
        tone={works || path !== 'computer' ? 'primary' : 'plain'}
        className="mt-3"
        disabled={!there || isTaken}
        onClick={() => void give({ kind: 'chooseSoundPath', path })}
      >
        {isTaken ? `${PATH_WORDS[path]} is in use` : `Use ${PATH_WORDS[path].toLowerCase()}`}
      </Button>
    </div>
  )
}

const LOOK_EVERY_MS = 120

/** While the microphone is open the bar shows that it hears: an agent sees at a glance that they are not speaking into nothing. */
function LiveLevel({ look }: { look: () => Heard | null }) {
  const [level, setLevel] = useState<number | null>(null)
  useEffect(() => {
    const timer = setInterval(() => setLevel(look()?.peak ?? null), LOOK_EVERY_MS)
    return () => clearInterval(timer)
  }, [look])
  return <Level value={level} className="w-10" />
}

function Volume({ label, value, onChange }: { label: string; value: number; onChange: (value: number) => void }) {
  const id = useId()
  return (
    <div className="mb-3 grid grid-cols-[4.5rem_1fr_3.25rem] items-center gap-2">
      <label htmlFor={id} className="font-semibold">
        {label}
      </label>
      <input id={id} type="range" min={0} max={1} step={0.05} value={value} onChange={(e) => onChange(Number(e.target.value))} className="accent-green" />
      <span className="tabular whitespace-nowrap text-right">{Math.round(value * 100)}&nbsp;%</span>
    </div>
  )
}
