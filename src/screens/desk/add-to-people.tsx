'use client'
// Whoever is on the line, into the agent's list of people. The window for it comes when it is opened.
import { useState } from 'react'
import type { Work } from '@/core/work'
import { Button, later } from '@/parts/ui'
import { useSeen } from '@/services/exchange/react'

const AddPerson = later(() => import('@/screens/people').then((m) => m.AddPerson))

export function AddToPeople({ work: { customer, number } }: { work: Pick<Work, 'customer' | 'number'> }) {
  const account = useSeen((view) => view.account)
  const [open, setOpen] = useState(false)
  if (account === null || number === null) return null
  return (
    <>
      <Button tone="quiet" className="!h-6 !px-0" onClick={() => setOpen(true)}>
        Add to people
      </Button>
      {open && <AddPerson account={account} begins={{ name: customer?.name ?? '', numbers: [{ kind: 'work', number }] }} onClose={() => setOpen(false)} />}
    </>
  )
}
