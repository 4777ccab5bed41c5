// Ways in which this worker ends and another one opens the floor: to read again what was set aside, for a newer version of the program, for a backup. What is
// under way is on disk first, and every page hears where it is to go.
import { MINUTE } from '@/core/time'
import type { KeyValue } from '@/services/storage'
import { NOTHING_SET_ASIDE, STILL_UNREADABLE, STORAGE_REFUSES } from './desk-refusals'
import type { FloorMessage, RefusalView } from './protocol'
import { type LedgerWriter, READ_AGAIN_KEY, readableAside } from './store'
import type { Tab } from './tab'

/** A backup that was read and laid beside what is stored. */
export interface Replacement {
  /** Why it cannot take the place of what is stored; null when it can. */
  problem(): Promise<RefusalView | null>
  /** It counts from now on. */
  go(): Promise<void>
}

export interface Ending {
  /** Opens the floor anew over what was set aside; what is said where none of it can be read. */
  readAgain(): Promise<RefusalView | null>
  /** What was laid beside takes the place of everything that is stored; why not, or null. */
  putInPlace(): Promise<RefusalView | null>
  /** A page says that it was built later: where that is so, another worker opens the floor once everything is kept, and calls and shifts go on there. */
  newerPage(): Promise<void>
}

interface Options {
  readonly tabs: ReadonlySet<Tab>
  readonly writer: Pick<LedgerWriter, 'flushed'>
  readonly store: KeyValue
  readonly now: () => number
  readonly later: (inMs: number, again: () => void) => void
  readonly end: () => void
  readonly replacement: Replacement
  /** Whether another worker than this one would be opened now: what a page says of itself is no reason to end anything. */
  readonly isOtherServed: () => Promise<boolean>
}

/** However often a page claims to be newer, it is found out this often. */
const FINDS_OUT_EVERY_MS = MINUTE
/** The other workers hear of it first: a page that is loaded anew must not find one that holds what was. */
const REPLACED_AFTER_MS = 500

export function createEnding({ tabs, writer, store, now, later, end, replacement, isOtherServed }: Options): Ending {
  let isEnding = false
  let foundOutMs = -Infinity

  const endWith = (message: FloorMessage) => {
    for (const { port } of tabs) port.postMessage(message)
    later(0, end)
  }
  const handOver = async (): Promise<boolean> => {
    if (isEnding || !(await writer.flushed())) return false
    isEnding = true
    endWith({ kind: 'reopens' })
    return true
  }
  return {
    async readAgain() {
      const aside = await readableAside(store)
      if (aside === null || aside.count === 0) return aside?.problem == null ? NOTHING_SET_ASIDE : STILL_UNREADABLE(aside.problem)
      if (!(await writer.flushed())) return STORAGE_REFUSES
      await store.set(READ_AGAIN_KEY, true)
      return (await handOver()) ? null : STORAGE_REFUSES
    },
    async putInPlace() {
      const problem = await replacement.problem()
      if (problem !== null) return problem
      await replacement.go()
      isEnding = true
      later(REPLACED_AFTER_MS, () => endWith({ kind: 'replaced' }))
      return null
    },
    async newerPage() {
      if (isEnding || now() - foundOutMs < FINDS_OUT_EVERY_MS) return
      foundOutMs = now()
      if (await isOtherServed().catch(() => false)) await handOver()
    },
  }
}
