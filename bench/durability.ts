// What it costs that a write waits for the disk: the floor's store as its worker opens it, turn about with the same that the browser may acknowledge earlier.
import { browserStore, writeThrough } from '@/services/storage'
import { median, timedAsync } from './statistics'

export interface DurabilityMs {
  readonly strict: number
  readonly relaxed: number
}

/** A flush of the ledger while calls go on. */
const TEXT = 'x'.repeat(2_000)
const ROUNDS = 20
const WRITES = 20

export async function writesMs(): Promise<DurabilityMs> {
  const opening = await browserStore('bench')
  if (!opening.ok) throw new Error(opening.reason)
  const { store } = opening
  const plain = IDBDatabase.prototype.transaction
  let no = 0
  const write = async (): Promise<number> => median(await timedAsync(WRITES, () => store.set(`chunk/${++no}`, { text: TEXT })))
  const [strict, relaxed]: [number[], number[]] = [[], []]
  for (let round = 0; round < ROUNDS; round++) {
    writeThrough()
    strict.push(await write())
    IDBDatabase.prototype.transaction = plain
    relaxed.push(await write())
  }
  return { strict: median(strict), relaxed: median(relaxed) }
}
