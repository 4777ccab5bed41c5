'use client'
// Reviews this account may see, asked for anew whenever one changes anywhere.
import type { ReviewView } from '@/services/exchange/protocol'
import { useAnswer, useSeen } from '@/services/exchange/react'

/** Of one call, or all. null until the floor has answered. */
export const useReviews = (callId: string | null): readonly ReviewView[] | null =>
  useAnswer<readonly ReviewView[]>(
    { kind: 'reviews', callId },
    useSeen((view) => view.reviews.revision),
  )
