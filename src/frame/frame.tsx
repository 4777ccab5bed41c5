'use client'
// The frame above all pages: sign-in, places, and while on shift the bar of its state, what rings and what is said. It never goes away while pages change.
import dynamic from 'next/dynamic'
import { usePathname } from 'next/navigation'
import { type ReactNode, useEffect, useState } from 'react'
import { floorNow } from '@/exchange/floor-time'
import type { FloorView } from '@/exchange/protocol'
import { useDoor, useFloorView } from '@/exchange/react'
import { setClockSource, setKeysOwner } from '@/ui'
import { useNumberWords } from '@/words'
import { CallbackAlarm } from './callback-alarm'
import { useFocusKeeper } from './focus-keeper'
import { LiveLine } from './live-line'
import { Notices } from './notices'
import { OnShiftProvider, useOnShift } from './on-shift'
import { PlacesBar } from './places'
import { ShiftBar } from './shift-bar'
import { SignIn } from './sign-in'

/** Seldom opened: they come when they are. */
const StandIns = dynamic(() => import('./stand-ins').then((m) => m.StandIns))
const ShortcutsDialog = dynamic(() => import('./shortcuts-dialog').then((m) => m.ShortcutsDialog))

/** Windows of devices have no desk around them. */
const DEVICES = ['/handset', '/phone']

setClockSource(floorNow)

export function Frame({ children }: { children: ReactNode }) {
  const path = usePathname()
  const door = useDoor()
  const view = useFloorView()
  useFocusKeeper()
  const accountId = view?.account.id ?? null
  useEffect(() => setKeysOwner(accountId), [accountId])
  useTitleOf(view === null && door !== null && door.door.signedIn === null ? 'Sign in' : null)
  if (DEVICES.includes(path)) return children
  if (door !== null && door.door.signedIn === null)
    return (
      <>
        <Notices floor={door.floor} account={null} />
        <SignIn door={door.door} />
      </>
    )
  if (view === null)
    return (
      <p role="status" className="px-6 py-10 text-soft">
        Opening the floor…
      </p>
    )
  return (
    <SignedIn view={view} key={view.account.id}>
      {children}
    </SignedIn>
  )
}

function SignedIn({ view, children }: { view: FloorView; children: ReactNode }) {
  const [standInsOpen, setStandInsOpen] = useState(false)
  const [helpOpen, setHelpOpen] = useState(false)
  useNumberWords()
  const inside = (
    <div className="flex h-screen min-h-0 flex-col">
      <header className="shrink-0">
        <PlacesBar view={view} onStandIns={() => setStandInsOpen(true)} />
        <ShiftPart />
        <Notices floor={view.floor} account={view.account} />
      </header>
      <div data-focus-home className="flex min-h-0 flex-1 flex-col overflow-auto">
        {children}
      </div>
      {standInsOpen && <StandIns open onOpenChange={setStandInsOpen} view={view} />}
      {helpOpen && <ShortcutsDialog open onOpenChange={setHelpOpen} />}
    </div>
  )
  if (view.me === null) return inside
  return (
    <OnShiftProvider view={view} me={view.me} onHelp={() => setHelpOpen(true)}>
      {inside}
    </OnShiftProvider>
  )
}

/** What stands above every page while on shift. */
function ShiftPart() {
  const shift = useOnShift()
  const atDesk = usePathname() === '/'
  if (shift === null) return null
  const { me, view, give } = shift
  return (
    <>
      <ShiftBar shift={shift} />
      {!atDesk && <LiveLine shift={shift} />}
      <CallbackAlarm
        me={me}
        callbacks={view.callbacks}
        timeZone={view.centre.timeZone}
        onCall={(callbackId) => void give({ kind: 'makeCall', typed: '', customer: null, callbackId })}
      />
    </>
  )
}

/** Each page has its own title; null leaves it to somebody else. */
export function useTitleOf(title: string | null): void {
  useEffect(() => {
    if (title !== null) document.title = `${title} · Loyal Switchboard`
  }, [title])
}
