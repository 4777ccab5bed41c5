// Where one can go, with how much waits there.
import { PlaceLink } from '@/ui'

const PLACES = [
  { id: 'desk', href: '/', label: 'Desk' },
  { id: 'callbacks', href: '/callbacks', label: 'Callbacks' },
  { id: 'results', href: '/results', label: 'Results' },
  { id: 'set-up', href: '/set-up', label: 'Set-up' },
] as const

export type Place = (typeof PLACES)[number]['id']

export function Navigation({ here, counts = {} }: { here: Place; counts?: Partial<Record<Place, number>> }) {
  return (
    <nav aria-label="Places" className="flex gap-2.5">
      {PLACES.map(({ id, href, label }) => (
        <PlaceLink key={id} href={href} isHere={id === here} className="py-1">
          {label}
          {counts[id] !== undefined && counts[id] > 0 && (
            <span className="tabular ml-1 border border-brass bg-brass-wash px-1 text-brass-text text-xs">{counts[id]}</span>
          )}
        </PlaceLink>
      ))}
    </nav>
  )
}
