// `tsx bench/list-memory.ts FILE`: imports it into a store that keeps nothing, as a browser's disk takes it out of memory, and says how many bytes the process has held.
import { openAsBlob } from 'node:fs'
import type { KeyValue } from '@/services/storage'
import { importInto } from './import-rows'

const away: KeyValue = { get: async () => null, set: async () => {}, remove: async () => {}, keys: async () => [] }
await importInto(away, await openAsBlob(process.argv[2] ?? ''))
console.log(process.resourceUsage().maxRSS * 1_024)
