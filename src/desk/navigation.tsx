// Where one can go, in plain words. The current place is said by weight and underline, and to screen readers.
import clsx from 'clsx'
import Link from 'next/link'

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
        <Link
          key={id}
          href={href}
          // An agent seldom leaves the desk: other places are fetched when they are gone to.
          prefetch={false}
          aria-current={id === here ? 'page' : undefined}
          className={clsx('py-1', id === here ? 'border-green border-b-2 font-semibold' : 'text-soft hover:text-ink')}
        >
          {label}
          {counts[id] !== undefined && counts[id] > 0 && (
            <span className="tabular ml-1 border border-brass bg-brass-wash px-1 text-brass-text text-xs">{counts[id]}</span>
          )}
        </Link>
      ))}
    </nav>
  )
}
