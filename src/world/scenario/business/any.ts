// What callers of any queue have in common.
import type { Intent } from '@/world'

export const SPEAKING = { speaking: 'booker' } as const

export const wrongNumber: Intent = {
  wants: 'wrongNumber',
  weight: 1.5,
  paths: null,
  answers: { speaking: 'wrongNumber' },
  code: 'wrong-number',
  isWrongNumber: true,
}
