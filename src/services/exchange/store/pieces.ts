// What is stored, entry by entry, whether it can be read or not: every place of the ledger is there once, also where a chunk or a line is missing, so that
// what comes after a damaged part can still be gone on from.
import { type LedgerEntry, parseEntry } from '@/core/ledger'
import { checksumOf, type KeyValue } from '@/services/storage'
import { readChunk } from './chunks'
import type { KeyRing } from './key-ring'
import { openLines } from './seal'
import type { ChunkRange } from './store'

export interface Piece {
  readonly seq: number
  /** As it is stored; null where nothing is. */
  readonly line: string | null
  /** null when it cannot be read. */
  readonly entry: LedgerEntry | null
  /** Whether a decision begins with it; null when that cannot be told. */
  readonly begins: boolean | null
  readonly problem: string | null
}

/**
 * Every place after an entry, in order; the places are those the chunks' keys promise. `altered` is told of a chunk every line of which can be read, although
 * it is not what was written.
 */
export async function* piecesOf(
  store: KeyValue,
  ring: KeyRing,
  ranges: readonly ChunkRange[],
  afterSeq: number,
  altered: (range: ChunkRange) => void,
): AsyncGenerator<readonly Piece[]> {
  let seq = afterSeq
  for (const range of ranges) {
    const { key, fromSeq, toSeq } = range
    if (toSeq <= seq) continue
    if (fromSeq > seq + 1) yield placesBetween(seq, fromSeq - 1, `entries ${seq + 1} to ${fromSeq - 1} are missing`)
    const after = Math.max(seq, fromSeq - 1)
    const chunk = await readChunk(store, key)
    if (chunk === null) yield placesBetween(after, toSeq, 'a part of it is not readable')
    else {
      const lines = chunk.text.split('\n')
      const opened = await openLines(lines, ring)
      const pieces: Piece[] = []
      for (let at = after + 1; at <= toSeq; at++) pieces.push(pieceOf(at, lines[at - fromSeq] ?? '', opened[at - fromSeq]))
      if (pieces.every((p) => p.entry !== null) && checksumOf(chunk.text) !== chunk.checksum) altered(range)
      yield beginning(pieces)
    }
    seq = toSeq
  }
}

const placesBetween = (afterSeq: number, throughSeq: number, problem: string): readonly Piece[] =>
  beginning(Array.from({ length: throughSeq - afterSeq }, (_, i) => ({ seq: afterSeq + 1 + i, line: null, entry: null, begins: null, problem })))

/** What is stored together are whole decisions: one begins with the first place, whatever of it can be read. */
const beginning = ([first, ...rest]: readonly Piece[]): readonly Piece[] => (first === undefined ? [] : [{ ...first, begins: first.begins ?? true }, ...rest])

/** A line at its place; `unsealed` is the same with what is personal in it, or null where that is not as it was written. */
export function pieceOf(seq: number, line: string, unsealed: string | null = line): Piece {
  if (line === '') return { seq, line: null, entry: null, begins: null, problem: 'a part of it is torn' }
  if (unsealed === null) return { seq, line, entry: null, begins: beginsDecision(line), problem: 'what is sealed in it is not as it was written' }
  const opened = parseEntry(unsealed)
  if (!opened.ok) {
    const begins = beginsDecision(line)
    const refused = begins === null ? 'a part of it is torn' : `an entry cannot be read (${opened.detail})`
    return { seq, line, entry: null, begins, problem: opened.reason === 'savedByNewerVersion' ? 'it was saved by a newer version' : refused }
  }
  if (opened.entry.seq !== seq) return { seq, line, entry: null, begins: null, problem: 'its entries are out of order' }
  return { seq, line, entry: opened.entry, begins: opened.entry.causedBy === null, problem: null }
}

/** Of what the reader refuses it can still be told where a decision begins: then the one before it is whole. */
function beginsDecision(line: string): boolean | null {
  try {
    const stored: unknown = JSON.parse(line)
    return typeof stored === 'object' && stored !== null && 'causedBy' in stored ? stored.causedBy === null : null
  } catch (error) {
    if (!(error instanceof SyntaxError)) throw error
    return null
  }
}
