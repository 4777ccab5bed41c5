// A plate: one party with name, kind and its own clock. What concerns this party alone is pressed on it.
import clsx from 'clsx'
import type { ReactNode } from 'react'

export type PlateTone = 'plain' | 'waiting' | 'late' | 'lost' | 'second'

interface Props {
  readonly name: string
  readonly kind: string
  readonly clock: ReactNode
  readonly tone?: PlateTone
  /** Controls of this party, at the plate's end. */
  readonly children?: ReactNode
}

const TONES: Record<PlateTone, string> = {
  plain: 'border-line-strong bg-raised',
  waiting: 'border-brass bg-brass-wash',
  late: 'border-2 border-red bg-red-wash',
  lost: 'border-red bg-raised',
  second: 'border-sea bg-sea-wash',
}

export function Plate({ name, kind, clock, tone = 'plain', children }: Props) {
  return (
    <div className={clsx('flex h-[68px] min-w-0 items-center gap-2 rounded-sm border px-3', TONES[tone])}>
      <div className="min-w-0 flex-1">
        <div className="eyebrow truncate">{kind}</div>
        <div className="truncate font-semibold text-lg leading-6" title={name}>
          {name}
        </div>
        <div className="truncate text-soft">{clock}</div>
      </div>
      {children}
    </div>
  )
}
