'use client'
// The places under Set-up, in plain words, at the head of each of them.
import clsx from 'clsx'
import Link from 'next/link'

const PLACES = [
  { id: 'rules', href: '/set-up', label: 'Queues and accounts' },
  { id: 'outcomes', href: '/outcomes', label: 'Outcomes' },
  { id: 'scripts', href: '/scripts', label: 'Scripts' },
  { id: 'do-not-call', href: '/do-not-call', label: 'Do-not-call list' },
] as const

export function SetUpPlaces({ here }: { here: (typeof PLACES)[number]['id'] }) {
  return (
    <nav aria-label="Set-up places" className="flex gap-4 border-line border-b bg-raised px-6">
      {PLACES.map(({ id, href, label }) => (
        <Link
          key={id}
          href={href}
          prefetch={false}
          aria-current={id === here ? 'page' : undefined}
          className={clsx('-mb-px py-1.5', id === here ? 'border-green border-b-2 font-semibold' : 'text-soft hover:text-ink')}
        >
          {label}
        </Link>
      ))}
    </nav>
  )
}
