'use client'
// The frame above all pages: sign-in, places, and while on shift the bar of its state, what rings and what is said. It never goes away while pages change.
import { usePathname } from 'next/navigation'
import { type ReactNode, useCallback, useEffect, useState } from 'react'
import { later, setClockSource, setKeysOwner, usePlaceKept } from '@/parts/ui'
import { useNumberWords } from '@/parts/words'
import { floorNow } from '@/services/exchange/floor-time'
import type { AccountView } from '@/services/exchange/protocol'
import { useDoor, useNotOpened, useSeen } from '@/services/exchange/react'
import { ListsAtWork } from '@/services/lists/react'
import { Apart } from './apart'
import { Asked } from './asked'
import { BacksUp } from './backs-up'
import { CallbackAlarm } from './callback-alarm'
import { ConferenceDue } from './conference-due'
import { useFocusKeeper } from './focus-keeper'
import { HelpAsked, HelpWanted } from './help'
import { LiveLine } from './live-line'
import { Lock } from './lock'
import { MessageLines, MessagesPane } from './messages'
import { Notices } from './notices'
import { Offers } from './offers'
import { OnShiftProvider, useOnShift } from './on-shift'
import { PlacesBar } from './places'
import { useRegionKeys } from './region-keys'
import { ReviewLine } from './review-line'
import { ShiftBar } from './shift-bar'
import { useShortcuts } from './shortcuts'
import { SignIn } from './sign-in'
import { ToldLines } from './told'

/** Seldom opened: they come when they are. */
const StandIns = later(() => import('./stand-ins').then((m) => m.StandIns))
const findDialog = () => import('./find-dialog').then((m) => m.FindDialog)
const FindDialog = later(findDialog)
const ShortcutsDialog = later(() => import('./shortcuts-dialog').then((m) => m.ShortcutsDialog))

/** The page comes first. */
const FETCHES_AFTER_MS = 2_000

/** Windows of devices have no desk around them. */
const DEVICES = ['/handset', '/phone']

setClockSource(floorNow)

export function Frame({ children }: { children: ReactNode }) {
  const path = usePathname()
  const door = useDoor()
  const account = useSeen((view) => view.account)
  useFocusKeeper()
  useRegionKeys()
  const accountId = account?.id ?? null
  useEffect(() => setKeysOwner(accountId), [accountId])
  useTitleOf(account === null && door !== null && door.door.signedIn === null ? 'Sign in' : null)
  if (DEVICES.includes(path)) return children
  if (door !== null && door.door.signedIn === null)
    return (
      <>
        <Notices floor={door.floor} account={null} />
        <SignIn door={door.door} />
      </>
    )
  if (account === null) return <Opening />
  return (
    <SignedIn account={account} key={account.id}>
      {children}
    </SignedIn>
  )
}

function Opening() {
  const notOpened = useNotOpened()
  if (notOpened === null)
    return (
      <p role="status" className="px-6 py-10 text-soft">
        Opening the floor…
      </p>
    )
  return (
    <div role="alert" className="m-6 max-w-[45rem] border-red border-l-4 bg-red-wash px-4 py-3 text-ink">
      <p className="font-semibold text-red">The floor cannot be opened: this browser does not give back what it keeps ({notOpened}).</p>
      <p className="mt-1">
        It is tried again by itself, and nothing that is stored has been touched. If it stays so, make room on the disk, close other tabs of this address, and
        open the browser again.
      </p>
    </div>
  )
}

function SignedIn({ account, children }: { account: AccountView; children: ReactNode }) {
  const floor = useSeen((view) => view.floor)
  const isOnShift = useSeen(({ me }) => me !== null) === true
  const [standInsOpen, setStandInsOpen] = useState(false)
  const [helpOpen, setHelpOpen] = useState(false)
  const [finding, setFinding] = useState(false)
  const openStandIns = useCallback(() => setStandInsOpen(true), [])
  const openHelp = useCallback(() => setHelpOpen(true), [])
  const openFind = useCallback(() => setFinding(true), [])
  // Letters follow its key at once: it is there by then.
  useEffect(() => {
    const idle = setTimeout(() => void findDialog(), FETCHES_AFTER_MS)
    return () => clearTimeout(idle)
  }, [])
  // On the desk the dial line finds the same, and has the key.
  const path = usePathname()
  const scrolls = usePlaceKept<HTMLDivElement>(path)
  const hasDialLine = path === '/' && isOnShift
  useShortcuts(hasDialLine ? { help: openHelp } : { help: openHelp, dial: openFind })
  const inside = (
    <div className="short:h-auto short:min-h-screen flex h-screen min-h-0 flex-col print:block print:h-auto">
      <ListsAtWork />
      <BacksUp />
      <button
        type="button"
        className="sr-only focus:not-sr-only focus:absolute focus:top-1 focus:left-1 focus:z-50 focus:border focus:border-ink focus:bg-raised focus:px-3 focus:py-1 focus:font-semibold"
        onClick={() => {
          const main = document.querySelector<HTMLElement>('main h1, main')
          if (main === null) return
          main.tabIndex = -1
          main.focus()
        }}
      >
        Skip to the page
      </button>
      <header className="shrink-0 print:hidden">
        <PlacesBar account={account} onFind={hasDialLine ? null : openFind} onStandIns={openStandIns} onHelp={openHelp} />
        <ShiftPart />
        <HelpWanted accountId={account.id} />
        <ToldLines />
        <MessageLines />
        <ReviewLine />
        {floor !== null && <Notices floor={floor} account={account} />}
      </header>
      <div ref={scrolls} data-focus-home className="short:overflow-visible flex min-h-0 flex-1 flex-col overflow-auto print:block print:overflow-visible">
        {children}
      </div>
      <Apart what="The pane of messages">
        <MessagesPane />
      </Apart>
      <Apart what="The window of the stand-ins" onAgain={() => setStandInsOpen(false)}>
        {standInsOpen && <StandIns open onOpenChange={setStandInsOpen} />}
      </Apart>
      <Apart what="Find" onAgain={() => setFinding(false)}>
        {finding && <FindDialog open onOpenChange={setFinding} />}
      </Apart>
      <Apart what="The list of shortcuts" onAgain={() => setHelpOpen(false)}>
        {helpOpen && <ShortcutsDialog open onOpenChange={setHelpOpen} />}
      </Apart>
      <Lock account={account} />
    </div>
  )
  return isOnShift ? <OnShiftProvider>{inside}</OnShiftProvider> : inside
}

/** What stands above every page while on shift. */
function ShiftPart() {
  useNumberWords()
  const shift = useOnShift()
  const atDesk = usePathname() === '/'
  if (shift === null) return null
  return (
    <>
      <ShiftBar shift={shift} />
      {!atDesk && <LiveLine shift={shift} />}
      <HelpAsked me={shift.me} give={shift.give} />
      <Asked me={shift.me} give={shift.give} />
      <Offers {...shift} />
      <ConferenceDue me={shift.me} give={shift.give} />
      <CallbackAlarm me={shift.me} give={shift.give} />
    </>
  )
}

/** Each page has its own title; null leaves it to somebody else. */
export function useTitleOf(title: string | null): void {
  useEffect(() => {
    if (title !== null) document.title = `${title} · Loyal Switchboard`
  }, [title])
}
