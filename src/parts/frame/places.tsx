'use client'
// The places bar, on every page: the product, where one can go, who is signed in, and in the demonstration the stand-ins.
import { usePathname } from 'next/navigation'
import { memo } from 'react'
import { Button, PlaceLink } from '@/parts/ui'
import type { AccountView } from '@/services/exchange/protocol'
import { AccountMenu } from './account-menu'
import { MessagesButton } from './messages'
import { mayEnter, PLACES, type Place } from './rights'
import { SHORTCUTS } from './shortcuts'

const UNDER: readonly (readonly [path: string, place: Place])[] = [
  ['/people', 'people'],
  ['/log', 'people'],
  ['/voicemail', 'people'],
  ['/conferences', 'people'],
  ['/callbacks', 'callbacks'],
  ['/do-not-call', 'callbacks'],
  ['/campaigns', 'campaigns'],
  ['/floor', 'floor'],
  ['/results', 'results'],
  ['/set-up', 'set-up'],
  ['/outcomes', 'set-up'],
  ['/scripts', 'set-up'],
  ['/sheets', 'set-up'],
]

/** The place an address belongs to. */
export const placeOf = (path: string): Place => UNDER.find(([start]) => path === start || path.startsWith(`${start}/`))?.[1] ?? 'desk'

export const PlacesBar = memo(function PlacesBar({
  account,
  onFind,
  onStandIns,
  onHelp,
}: {
  account: AccountView
  onFind: (() => void) | null
  onStandIns: () => void
  onHelp: () => void
}) {
  const here = placeOf(usePathname())
  return (
    <div className="flex min-h-8 shrink-0 flex-wrap items-center gap-x-5 border-line border-b bg-raised px-4">
      <span className="whitespace-nowrap font-semibold text-green">Loyal Switchboard</span>
      <nav aria-label="Places" className="flex min-w-0 flex-wrap gap-x-4 whitespace-nowrap max-md:order-last max-md:w-full">
        {PLACES.filter(({ id }) => mayEnter(account, id)).map(({ id, href, label }) => (
          <PlaceLink key={id} href={href} isHere={id === here} className="py-1">
            {label}
          </PlaceLink>
        ))}
      </nav>
      <div className="ml-auto flex shrink-0 items-center gap-3">
        {onFind !== null && (
          <Button tone="quiet" className="!h-7 !px-1" shortcut={SHORTCUTS.dial.keys} onClick={onFind}>
            Find
          </Button>
        )}
        <MessagesButton />
        <Button tone="quiet" className="!h-7 !px-1" onClick={onStandIns}>
          Stand-ins
        </Button>
        <AccountMenu account={account} onHelp={onHelp} />
      </div>
    </div>
  )
})
