'use client'
// A recording drawn over its time, with what was held and what was left out.
import { area, curveStep } from 'd3-shape'
import { useMemo } from 'react'

export interface Span {
  readonly kind: 'hold' | 'paused'
  /** Since the recording began. */
  readonly fromMs: number
  readonly toMs: number
}

const WIDTH = 520
const HEIGHT = 72

export function Wave({ samples, spans, durationMs }: { samples: Float32Array; spans: readonly Span[]; durationMs: number }) {
  const path = useMemo(() => wavePath(samples), [samples])
  const x = (ms: number) => (ms / durationMs) * WIDTH
  return (
    <svg
      role="img"
      aria-label="The sound of the recording over time"
      viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
      preserveAspectRatio="none"
      className="h-[4.5rem] w-full border border-line bg-raised"
    >
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
