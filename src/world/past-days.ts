// How the demo's past days are asked for, by whoever needs the days or what they left.

/** How many of the demo's days lie before the first visit, and from which seed. */
export interface Past {
  readonly seed: number
  readonly days: number
}

/** So many days before a day of the centre; before today when none is given. */
export function pastDaysQuery({ seed, days, before }: Past & { readonly before?: string }): string {
  const query = new URLSearchParams({ seed: String(seed), days: String(days), pace: 'week' })
  if (before !== undefined) query.set('before', before)
  return query.toString()
}
