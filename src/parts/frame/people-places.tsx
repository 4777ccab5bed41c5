'use client'
// What stands under People.
import { PlaceLink } from '@/parts/ui'

const UNDER = [
  ['/people', 'People'],
  ['/log', 'Log of calls'],
  ['/voicemail', 'Voicemail'],
  ['/conferences', 'Conferences'],
] as const

export function PeoplePlaces({ here }: { here: (typeof UNDER)[number][0] }) {
  return (
    <nav aria-label="Under People" className="flex shrink-0 gap-4 border-line border-b bg-raised px-6">
      {UNDER.map(([href, label]) => (
        <PlaceLink key={href} href={href} isHere={href === here} className="-mb-px py-1.5">
          {label}
        </PlaceLink>
      ))}
    </nav>
  )
}
