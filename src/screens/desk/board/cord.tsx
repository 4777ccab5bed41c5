// Cords between my plate and the others: solid and taut while talking, slack and broken while held, dotted while ringing,
// cut short while an end is being cut, with a cross-bar at the muted end. Form tells the state; colour only repeats it.
import type { Cord, CordForm, LinkForm } from './cord-form'

export const CORD_WIDTH = 128
/** One party's share of the height. */
export const PLATE_STEP = 76

interface Looks {
  readonly stroke: string
  readonly width: number
  readonly dash?: string
  readonly sag: number
}
const LOOKS: Record<Exclude<CordForm, 'none' | 'cut'>, Looks> = {
  talking: { stroke: 'var(--color-green)', width: 5, sag: 4 },
  whisper: { stroke: 'var(--color-sea)', width: 3, sag: 4 },
  toMe: { stroke: 'var(--color-sea)', width: 3, sag: 4 },
  toThem: { stroke: 'var(--color-sea)', width: 3, sag: 4 },
  held: { stroke: 'var(--color-brass)', width: 4, dash: '38 26 400', sag: 26 },
  ringing: { stroke: 'var(--color-brass)', width: 5, dash: '0.1 12', sag: 4 },
  apart: { stroke: 'var(--color-line-strong)', width: 2, dash: '4 6', sag: 4 },
}

/** `second` draws the line of a consult: sea instead of green. `preview` draws what would be, thinner and paler. */
export interface Link {
  /** Places of two plates next to each other. */
  readonly upper: number
  readonly form: LinkForm
}

interface Props {
  readonly cords: readonly Cord[]
  /** What joins the other plates among themselves. */
  readonly links: readonly Link[]
  readonly second: boolean
  readonly preview: boolean
}

export function Cords({ cords, links, second, preview }: Props) {
  const height = Math.max(1, cords.length) * PLATE_STEP
  const from = height / 2
  return (
    <svg aria-hidden width={CORD_WIDTH} height={height} className="shrink-0" opacity={preview ? 0.65 : 1}>
      {cords.map((cord, i) => (
        // The plates keep their order: a place is all there is to tell two cords apart.
        // biome-ignore lint/suspicious/noArrayIndexKey: see above
        <OneCord key={i} cord={cord} fromY={from} toY={i * PLATE_STEP + PLATE_STEP / 2} second={second} />
      ))}
      {links.map(({ upper, form }) => (
        <LinkCord key={upper} y={upper * PLATE_STEP + PLATE_STEP / 2} form={form} second={second} />
      ))}
      <Jack x={8} y={from} />
    </svg>
  )
}

function OneCord({ cord, fromY, toY, second }: { cord: Cord; fromY: number; toY: number; second: boolean }) {
  const right = CORD_WIDTH - 8
  if (cord.form === 'none') return <Jack x={right} y={toY} />
  if (cord.form === 'cut')
    return (
      <g data-cord="cut" stroke="var(--color-red)" strokeWidth={4} strokeLinecap="round" fill="none">
        <path d={`M 8 ${fromY} q 20 2 34 14`} />
        <path d={`M ${right} ${toY} q -20 2 -34 14`} />
        <Jack x={right} y={toY} />
      </g>
    )
  const { stroke, width, dash, sag } = LOOKS[cord.form]
  const colour = second && cord.form === 'talking' ? 'var(--color-sea)' : stroke
  const path = `M 8 ${fromY} C ${CORD_WIDTH * 0.4} ${fromY + sag}, ${CORD_WIDTH * 0.6} ${toY + sag}, ${right} ${toY}`
  return (
    <g data-cord={cord.form}>
      <path d={path} fill="none" stroke={colour} strokeWidth={width} strokeDasharray={dash} strokeLinecap="round" />
      <Jack x={right} y={toY} />
      {(cord.form === 'toMe' || cord.form === 'whisper') && <Arrow x={26} y={fromY} to="left" />}
      {(cord.form === 'toThem' || cord.form === 'whisper') && <Arrow x={right - 18} y={toY} to="right" />}
      {cord.mutedHere && <CrossBar x={36} y={fromY} />}
      {cord.mutedThere && <CrossBar x={right - 26} y={toY} />}
    </g>
  )
}

/** From one plate to the next: the others hear each other too, with or without me. */
function LinkCord({ y, form, second }: { y: number; form: Link['form']; second: boolean }) {
  const right = CORD_WIDTH - 8
  const oneWay = form === 'toUpper' || form === 'toLower'
  const { stroke, width, dash } = LOOKS[oneWay ? 'toMe' : form]
  const path = `M ${right} ${y + 5} C ${right - 20} ${y + 20}, ${right - 20} ${y + PLATE_STEP - 20}, ${right} ${y + PLATE_STEP - 5}`
  const colour = second && form === 'talking' ? 'var(--color-sea)' : stroke
  return (
    <g data-link={form}>
      <path d={path} fill="none" stroke={colour} strokeWidth={width - 1} strokeDasharray={dash} strokeLinecap="round" />
      {oneWay && <Arrow x={right - 18} y={form === 'toUpper' ? y + 8 : y + PLATE_STEP - 8} to="right" />}
    </g>
  )
}

const CrossBar = ({ x, y }: { x: number; y: number }) => (
  <g stroke="var(--color-red)" strokeWidth={4} strokeLinecap="round">
    <line x1={x} y1={y - 13} x2={x} y2={y + 15} />
    <line x1={x + 8} y1={y - 13} x2={x + 8} y2={y + 15} />
  </g>
)

/** At the end that hears. */
const Arrow = ({ x, y, to }: { x: number; y: number; to: 'left' | 'right' }) => (
  <path d={to === 'left' ? `M ${x} ${y - 8} l -14 9 l 14 9 z` : `M ${x} ${y - 8} l 14 9 l -14 9 z`} fill="var(--color-sea)" />
)

function Jack({ x, y }: { x: number; y: number }) {
  return <circle cx={x} cy={y} r={5} fill="var(--color-raised)" stroke="var(--color-ink)" strokeWidth={2} strokeDasharray="none" />
}
