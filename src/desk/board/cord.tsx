// A cord between two plates: solid and taut while talking, slack and broken while held, dotted while ringing, with a
// cross-bar while muted. Form tells the state; colour only repeats it.
import type { CordForm } from './describe'

const WIDTH = 220
const HEIGHT = 72
const LOOKS: Record<Exclude<CordForm, 'none'>, { stroke: string; width: number; dash: string | undefined; sag: number }> = {
  talking: { stroke: 'var(--color-green)', width: 5, dash: undefined, sag: 4 },
  held: { stroke: 'var(--color-brass)', width: 4, dash: '58 34 400', sag: 30 },
  ringing: { stroke: 'var(--color-brass)', width: 5, dash: '0.1 12', sag: 4 },
}

export function Cord({ form, muted }: { form: CordForm; muted: boolean }) {
  const middle = HEIGHT / 2
  if (form === 'none')
    return (
      <svg aria-hidden width={WIDTH} height={HEIGHT} className="shrink-0">
        <Jack x={8} />
        <Jack x={WIDTH - 8} />
      </svg>
    )
  const { stroke, width, dash, sag } = LOOKS[form]
  const path = `M 8 ${middle} C ${WIDTH * 0.35} ${middle + sag}, ${WIDTH * 0.65} ${middle + sag}, ${WIDTH - 8} ${middle}`
  return (
    <svg aria-hidden width={WIDTH} height={HEIGHT} data-cord={form} className="shrink-0">
      <path d={path} fill="none" stroke={stroke} strokeWidth={width} strokeDasharray={dash} strokeLinecap="round" />
      <Jack x={8} />
      <Jack x={WIDTH - 8} />
      {muted && form === 'talking' && (
        <g stroke="var(--color-red)" strokeWidth={4} strokeLinecap="round">
          <line x1={44} y1={middle - 14} x2={44} y2={middle + 16} />
          <line x1={52} y1={middle - 14} x2={52} y2={middle + 16} />
        </g>
      )}
    </svg>
  )
}

function Jack({ x }: { x: number }) {
  return <circle cx={x} cy={HEIGHT / 2} r={5} fill="var(--color-raised)" stroke="var(--color-ink)" strokeWidth={2} />
}
