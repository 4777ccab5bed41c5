// A line below the shift bar for what stands open between people: who asks, who comes, what was answered.
import clsx from 'clsx'
import type { ReactNode } from 'react'

export function Line({ label, alert = false, children }: { label: string; alert?: boolean; children: ReactNode }) {
  return (
    <section
      role={alert ? 'alert' : undefined}
      aria-label={label}
      className={clsx('flex min-h-8 items-center gap-3 border-sea border-b border-b-line border-l-4 px-4 py-0.5', alert ? 'bg-sea-wash' : 'bg-raised')}
    >
      {children}
    </section>
  )
}
