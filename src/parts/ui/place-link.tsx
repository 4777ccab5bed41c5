// One of the places one can go to, in plain words. The present one is said by weight and underline, and to screen readers.
import clsx from 'clsx'
import Link from 'next/link'
import type { ReactNode } from 'react'

export function PlaceLink({ href, isHere, className, children }: { href: string; isHere: boolean; className?: string; children: ReactNode }) {
  return (
    <Link
      href={href}
      // Whoever is somewhere seldom leaves: other places are fetched when they are gone to.
      prefetch={false}
      aria-current={isHere ? 'page' : undefined}
      className={clsx('inline-flex min-h-6 items-center', className, isHere ? 'border-green border-b-2 font-semibold' : 'text-soft hover:text-ink')}
    >
      {children}
    </Link>
  )
}
