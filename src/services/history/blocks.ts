// The blocks there are, by what they span: those asked for are read first, the others after them, the latest before the older ones.
import pLimit from 'p-limit'
import type { KeyValue } from '@/services/storage'
import { type Kept, keptKey, keptRange, type Range, rangeOf, readKept } from './kept'

export interface Blocks {
  /** What is stored, without reading it. */
  open(keys: readonly string[]): void
  /** Of a block that is here; it is stored by whoever made it. */
  add(kept: Kept): void
  store(kept: Kept): Promise<void>
  forget(names: readonly string[]): Promise<void>
  names(): readonly string[]
  /** What is in a span, in the order of its beginnings, once it is all read. */
  need(fromMs: number, toMs: number): Promise<readonly Kept[]>
  /** Reads everything, the latest first. */
  needAll(): Promise<void>
  /** Those that are here, in the order of their beginnings. */
  here(): readonly Kept[]
  isWhole(): boolean
}

/** Reading competes with the floor for the disk: so many at once. */
const READ_AT_ONCE = 8

export function createBlocks(store: KeyValue): Blocks {
  const ranges = new Map<string, Range>()
  const kept = new Map<string, Kept>()
  const reading = new Map<string, Promise<void>>()
  const inTurn = pLimit(READ_AT_ONCE)
  let ordered: readonly Kept[] | null = null

  const add = (one: Kept) => {
    ranges.set(one.name, rangeOf(one))
    kept.set(one.name, one)
    ordered = null
  }
  const here = () => {
    ordered ??= [...kept.values()].toSorted((a, b) => rangeOf(a).fromMs - rangeOf(b).fromMs)
    return ordered
  }
  const read = (range: Range): Promise<void> => {
    if (kept.has(range.name)) return Promise.resolve()
    const known = reading.get(range.name)
    if (known !== undefined) return known
    const begun = inTurn(() => readKept(store, range))
      .then((one) => {
        // Forgotten meanwhile, or damaged: what cannot be read is not there.
        if (one === null || !ranges.has(range.name)) ranges.delete(range.name)
        else add(one)
      })
      // A disk that refuses is asked again by the next question.
      .finally(() => reading.delete(range.name))
    reading.set(range.name, begun)
    return begun
  }
  return {
    open(keys) {
      for (const key of keys) {
        const range = keptRange(key)
        if (range !== null) ranges.set(range.name, range)
      }
    },
    add,
    async store(one) {
      const range = rangeOf(one)
      await store.set(keptKey(range), one)
    },
    async forget(names) {
      for (const name of names) {
        const range = ranges.get(name)
        ranges.delete(name)
        kept.delete(name)
        if (range !== undefined) await store.remove(keptKey(range))
      }
      ordered = null
    },
    names: () => [...ranges.keys()],
    async need(fromMs, toMs) {
      const isWanted = (range: Range | undefined) => range !== undefined && range.toMs >= fromMs && range.fromMs < toMs
      await Promise.all([...ranges.values()].filter(isWanted).map(read))
      return here().filter(({ name }) => isWanted(ranges.get(name)))
    },
    async needAll() {
      const latestFirst = [...ranges.values()].toSorted((a, b) => b.toMs - a.toMs)
      await Promise.all(latestFirst.map(read))
    },
    here,
    isWhole: () => kept.size === ranges.size,
  }
}
