// Goes through what the floor stores and names what is not as it was written.
import { checksumOf, type KeyValue } from '@/services/storage'
import type { Audit } from './audit'
import { readChunk } from './store/chunks'
import { createKeyRing } from './store/key-ring'
import { pieceOf } from './store/pieces'
import { openLines } from './store/seal'
import { readSnapshot } from './store/snapshot'
import { rangesOf } from './store/store'

export interface Checked {
  /** How much was gone through, in words: `1,240 entries of the ledger`. */
  readonly whole: readonly string[]
  readonly damaged: readonly string[]
}

/** Chunks are joined and snapshots replaced while it is read: what moved meanwhile is looked at again, so often. */
const MOST_TIMES = 5

/** A chunk is named by the entries its key promises, a line by its place. */
export async function checkEverything(store: KeyValue, audit: Pick<Audit, 'page'>): Promise<Checked> {
  for (let times = 1; ; times++) {
    const keys = await store.keys()
    const checked = await checkOnce(store, keys, audit)
    if (checked.damaged.length === 0 || times === MOST_TIMES) return checked
    const after = new Set(await store.keys())
    if (keys.every((key) => after.has(key))) return checked
  }
}

async function checkOnce(store: KeyValue, keys: readonly string[], audit: Pick<Audit, 'page'>): Promise<Checked> {
  const ring = createKeyRing(store)
  const damaged: string[] = []
  let seq = 0
  for (const { key, fromSeq, toSeq } of rangesOf(keys)) {
    const of = `entries ${fromSeq} to ${toSeq} of the ledger`
    // While chunks are being joined one and the one that contains it may both be there.
    if (toSeq <= seq) continue
    if (fromSeq > seq + 1) damaged.push(`entries ${seq + 1} to ${fromSeq - 1} of the ledger are missing`)
    seq = toSeq
    const chunk = await readChunk(store, key)
    if (chunk === null) {
      damaged.push(`${of} cannot be read`)
      continue
    }
    if (checksumOf(chunk.text) !== chunk.checksum) damaged.push(`${of} are not as they were written`)
    const lines = chunk.text.split('\n').slice(0, toSeq - fromSeq + 1)
    const opened = await openLines(lines, ring)
    for (const [i, line] of lines.entries()) {
      const { problem } = pieceOf(fromSeq + i, line, opened[i])
      if (problem !== null) damaged.push(`entry ${fromSeq + i} of the ledger: ${problem}`)
    }
  }
  const snapshots = keys.filter((key) => key.startsWith('snapshot/'))
  for (const key of snapshots)
    if ((await readSnapshot(store, key)) === null) damaged.push(`the picture of the floor at entry ${Number(key.slice('snapshot/'.length))}`)
  const { count, broken } = await audit.page(0)
  if (broken !== null) damaged.push(`who did what: ${broken}`)
  return {
    whole: [
      `${seq.toLocaleString('en-GB')} entries of the ledger`,
      snapshots.length === 1 ? 'one picture of the floor' : `${snapshots.length} pictures of the floor`,
      `${count.toLocaleString('en-GB')} records of who did what`,
    ],
    damaged,
  }
}
