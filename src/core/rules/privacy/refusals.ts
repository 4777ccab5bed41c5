// Why somebody is not forgotten yet, and what is said of it.
import type { WordsOf } from '@/core/refusal'

export type PrivacyRefusal = { readonly reason: 'nothingToForget' } | { readonly reason: 'underWayWithThem'; readonly what: 'call' | 'written' | 'attempt' }

const UNDER_WAY = {
  call: 'a call with them is under way, or its outcome is owed',
  written: 'something they wrote is still in hand or parked',
  attempt: 'they are being called at this moment',
} as const

export const PRIVACY_WORDS: WordsOf<PrivacyRefusal> = {
  nothingToForget: () => ({ says: 'Nothing is kept about them.', next: 'Look for another number, address or name.' }),
  underWayWithThem: ({ what }) => ({ says: `They cannot be forgotten now: ${UNDER_WAY[what]}.`, next: 'Have it ended and coded, then look for them again.' }),
}
