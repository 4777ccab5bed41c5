// How the demo's past days are asked for, by whoever needs the days or what they left.

/** How many of the demo's days lie before the first visit, and from which seed. */
export interface Past {
  readonly seed: number
  readonly days: number
}

/** `campaigns`: whether their lists were called on those days. */
export interface PastAsked extends Past {
  readonly campaigns: boolean
  readonly before?: string
}

/** So many days before a day of the centre; before today when none is given. */
export function pastDaysQuery({ seed, days, campaigns, before }: PastAsked): string {
  const query = new URLSearchParams({ seed: String(seed), days: String(days), pace: 'week', campaigns: campaigns ? 'yes' : 'no' })
  if (before !== undefined) query.set('before', before)
  return query.toString()
}
