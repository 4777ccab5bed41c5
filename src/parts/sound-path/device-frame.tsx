// The window of a device that a stand-in plays, plainly marked as such.
import type { ReactNode } from 'react'

export function DeviceFrame({ title, owner, children }: { title: string; owner: string | null; children: ReactNode }) {
  return (
    <main className="mx-auto max-w-[21.25rem] px-5 py-5">
      <p className="eyebrow">Stand-in</p>
      <h1 className="font-semibold text-xl">{title}</h1>
      <p className="mb-4 text-soft">{owner === null ? 'Connecting to the floor…' : `of ${owner}`}</p>
      {children}
    </main>
  )
}
