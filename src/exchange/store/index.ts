export { browserStore } from './browser'
export { type Damage, type Restored, restore } from './restore'
export { checksumOf, chunkKey, chunkRange, DAMAGED_KEY, type KeyValue, memoryStore, type StoredChunk } from './store'
export { createWriter, type LedgerWriter } from './writer'
