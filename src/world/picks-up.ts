/** What picks up when somebody of a calling list is called, or does not. */
export const PICKS_UP = ['person', 'machine', 'busy', 'noAnswer', 'invalid', 'refused'] as const
export type PicksUp = (typeof PICKS_UP)[number]
