export { browserStore } from './browser'
export { checksumOf } from './checksum'
export { type KeyValue, memoryStore, storageWords } from './key-value'
