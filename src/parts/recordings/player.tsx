'use client'
// Plays a recording: from any place in it, faster or slower, louder or softer, five seconds back or on. How fast and how loud is kept for the next one.
import { Slider } from 'radix-ui'
import { useEffect, useMemo, useRef, useState } from 'react'
import { toWav } from '@/core/formats'
import { formatClock } from '@/core/time'
import { Button, saveFile, usePersonalNumber, usePersonalSetting } from '@/parts/ui'
import { durationMsOf, RATE_HERTZ, type Sound } from './sound'
import { type Span, Wave } from './wave'

const SPEEDS = ['0.75', '1', '1.25', '1.5', '2'] as const
const JUMP_S = 5
const STEP_S = 0.5

interface Props {
  readonly sound: Pick<Sound, 'samples'> & Partial<Pick<Sound, 'undecoded'>>
  readonly spans?: readonly Span[]
  /** Of the file it is kept as, without its ending. */
  readonly fileName: string
  readonly onFirstPlay?: () => void
  /** It is heard, or taken out as a file. */
  readonly onDid?: (what: 'recordingPlayed' | 'exported') => void
  /** Told of whoever can say where it is and play it from a place, both in seconds, for as long as it is shown. */
  readonly onThere?: (there: { readonly placeS: () => number; readonly playFrom: (seconds: number) => void }) => () => void
  /** What else can be done with it. */
  readonly children?: React.ReactNode
}

export function Player({ sound, spans = [], fileName, onFirstPlay, onDid, onThere, children }: Props) {
  const wav = useMemo(() => new Blob([toWav(sound.samples, RATE_HERTZ)], { type: 'audio/wav' }), [sound.samples])
  const audio = useRef<HTMLAudioElement>(null)
  const [url, setUrl] = useState<string | undefined>(undefined)
  const [playing, setPlaying] = useState(false)
  const [atS, setAtS] = useState(0)
  const [speed, setSpeed] = usePersonalSetting<string>('playing speed', '1')
  const [volume, setVolume] = usePersonalNumber('playing volume', 1)
  const durationMs = durationMsOf(sound)
  const { undecoded = 0 } = sound
  const lastsS = durationMs / 1000
  useEffect(() => {
    const made = URL.createObjectURL(wav)
    setUrl(made)
    return () => URL.revokeObjectURL(made)
  }, [wav])
  useEffect(() => {
    if (audio.current === null) return
    audio.current.playbackRate = Number(speed)
    audio.current.volume = volume
  })
  // Between two words of the browser the mark moves with every picture.
  useEffect(() => {
    if (!playing) return
    let next = requestAnimationFrame(function move() {
      setAtS(audio.current?.currentTime ?? 0)
      next = requestAnimationFrame(move)
    })
    return () => cancelAnimationFrame(next)
  }, [playing])
  const goTo = (seconds: number) => {
    const to = Math.max(0, Math.min(lastsS, seconds))
    if (audio.current !== null) audio.current.currentTime = to
    setAtS(to)
  }
  useEffect(
    () =>
      onThere?.({
        placeS: () => audio.current?.currentTime ?? 0,
        playFrom: (seconds) => {
          if (audio.current === null) return
          audio.current.currentTime = seconds
          setAtS(seconds)
          void audio.current.play().catch(() => setPlaying(false))
        },
      }),
    [onThere],
  )
  const toggle = () => {
    if (playing) return audio.current?.pause()
    onFirstPlay?.()
    void audio.current?.play().catch(() => setPlaying(false))
  }
  const clock = `${formatClock(atS * 1000)} of ${formatClock(durationMs)}`
  return (
    <div className="mt-1">
      {/* biome-ignore lint/a11y/useMediaCaption: its words stand beside it, where they are known */}
      <audio
        ref={audio}
        src={url}
        onPlay={() => {
          setPlaying(true)
          onDid?.('recordingPlayed')
        }}
        onPause={() => setPlaying(false)}
        onEnded={() => setPlaying(false)}
        onTimeUpdate={() => !playing && setAtS(audio.current?.currentTime ?? 0)}
      />
      <div className="relative">
        <Wave samples={sound.samples} spans={spans} durationMs={durationMs} />
        <Slider.Root
          className="absolute inset-0 flex touch-none select-none items-center"
          min={0}
          max={Math.max(STEP_S, lastsS)}
          step={STEP_S}
          value={[Math.min(atS, lastsS)]}
          onValueChange={([to]) => goTo(to ?? 0)}
        >
          <Slider.Track className="relative h-full w-full">
            <Slider.Range className="absolute h-full bg-green-wash/60 mix-blend-multiply" />
          </Slider.Track>
          <Slider.Thumb aria-label="Place in the recording" aria-valuetext={clock} className="block h-[4.5rem] w-[3px] bg-ink" />
        </Slider.Root>
      </div>
      {undecoded > 0 && (
        <p role="status" className="mt-1 text-soft">
          {undecoded === 1 ? 'One part of it cannot' : `${undecoded} parts of it cannot`} be played: it is silent there. What was kept of it stays kept, and can
          be saved as it is.
        </p>
      )}
      <div className="mt-2 flex flex-wrap items-center gap-2">
        <Button tone="primary" onClick={toggle} className="w-20">
          {playing ? 'Pause' : 'Play'}
        </Button>
        <Button onClick={() => goTo(atS - JUMP_S)} aria-label="−5 s: five seconds back">
          −5 s
        </Button>
        <Button onClick={() => goTo(atS + JUMP_S)} aria-label="+5 s: five seconds on">
          +5 s
        </Button>
        <span className="tabular whitespace-nowrap text-soft">{clock}</span>
      </div>
      <div className="mt-2 flex flex-wrap items-center gap-x-4 gap-y-2">
        <label className="flex items-center gap-2 text-soft">
          Speed
          <select value={speed} onChange={(e) => setSpeed(e.target.value)} className="h-8 rounded-sm border border-line-strong bg-raised px-1 text-ink">
            {SPEEDS.map((s) => (
              <option key={s} value={s}>
                {s} ×
              </option>
            ))}
          </select>
        </label>
        <label className="flex items-center gap-2 text-soft">
          Volume
          <input type="range" min={0} max={1} step={0.05} value={volume} onChange={(e) => setVolume(Number(e.target.value))} className="w-20 accent-green" />
        </label>
        <Button
          onClick={() => {
            onDid?.('exported')
            saveFile(`${fileName}.wav`, wav, 'audio/wav')
          }}
        >
          Save as WAV
        </Button>
        {children}
      </div>
    </div>
  )
}
