// A lane of time: the stretches of an agent's day. Each look is one path, since a day of thirty agents has thousands of stretches and a shape each is more than a page carries.
import { bisector, groups } from 'd3-array'
import { type MouseEvent, memo } from 'react'
import { overPlan, type Spell } from '@/core/sessions'
import type { Reason } from '@/core/set-up'
import { LOOKS } from './state-looks'

interface Props {
  readonly spells: readonly Spell[]
  readonly reasons: readonly Reason[]
  readonly x: (date: number) => number
  readonly height: number
}

export const Lane = memo(function Lane({ spells, reasons, x, height }: Props) {
  const box = (fromMs: number, toMs: number, { state }: Spell, least: number) => {
    const { from, to } = LOOKS[state]
    const width = Math.max(least, x(toMs) - x(fromMs))
    return `M${x(fromMs).toFixed(1)} ${2 + from * height}h${width.toFixed(1)}v${(to - from) * height}h${(-width).toFixed(1)}z`
  }
  const states = groups(spells, (s) => s.state)
  const late = spells.filter((s) => overPlan(s, reasons) > 0)
  return (
    <>
      {states.map(([state, those]) => (
        <path key={state} d={those.map((s) => box(s.fromMs, s.toMs, s, 0.5)).join('')} fill={LOOKS[state].fill} />
      ))}
      {late.length > 0 && <path d={late.map((s) => box(s.toMs - overPlan(s, reasons), s.toMs, s, 1)).join('')} fill="url(#over-plan)" />}
    </>
  )
})

const byStart = bisector((s: Spell) => s.fromMs)

/** The stretch under the pointer in a drawing of this width. */
export function spellUnder(event: MouseEvent<SVGElement>, spells: readonly Spell[], width: number, timeAt: (x: number) => Date): Spell | null {
  const drawing = event.currentTarget.ownerSVGElement ?? event.currentTarget
  const { left, width: shown } = drawing.getBoundingClientRect()
  const atMs = timeAt(((event.clientX - left) / shown) * width).getTime()
  const spell = spells[byStart.right(spells, atMs) - 1]
  return spell !== undefined && spell.toMs > atMs ? spell : null
}
