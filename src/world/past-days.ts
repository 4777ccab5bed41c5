// How the demo's past days are asked for, by whoever needs the days or what they left.
import * as z from 'zod'

/** How many of the demo's days lie before the first visit, and from which seed. */
export const PastSchema = z.object({ seed: z.number().int().min(0), days: z.number().int().min(0).max(31) }).readonly()
export type Past = z.infer<typeof PastSchema>

/** So many days before a day of the centre; before today when none is given. */
export function pastDaysQuery({ seed, days, before }: Past & { readonly before?: string }): string {
  const query = new URLSearchParams({ seed: String(seed), days: String(days), pace: 'week' })
  if (before !== undefined) query.set('before', before)
  return query.toString()
}
