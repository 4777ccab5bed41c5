// Calls, campaigns, sessions, breakdowns and reviews: sides of the same days.
import { PlaceLink } from '@/ui'
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
    <div className="mr-2 flex items-baseline gap-4">
      <h1 className="font-semibold text-2xl">{mine ? 'Your results' : 'Results'}</h1>
      <nav aria-label="Results of" className="flex gap-3">
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
    </div>
  )
}
