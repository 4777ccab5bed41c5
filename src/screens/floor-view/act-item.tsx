'use client'
// An act in a menu: pointed at, by pointer or keyboard, it says below the list what would come of it.
import { createContext, type ReactNode, useContext, useState } from 'react'
import type { Ask } from '@/core/floor'
import { Menu, MenuItem, nameIn } from '@/parts/ui'
import { useSeen } from '@/services/exchange/react'
import { useForesee } from './foresee'

const PointContext = createContext<(ask: Ask | null) => void>(() => {})

/** A menu whose acts say beforehand what comes of them: below the list for the eye, beside the menu, which may hold items only, for the ear. */
export function ActMenu({ children, ...menu }: Omit<Parameters<typeof Menu>[0], 'open' | 'onOpenChange'>) {
  const [pointed, setPointed] = useState<Ask | null>(null)
  return (
    <>
      <Menu {...menu} onOpenChange={(open) => !open && setPointed(null)}>
        <PointContext value={setPointed}>{children}</PointContext>
        {pointed !== null && <Follows ask={pointed} />}
      </Menu>
      {pointed !== null && <Follows ask={pointed} aloud />}
    </>
  )
}

interface ItemProps {
  readonly ask: Ask
  readonly onSelect: () => void
  readonly children: ReactNode
}

export function ActItem({ ask, onSelect, children }: ItemProps) {
  const point = useContext(PointContext)
  return (
    <MenuItem onSelect={onSelect} onPoint={() => point(ask)}>
      {children}
    </MenuItem>
  )
}

function Follows({ ask, aloud = false }: { ask: Ask; aloud?: boolean }) {
  const queues = useSeen((view) => view.centre.queues) ?? NOBODY
  const seats = useSeen((view) => view.seats) ?? NOBODY
  const foreseen = useForesee(ask, { queue: (id) => nameIn(queues, id), agent: (id) => nameIn(seats, id) })
  const says = foreseen?.says ?? 'Working out what follows…'
  if (aloud)
    return (
      <span role="status" aria-label="What would follow" className="sr-only">
        {says}
      </span>
    )
  return (
    <p aria-hidden className={`mt-1 max-w-80 border-line border-t px-3 py-1.5 ${foreseen?.refused ? 'text-red' : 'text-soft'}`}>
      {says}
    </p>
  )
}

const NOBODY = [] as const
