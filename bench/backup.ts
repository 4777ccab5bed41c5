// Everything of a million calls saved as one file and put in place again: figures of each day, and its ledger, sealed and compressed as it is put away. In
// memory, so that what is measured is the work and not a disk.
import { availableParallelism } from 'node:os'
import { offeredBy } from '@/core/forgotten'
import { pack } from '@/services/backup/pack'
import { STORES, type StoreName } from '@/services/backup/parts'
import { go, layBeside, putInPlace } from '@/services/backup/put-in-place'
import { unpack } from '@/services/backup/unpack'
import { compressed, toChunk } from '@/services/exchange/store/chunks'
import { createKeyRing } from '@/services/exchange/store/key-ring'
import { sealedLine } from '@/services/exchange/store/seal'
import { chunkKey } from '@/services/exchange/store/store'
import { type KeyValue, memoryStore } from '@/services/storage'
import { heldStore } from '@/services/storage/testing'
import { simulateDay } from '@/world'
import { FENNHOLM, FENNHOLM_STAGE } from '@/world/scenario'
import { keep } from './keep'
import { keptDays } from './million'
import { print, timedAsync } from './statistics'

const CALLS = Number(process.env.CALLS ?? 1_000_000)
const PASSPHRASE = 'the 18:45 leaves at seven'

const newStores = () => Object.fromEntries(STORES.map((name) => [name, heldStore()])) as Record<StoreName, KeyValue>

const stores = newStores()
const ring = createKeyRing(stores.floor)
const isOffered = offeredBy(FENNHOLM)
const day = simulateDay(FENNHOLM_STAGE, { seed: 1, pace: 'storm', day: '2024-01-01' })
const chunk = await compressed(toChunk(day, (entry) => sealedLine(entry, ring, isOffered)))
await ring.kept()
let days = 0
for (const kept of keptDays(CALLS)) {
  await stores.history.set(`block/${kept.name}`, kept)
  // The same day's bytes under another place: they do not get smaller by being alike, each is a part of its own.
  await stores.floor.set(chunkKey(days * day.length + 1, (days + 1) * day.length), chunk)
  days++
}

let file: Blob | null = null
const [savedMs = 0] = await timedAsync(1, async () => {
  const stream = await pack({ stores, centre: 'Fennholm Line', madeAtMs: Date.now(), passphrase: PASSPHRASE, onProgress: () => {} })
  file = await new Response(stream as ReadableStream<Uint8Array<ArrayBuffer>>).blob()
})
const saved = file as unknown as Blob
const of = `${CALLS.toLocaleString('en')} calls of ${days} days, ${Math.round(saved.size / 1e6)} MB`
print(`everything saved as one file, sealed: ${of}`, `${Math.round(savedMs)} ms`, 'none set')
keep('backup.1MCallsMs', savedMs, 'ms', null)

const elsewhere = newStores()
const [restoredMs = 0] = await timedAsync(1, async () => {
  const reading = await unpack(saved, PASSPHRASE)
  if (!reading.ok) throw new Error(reading.why)
  const damaged = await reading.backup.check(() => {})
  if (damaged.length > 0) throw new Error(`${damaged.length} parts are damaged`)
  const beside = memoryStore()
  await layBeside(beside, reading.backup, () => {})
  await go(beside)
  if (!(await putInPlace(beside, elsewhere))) throw new Error('it was not put in place')
})
if ((await elsewhere.floor.keys()).length !== (await stores.floor.keys()).length) throw new Error('not all of it has come back')
print('the same read, checked part by part, laid beside and put in place', `${Math.round(restoredMs)} ms`, 'none set')
keep('restore.1MCallsMs', restoredMs, 'ms', null)
print('on so many cores', String(availableParallelism()), '')
