// When a record comes next, and why then.
import { format } from 'date-fns'
import type { Standing } from '@/core/campaigns'
import { floorNow } from '@/services/exchange/floor-time'

export const nextWords = ({ nextAtMs, why }: Standing): string => {
  if (nextAtMs === null) return why
  return nextAtMs <= floorNow() ? `now: ${why}` : `${format(nextAtMs, 'd MMM HH:mm')}: ${why}`
}
