// A floor is opened from what is stored, and a store may say no for a moment. It is asked again, for as long as it takes, and those who wait are told why:
// a floor that opened without what it could not read would begin with nothing, and with everybody's first PIN.
import { storageWords } from '@/services/storage'

const FIRST_PAUSE_MS = 500
const LONGEST_PAUSE_MS = 15_000

/** What `open` gives once it does not fail. `later` is a timer; `failed` hears why each time it does. */
export async function openInTheEnd<T>(open: () => Promise<T>, later: (inMs: number, again: () => void) => void, failed: (says: string) => void): Promise<T> {
  for (let tries = 0; ; tries++) {
    try {
      return await open()
    } catch (error) {
      failed(storageWords(error))
      await new Promise<void>((again) => later(Math.min(LONGEST_PAUSE_MS, FIRST_PAUSE_MS * 2 ** tries), again))
    }
  }
}
