// What calls of the ferry line are reviewed by.
import type { Sheet } from '@/core/reviews'

export const REVIEW_SHEETS: readonly Sheet[] = [
  {
    id: 'sheet_passenger-calls',
    version: 1,
    name: 'Passenger calls',
    retired: false,
    questions: [
      { id: 'greeting', label: 'Greeted by the script, with name and line', kind: 'scale', weight: 1, mustHave: false },
      { id: 'identity', label: 'Found out who is on the line before saying anything about a booking', kind: 'yesNo', weight: 2, mustHave: true },
      { id: 'listening', label: 'Let the caller finish, and said back what they want', kind: 'scale', weight: 3, mustHave: false },
      { id: 'solution', label: 'Found what helps, and said what happens next', kind: 'scale', weight: 3, mustHave: false },
      { id: 'holding', label: 'Asked before holding, and came back in time', kind: 'scale', weight: 1, mustHave: false },
      { id: 'outcome', label: 'Coded what really came of it', kind: 'yesNo', weight: 2, mustHave: false },
    ],
  },
]
