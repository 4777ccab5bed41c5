'use client'
// One recording: its sound drawn over the time of the call, with what was held and what was left out marked, to be played
// and saved. What this browser does not keep is said.
import { area, curveStep } from 'd3-shape'
import { useEffect, useMemo, useState } from 'react'
import { toWav } from '@/core/formats'
import type { LedgerEntry } from '@/core/ledger'
import { formatClock } from '@/core/time'
import { loadRuns, type RecordingRun } from '@/exchange/recordings/client'
import { Button, saveFile } from '@/ui'
import { type RecordingSpan, spansOf } from './recording-spans'

const WIDTH = 520
const HEIGHT = 72
const RATE_HERTZ = 16_000

interface Sound {
  readonly startedAtMs: number
  /** The whole recording on one time line; silence where nothing was recorded. */
  readonly samples: Float32Array
  readonly runs: readonly RecordingRun[]
}

type Loaded =
  | { readonly state: 'loading' }
  | { readonly state: 'none' }
  | { readonly state: 'broken'; readonly says: string }
  | { readonly state: 'here'; readonly sound: Sound }

export function Recording({ recordingId, entries }: { recordingId: string; entries: readonly LedgerEntry[] }) {
  const [loaded, setLoaded] = useState<Loaded>({ state: 'loading' })
  useEffect(() => {
    let alive = true
    load(recordingId).then(
      (next) => alive && setLoaded(next),
      (error: unknown) => alive && setLoaded({ state: 'broken', says: error instanceof Error ? error.message : String(error) }),
    )
    return () => {
      alive = false
    }
  }, [recordingId])
  return (
    <section aria-label="Recording" className="border-line border-t pt-3">
      <h2 className="eyebrow">Recording</h2>
      {loaded.state === 'loading' && <p className="text-soft">Looking for its sound…</p>}
      {loaded.state === 'none' && <p className="text-soft">No sound of it is kept in this browser: it was recorded at another desk, or by a stand-in.</p>}
      {loaded.state === 'broken' && <p className="text-red">Its sound cannot be read: {loaded.says}</p>}
      {loaded.state === 'here' && <Player recordingId={recordingId} sound={loaded.sound} entries={entries} />}
    </section>
  )
}

function Player({ recordingId, sound, entries }: { recordingId: string; sound: Sound; entries: readonly LedgerEntry[] }) {
  const wav = useMemo(() => new Blob([toWav(sound.samples, RATE_HERTZ)], { type: 'audio/wav' }), [sound])
  const [url, setUrl] = useState<string | null>(null)
  useEffect(() => {
    const made = URL.createObjectURL(wav)
    setUrl(made)
    return () => URL.revokeObjectURL(made)
  }, [wav])
  const durationMs = (sound.samples.length / RATE_HERTZ) * 1000
  const spans = spansOf(entries, sound.startedAtMs, sound.startedAtMs + durationMs)
  const saveAsRecorded = () => {
    for (const [i, run] of sound.runs.entries()) saveFile(`${recordingId}${sound.runs.length > 1 ? `-${i + 1}` : ''}.webm`, run.data, run.data.type)
  }
  return (
    <div className="mt-1">
      <Wave samples={sound.samples} spans={spans} durationMs={durationMs} />
      <p className="text-soft">
        <span className="tabular">{formatClock(durationMs)}</span> long
        {spans.map((s) => (
          <span key={`${s.kind} ${s.fromMs}`}>
            {' '}
            · {s.kind === 'hold' ? 'on hold' : 'paused'} from <span className="tabular">{formatClock(s.fromMs)}</span> to{' '}
            <span className="tabular">{formatClock(s.toMs)}</span>
          </span>
        ))}
      </p>
      {url !== null && (
        // biome-ignore lint/a11y/useMediaCaption: the captions of the call stand among its events beside it
        <audio controls src={url} aria-label="Play the recording" className="mt-2 w-full" />
      )}
      <div className="mt-2 flex gap-2">
        <Button onClick={() => saveFile(`${recordingId}.wav`, wav, 'audio/wav')}>Save as WAV</Button>
        <Button onClick={saveAsRecorded}>Save as recorded</Button>
      </div>
    </div>
  )
}

function Wave({ samples, spans, durationMs }: { samples: Float32Array; spans: readonly RecordingSpan[]; durationMs: number }) {
  const path = useMemo(() => wavePath(samples), [samples])
  const x = (ms: number) => (ms / durationMs) * WIDTH
  return (
    <svg role="img" aria-label="The sound of the recording over time" viewBox={`0 0 ${WIDTH} ${HEIGHT}`} className="w-full border border-line bg-raised">
      <defs>
        <pattern id="paused" width="6" height="6" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
          <rect width="3" height="6" fill="var(--color-line-strong)" />
        </pattern>
      </defs>
      {spans.map((s) => (
        <rect
          key={`${s.kind} ${s.fromMs}`}
          data-span={s.kind}
          x={x(s.fromMs)}
          width={Math.max(1, x(s.toMs) - x(s.fromMs))}
          height={HEIGHT}
          fill={s.kind === 'hold' ? 'var(--color-brass-wash)' : 'url(#paused)'}
        />
      ))}
      <path d={path} fill="var(--color-green)" />
    </svg>
  )
}

/** Loudest sample of each column, above and below the middle. */
function wavePath(samples: Float32Array): string {
  const perColumn = Math.max(1, Math.floor(samples.length / WIDTH))
  const peaks = Array.from({ length: WIDTH }, (_, column) => {
    let peak = 0
    for (let i = column * perColumn; i < Math.min(samples.length, (column + 1) * perColumn); i++) peak = Math.max(peak, Math.abs(samples[i] as number))
    return peak
  })
  const half = HEIGHT / 2
  const draw = area<number>()
    .x((_, i) => i)
    .y0((peak) => half + Math.max(0.5, peak * half))
    .y1((peak) => half - Math.max(0.5, peak * half))
    .curve(curveStep)
  return draw(peaks) ?? ''
}

async function load(recordingId: string): Promise<Loaded> {
  const runs = await loadRuns(recordingId)
  const first = runs[0]
  if (first === undefined) return { state: 'none' }
  // Decoding needs a context and no loudspeaker; its rate is the one the samples are wanted at.
  const context = new OfflineAudioContext(1, 1, RATE_HERTZ)
  const parts = await Promise.all(runs.map(async (run) => ({ run, buffer: await context.decodeAudioData(await run.data.arrayBuffer()) })))
  const offset = (run: RecordingRun) => Math.round(((run.startedAtMs - first.startedAtMs) / 1000) * RATE_HERTZ)
  const length = Math.max(...parts.map(({ run, buffer }) => offset(run) + buffer.length))
  const samples = new Float32Array(length)
  for (const { run, buffer } of parts) samples.set(buffer.getChannelData(0), offset(run))
  return { state: 'here', sound: { startedAtMs: first.startedAtMs, samples, runs } }
}
