// A plate: one party with name, kind and its own clock. What concerns this party alone is pressed on it.
import clsx from 'clsx'
import type { ReactNode } from 'react'

export type PlateTone = 'plain' | 'waiting' | 'late' | 'lost' | 'second' | 'ghost'

interface Props {
  readonly name: string
  readonly kind: string
  readonly clock: ReactNode
  readonly tone?: PlateTone
  /** Whether they speak. */
  readonly speaks?: ReactNode
  /** Controls of this party, below its name; the plate says less then. */
  readonly children?: ReactNode
}

const TONES: Record<PlateTone, string> = {
  plain: 'border-line-strong bg-raised',
  waiting: 'border-brass bg-brass-wash',
  late: 'border-2 border-red bg-red-wash',
  lost: 'border-red bg-raised',
  second: 'border-sea bg-sea-wash',
  ghost: 'border-dashed border-ink bg-paper',
}

export function Plate({ name, kind, clock, tone = 'plain', speaks, children }: Props) {
  const box = clsx('flex h-[4.25rem] min-w-0 flex-col justify-center rounded-sm border px-3', TONES[tone])
  if (children !== undefined)
    return (
      <div className={box}>
        <div className="flex min-w-0 items-baseline gap-2">
          <span className="max-w-[75%] shrink-0 truncate font-semibold text-base" title={name}>
            {name}
          </span>
          <span className="eyebrow min-w-0 shrink truncate" title={kind}>
            {kind}
          </span>
          {speaks !== undefined && <span className="ml-auto">{speaks}</span>}
        </div>
        <div className="mt-0.5 flex items-center gap-1">
          {children}
          <span className="ml-1 min-w-0 truncate text-soft text-xs">{clock}</span>
        </div>
      </div>
    )
  return (
    <div className={box}>
      <div className="flex items-center gap-2">
        <span className="eyebrow min-w-0 flex-1 truncate">{kind}</span>
        {speaks}
      </div>
      <div className="truncate font-semibold text-lg leading-6" title={name}>
        {name}
      </div>
      <div className="truncate text-soft">{clock}</div>
    </div>
  )
}
