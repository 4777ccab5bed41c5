'use client'
// The places under Set-up, in plain words, at the head of each of them.
import { PlaceLink } from '@/parts/ui'

const PLACES = [
  { id: 'rules', href: '/set-up', label: 'Queues and accounts' },
  { id: 'outcomes', href: '/outcomes', label: 'Outcomes' },
  { id: 'sheets', href: '/sheets', label: 'Review sheets' },
  { id: 'scripts', href: '/scripts', label: 'Scripts' },
] as const

export function SetUpPlaces({ here }: { here: (typeof PLACES)[number]['id'] }) {
  return (
    <nav aria-label="Under Set-up" className="flex gap-4 border-line border-b bg-raised px-6">
      {PLACES.map(({ id, href, label }) => (
        <PlaceLink key={id} href={href} isHere={id === here} className="-mb-px py-1.5">
          {label}
        </PlaceLink>
      ))}
    </nav>
  )
}
