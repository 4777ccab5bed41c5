export { type Damage, NOTHING_RESTORED, type Restored, restore } from './restore'
export { chunkKey, chunkRange, DAMAGED_KEY, MARK, MARK_KEY, type StoredChunk } from './store'
export type { FoundPins } from './upgrade-store'
export { createWriter, type LedgerWriter } from './writer'
