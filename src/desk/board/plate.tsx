// A plate: one party with name, kind and its own clock.
import clsx from 'clsx'
import type { ReactNode } from 'react'

interface Props {
  readonly name: string
  readonly kind: string
  readonly clock: ReactNode
  readonly tone?: 'plain' | 'waiting' | 'late' | 'lost'
  readonly children?: ReactNode
}

const TONES = {
  plain: 'border-line-strong bg-raised',
  waiting: 'border-brass bg-brass-wash',
  late: 'border-2 border-red bg-red-wash',
  lost: 'border-red bg-raised',
}

export function Plate({ name, kind, clock, tone = 'plain', children }: Props) {
  return (
    <div className={clsx('min-w-0 rounded-sm border px-3 py-2', TONES[tone])}>
      <div className="eyebrow truncate">{kind}</div>
      <div className="truncate font-semibold text-lg leading-6" title={name}>
        {name}
      </div>
      <div className="truncate text-soft">{clock}</div>
      {children}
    </div>
  )
}
