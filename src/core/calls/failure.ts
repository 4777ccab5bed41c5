// Why the far end of a call could not be had, and how that is said.

export const FAILURES = ['busy', 'noAnswer', 'refused', 'invalid', 'machine', 'unreachable'] as const
export type Failure = (typeof FAILURES)[number]

/** A failure as the end of a sentence about the far end. */
export const FAILURE_WORDS: Readonly<Record<Failure, string>> = {
  busy: 'is busy',
  noAnswer: 'does not answer',
  refused: 'refused the call',
  invalid: 'is not a number in use',
  machine: 'is an answering machine',
  unreachable: 'cannot be reached',
}
