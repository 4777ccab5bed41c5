export { browserStore } from './browser'
export { checksumOf } from './checksum'
export { linesOfGzip } from './gzip-lines'
export { type KeyValue, memoryStore, storageWords } from './key-value'
