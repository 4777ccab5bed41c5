'use client'
// Colleagues beside a call, for who wants them in view all the time: one press chooses somebody to bring to it.
import clsx from 'clsx'
import { useState } from 'react'
import type { Target } from '@/core/calls'
import { folded } from '@/core/people'
import { StateMark } from '@/parts/frame'
import { Button, Clock, usePersonalSetting } from '@/parts/ui'
import { stateWords } from '@/parts/words'
import type { MeView } from '@/services/exchange/protocol'
import { useSeen } from '@/services/exchange/react'
import { inOrder } from './presence'

export const usePeopleBeside = (agentId: string) => usePersonalSetting<'yes' | 'no'>(`people beside a call ${agentId}`, 'no')

interface Props {
  readonly me: MeView
  /** null while there is no call to bring them to. */
  readonly onBring: ((target: Target) => void) | null
}

export function PeopleBeside({ me, onBring }: Props) {
  const seats = useSeen((view) => view.seats) ?? []
  const [typed, setTyped] = useState('')
  const words = folded(typed).split(/\s+/).filter(Boolean)
  const colleagues = seats.filter((s) => s.id !== me.id && s.role === 'agent' && s.state !== 'signedOut')
  const shown = colleagues.filter((s) => words.every((w) => folded(s.name).includes(w))).toSorted(inOrder)
  return (
    <section aria-label="People" className="flex min-h-0 flex-1 flex-col bg-raised px-3 pt-3">
      <input
        aria-label="Find a colleague"
        type="search"
        autoComplete="off"
        placeholder="Find a colleague"
        value={typed}
        onChange={(e) => setTyped(e.target.value)}
        className="h-8 w-full rounded-sm border border-line-strong bg-paper px-2"
      />
      {shown.length === 0 && (
        <p className="mt-2 text-soft">{colleagues.length === 0 ? 'Nobody is on shift but you.' : `Nobody on shift has “${typed.trim()}” in their name.`}</p>
      )}
      {/* biome-ignore lint/a11y/noNoninteractiveTabindex: what scrolls must be reachable by keyboard */}
      <ul tabIndex={0} aria-label="Colleagues" className="mt-2 min-h-0 flex-1 divide-y divide-line overflow-auto -outline-offset-2">
        {shown.map((seat) => (
          <li key={seat.id} className="flex items-center gap-2 py-1">
            <span className="min-w-0 flex-1">
              <span className="block truncate font-semibold" title={seat.name}>
                {seat.name}
              </span>
              <span className="flex min-w-0 items-center gap-1.5 text-soft text-xs">
                <StateMark state={seat.state} />
                <span className={clsx('truncate', seat.state === 'ready' && 'font-semibold text-green')}>{stateWords(seat.state, seat.reason)}</span>
                <Clock sinceMs={seat.sinceMs} />
              </span>
            </span>
            <Button
              className="!h-7 !px-2"
              aria-label={`Bring ${seat.name}`}
              aria-disabled={onBring === null || undefined}
              title={onBring === null ? 'There is no call to bring them to.' : undefined}
              onClick={() => onBring?.({ kind: 'agent', agentId: seat.id })}
            >
              Bring
            </Button>
          </li>
        ))}
      </ul>
    </section>
  )
}
