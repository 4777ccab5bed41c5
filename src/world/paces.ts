// The paces of the world; apart from their rates, because screens name them without playing them.

export const PACES = ['quiet', 'ordinary', 'storm'] as const
export type Pace = (typeof PACES)[number]
