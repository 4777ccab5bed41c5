// The numbers of somebody in the book: of which kinds, and how many.
export const NUMBER_KINDS = ['work', 'mobile', 'home', 'other'] as const
export type NumberKind = (typeof NUMBER_KINDS)[number]

/** Of a person in the book; more is refused before it is kept. */
export const MOST_NUMBERS = 12
