// What an account may not do, and what is said of it.
import type { WordsOf } from '@/core/refusal'
import type { Entitlement } from '@/core/set-up'

/** What an entitlement allows, as the end of a sentence. */
export const ENTITLEMENT_WORDS: Readonly<Record<Entitlement, string>> = {
  outsideCalls: 'calls to outside numbers',
  internationalCalls: 'international calls',
  recording: 'recording calls',
  conference: 'conferences',
  diversion: 'diverting calls',
  campaigns: 'campaign work',
  supervision: 'the supervisor’s views',
  listening: 'listening in on calls',
  setUp: 'changing the set-up',
  forgetting: 'having people forgotten',
}

export interface NotEntitled {
  readonly reason: 'notEntitled'
  readonly what: Entitlement
  /** Names of who can enable it. */
  readonly ask: readonly string[]
}

export type RightsRefusal = NotEntitled | { readonly reason: 'noSuchAccount' }

export const RIGHTS_WORDS: WordsOf<RightsRefusal> = {
  notEntitled: (refusal) => ({
    says: `Your account is not enabled for ${ENTITLEMENT_WORDS[refusal.what]}.`,
    next: refusal.ask.length === 0 ? 'Nobody here can enable it.' : `${refusal.ask.join(' or ')} can enable it in Set-up.`,
  }),
  noSuchAccount: () => ({ says: 'This account is not in use any more.', next: 'Ask a supervisor to bring it back in Set-up.' }),
}
