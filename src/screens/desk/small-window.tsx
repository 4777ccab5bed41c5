'use client'
// All of a call in a small window above others: state, board, outcome. The same parts as on the desk, with the same state and the same keys.
import { usePathname } from 'next/navigation'
import { useEffect, useRef, useState } from 'react'
import { createPortal } from 'react-dom'
import { behalfOf } from '@/core/work'
import { closeSmallWindow, type OnShift, StatePart, scriptOf, useOnShift, useShortcuts, useSmallWindow } from '@/parts/frame'
import { PortalHome } from '@/parts/ui'
import { outcomeSetOf } from '@/parts/words'
import { useAllSeen } from '@/services/exchange/react'
import { Board } from './board/board'
import { OutcomeTray, type OutcomeTrayHandle } from './outcome/tray'

export function SmallWindow() {
  const shift = useOnShift()
  const open = useSmallWindow()
  // Who is off shift has no calls.
  const isOver = open !== null && shift === null
  useEffect(() => {
    if (isOver) closeSmallWindow()
  }, [isOver])
  return open === null || shift === null ? null : createPortal(<Inside shift={shift} home={open.document.body} />, open.document.body)
}

function Inside({ shift, home }: { shift: OnShift; home: HTMLElement }) {
  const seen = useAllSeen(({ centre, calls, work }) => ({ centre, calls, work }))
  const { me, rings, ofLine, coding, give, panel, setPanel, trouble } = shift
  const atDesk = usePathname() === '/'
  const tray = useRef<OutcomeTrayHandle>(null)
  const [saved, setSaved] = useState<string | null>(null)
  // The desk, where it is open, hears the same keys: a press must not be done twice.
  useShortcuts(
    atDesk
      ? {}
      : {
          notes: () => tray.current?.focusNotes(),
          save: () => tray.current?.save(),
          extend: () => tray.current?.extend(),
          outcome: (key) => tray.current?.choose(key),
        },
  )
  if (seen === null) return null
  const { centre, calls, work: works } = seen
  const work = works.find((w) => w.id === coding) ?? ofLine
  const mayCode = work !== undefined && !(rings && coding === null) && (work.handledBy === me.id || work.owedBy.includes(me.id))
  const set = work === undefined ? undefined : outcomeSetOf(centre, behalfOf(work))
  return (
    <PortalHome value={home}>
      <main className="flex h-screen flex-col overflow-hidden bg-paper">
        <h1 className="sr-only">Call of {me.name}</h1>
        <header className="flex min-h-11 shrink-0 flex-wrap items-center gap-3 border-line-strong border-b bg-raised px-3 py-1">
          <StatePart {...shift} />
        </header>
        <div className="min-h-0 shrink overflow-visible">
          <Board me={me} centre={centre} calls={calls} work={works} give={give} panel={panel} onPanel={setPanel} problem={trouble} over={null} />
        </div>
        {mayCode && set !== undefined ? (
          // No record stands above it here.
          <div className="flex min-h-0 flex-1 flex-col [&>section]:max-h-full">
            <OutcomeTray
              key={work.id}
              ref={tray}
              me={me}
              work={work}
              set={set}
              script={scriptOf(centre, work)}
              centre={centre}
              onSaved={(label, kept) => setSaved(kept ? `Outcome saved: ${label}.` : `Outcome taken: ${label}. It is not on disk.`)}
            />
          </div>
        ) : (
          <p role="status" className="px-3 py-3 text-soft">
            {saved}
          </p>
        )}
      </main>
    </PortalHome>
  )
}
