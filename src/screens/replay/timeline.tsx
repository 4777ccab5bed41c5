'use client'
// The day as a line to go along: how many waited, minute by minute, what was done about the floor, and where one is.
import { max } from 'd3-array'
import { scaleLinear, scaleTime } from 'd3-scale'
import { area, curveStepAfter } from 'd3-shape'
import { format } from 'date-fns'
import { formatClock } from '@/core/time'
import type { DayOpened } from './client'

interface Props {
  readonly day: DayOpened & { readonly fromMs: number; readonly toMs: number }
  readonly atMs: number
  readonly onGo: (atMs: number) => void
  readonly wordsOf: (mark: DayOpened['marks'][number]) => string
}

const WIDTH = 1232
const HEIGHT = 64
const STEP_MS = 1_000

export function Timeline({ day, atMs, onGo, wordsOf }: Props) {
  const { fromMs, toMs, waiting, marks } = day
  const x = scaleTime([fromMs, toMs], [0, WIDTH])
  const y = scaleLinear([0, Math.max(3, max(waiting) ?? 0)], [HEIGHT - 16, 4])
  const path =
    area<number>()
      .x((_, minute) => x(fromMs + minute * 60_000))
      .y0(HEIGHT - 16)
      .y1((n) => y(n))
      .curve(curveStepAfter)([...waiting]) ?? ''
  return (
    <div className="relative">
      <svg viewBox={`0 0 ${WIDTH} ${HEIGHT}`} className="block h-16 w-full" preserveAspectRatio="none" aria-hidden>
        <path d={path} fill="var(--color-brass)" opacity={0.55} />
        {marks.map((mark) => (
          <line key={mark.seq} x1={x(mark.atMs)} x2={x(mark.atMs)} y1={0} y2={HEIGHT - 16} stroke="var(--color-red)" strokeWidth={1.5}>
            <title>{`${format(mark.atMs, 'HH:mm:ss')} ${wordsOf(mark)}`}</title>
          </line>
        ))}
        <line x1={x(atMs)} x2={x(atMs)} y1={0} y2={HEIGHT - 12} stroke="var(--color-ink)" strokeWidth={2} />
      </svg>
      <input
        type="range"
        aria-label="Time of the day"
        aria-valuetext={format(atMs, 'HH:mm:ss')}
        className="absolute inset-0 size-full cursor-pointer opacity-0 focus-visible:opacity-30"
        min={fromMs}
        max={toMs}
        step={STEP_MS}
        value={atMs}
        onChange={(e) => onGo(Number(e.target.value))}
      />
      <div className="tabular flex justify-between text-soft text-xs">
        {x.ticks(12).map((tick) => (
          <span key={tick.getTime()} className="absolute bottom-0 -translate-x-1/2" style={{ left: `${(x(tick) / WIDTH) * 100}%` }}>
            {format(tick, 'HH:mm')}
          </span>
        ))}
      </div>
      <p className="sr-only">
        {`At most ${max(waiting) ?? 0} waited. ${marks.length} marks: ${marks.map((m) => `${format(m.atMs, 'HH:mm')} ${wordsOf(m)}`).join('; ')}. The day lasts ${formatClock(toMs - fromMs)}.`}
      </p>
    </div>
  )
}
