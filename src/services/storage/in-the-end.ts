// What is opened from a store that may say no for a moment is asked for again, and those who wait are told why: a floor that opened without what it could not
// read would begin with nothing, and with everybody's first PIN.
import { storageWords } from './key-value'

const FIRST_PAUSE_MS = 500
const LONGEST_PAUSE_MS = 15_000

interface Around {
  /** A timer. */
  readonly later: (inMs: number, again: () => void) => void
  /** Hears why, each time it fails. */
  readonly failed: (says: string) => void
  /** So many tries; without it, for as long as it takes. */
  readonly atMost?: number
}

/** What `open` gives once it does not fail; rejects with its last reason where the tries are counted. */
export async function openInTheEnd<T>(open: () => Promise<T>, { later, failed, atMost = Infinity }: Around): Promise<T> {
  for (let tries = 1; ; tries++) {
    try {
      return await open()
    } catch (error) {
      failed(storageWords(error))
      if (tries >= atMost) throw error
      await new Promise<void>((again) => later(Math.min(LONGEST_PAUSE_MS, FIRST_PAUSE_MS * 2 ** (tries - 1)), again))
    }
  }
}
