// Storage that fails at a chosen write: for whoever shows that nothing acknowledged is lost by it, and that what is left can be gone on with.
import { type KeyValue, memoryStore } from './key-value'

/** `dies`: the write, and all that come after it, never come, as when the browser is killed. `refused`: this one says no, and all others are done. */
export const FAILURES = ['dies', 'refused'] as const
export type Failure = (typeof FAILURES)[number]

export interface FailingDisk {
  /** As it is asked by what is tried. */
  readonly store: KeyValue
  /** What is on it, for whoever opens it afterwards. */
  readonly disk: KeyValue
  writes(): number
  /** Resolves when it has died. */
  readonly died: Promise<void>
}

/** `at`: which write fails, the first is 1; Infinity for none. */
export function failingDisk(how: Failure, at: number, disk: KeyValue = memoryStore()): FailingDisk {
  let writes = 0
  let dies = () => {}
  const died = new Promise<void>((resolve) => {
    dies = resolve
  })
  const guarded = async (act: () => Promise<void>): Promise<void> => {
    writes++
    if (how === 'refused' && writes === at) throw new DOMException('the disk says no', 'QuotaExceededError')
    if (how === 'dies' && writes >= at) {
      dies()
      return new Promise(() => {})
    }
    return act()
  }
  const store: KeyValue = { ...disk, set: (key, value) => guarded(() => disk.set(key, value)), remove: (key) => guarded(() => disk.remove(key)) }
  return { store, disk, writes: () => writes, died }
}

/**
 * Tries a life once for each of its writes and each way of failing. `live` ends by itself, or hangs where the disk has died; what it rejects with is what was
 * said. `look` then looks at what is on the disk, told what `live` had been told was done by then.
 */
export async function atEveryWrite<Done>(
  live: (store: KeyValue, done: Done) => Promise<void>,
  newDone: () => Done,
  look: (disk: KeyValue, done: Done, where: string) => Promise<void>,
  { every = 1 } = {},
): Promise<number> {
  const whole = failingDisk('refused', Infinity)
  await live(whole.store, newDone())
  const count = whole.writes()
  for (const how of FAILURES)
    for (let at = 1; at <= count; at += every) {
      const failing = failingDisk(how, at)
      const done = newDone()
      await Promise.race([live(failing.store, done).catch(() => {}), failing.died])
      await look(failing.disk, done, `write ${at} of ${count}, ${how}`)
    }
  return count
}

/** Gives back the very values that were put in, without a copy: handles of a folder stay what they are, and a bench does not measure the copying. */
export function heldStore(): KeyValue {
  const held = new Map<string, unknown>()
  return {
    keys: async () => [...held.keys()],
    get: async (key) => held.get(key) ?? null,
    set: async (key, value) => void held.set(key, value),
    remove: async (key) => void held.delete(key),
  }
}
