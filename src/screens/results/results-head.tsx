// Calls, campaigns, sessions, breakdowns and reviews: sides of the same days.
import { format, parseISO } from 'date-fns'
import { Button, PlaceLink } from '@/parts/ui'
import type { Days } from './span'

interface Props {
  readonly of: 'calls' | 'campaigns' | 'sessions' | 'breakdown' | 'reviews'
  readonly days: Days
  /** Of one agent: their own. */
  readonly mine: boolean
}

export function ResultsHead({ of, days, mine }: Props) {
  const query = `?from=${days.from}&to=${days.to}`
  return (
    <div className="mr-2 flex flex-wrap items-baseline gap-x-4">
      <h1 className="font-semibold text-2xl">{mine ? 'Your results' : 'Results'}</h1>
      <p className="hidden print:block">{daysWords(days)}</p>
      <nav aria-label="Results of" className="flex flex-wrap gap-x-3 print:hidden">
        <PlaceLink href={`/results${query}`} isHere={of === 'calls'}>
          Calls
        </PlaceLink>
        <PlaceLink href={`/results/campaigns${query}`} isHere={of === 'campaigns'}>
          Campaigns
        </PlaceLink>
        <PlaceLink href={`/results/sessions${query}`} isHere={of === 'sessions'}>
          Sessions
        </PlaceLink>
        <PlaceLink href={`/results/breakdown${query}`} isHere={of === 'breakdown'}>
          Breakdown
        </PlaceLink>
        <PlaceLink href={`/results/reviews${query}`} isHere={of === 'reviews'}>
          Reviews
        </PlaceLink>
      </nav>
      <Button className="!h-6" tone="quiet" onClick={() => window.print()}>
        Print
      </Button>
    </div>
  )
}

const dayWords = (day: string): string => format(parseISO(day), 'EEEE d MMMM yyyy')

const daysWords = ({ from, to }: Days): string => (from === to ? dayWords(from) : `${dayWords(from)} to ${dayWords(to)}`)
