// Somebody looked for in the ledger of a million calls, and forgotten there: read to its end, and their keys dropped from all there are. In memory, so that what is measured is the work and not a disk.
import { FORGOTTEN, offeredBy } from '@/core/forgotten'
import { foundInLines, mayBeIn, soughtOf } from '@/core/personal'
import { createWriter } from '@/services/exchange/store'
import { compressed, toChunk } from '@/services/exchange/store/chunks'
import { createKeyRing } from '@/services/exchange/store/key-ring'
import { sealedLine } from '@/services/exchange/store/seal'
import { chunkKey, rangesOf } from '@/services/exchange/store/store'
import { heldStore } from '@/services/storage/testing'
import { simulateDay } from '@/world'
import { FENNHOLM, FENNHOLM_STAGE } from '@/world/scenario'
import { keep } from './keep'
import { print, timed, timedAsync } from './statistics'

const CALLS = Number(process.env.CALLS ?? 1_000_000)
const day = simulateDay(FENNHOLM_STAGE, { seed: 1, pace: 'storm', day: '2024-01-01' })
const callsADay = day.filter(({ event }) => event.kind === 'callQueued').length
const days = Math.ceil(CALLS / callsADay)
const isOffered = offeredBy(FENNHOLM)
const ofDay = heldStore()
const ring = createKeyRing(ofDay)
const sealed = toChunk(day, (entry) => sealedLine(entry, ring, isOffered))
await ring.kept()
const chunk = await compressed(sealed)
const store = heldStore()
// The same day under other places: its bytes are a chunk of their own each time, and so are its keys, under other times.
for (let no = 0; no < days; no++) {
  await store.set(chunkKey(no * day.length + 1, (no + 1) * day.length), { ...chunk, fromSeq: no * day.length + 1, toSeq: (no + 1) * day.length })
  for (const key of await ofDay.keys()) await store.set(no === 0 ? key : key.replace('keys/', `keys/${no}0`), structuredClone(await ofDay.get(key)))
}
const storedSeq = days * day.length
const ranges = rangesOf(await store.keys())
const writer = createWriter({
  store,
  storedSeq,
  snapshotSeq: storedSeq,
  shelved: { ranges, snapshotKeys: [], closedSeq: storedSeq, lastDay: null },
  onStored: () => {},
  onTrouble: () => {},
  onCleared: () => {},
  later: () => {},
})
const number = day.flatMap(({ event }) => (event.kind === 'callQueued' && event.number !== null ? [event.number] : []))[40] ?? ''
const sought = soughtOf({ numbers: [number], addresses: [], names: [] })
const about = new Set<string>()
const findAll = async () => {
  for await (const lines of writer.search(0, storedSeq, (personal) => mayBeIn(personal, sought)))
    for (const found of foundInLines(lines, sought, isOffered)) about.add(found.about)
}
const [parsed = 0] = timed(1, () => {
  for (const line of sealed.text.split('\n')) if (line !== '') JSON.parse(line)
})
const [foundMs = 0] = await timedAsync(1, findAll)
const [droppedMs = 0] = await timedAsync(1, () => writer.forget((one) => about.has(one)))
const left = await writer.read(0, day.length)
if (about.size === 0 || left.includes(`"${number}"`) || !left.includes(FORGOTTEN)) throw new Error('the bench forgets nobody')
print(
  `somebody found in the ledger of ${(days * callsADay).toLocaleString('en')} calls (${storedSeq.toLocaleString('en')} entries, ${about.size} things)`,
  `${Math.round(foundMs)} ms`,
  `its lines parsed as JSON and nothing else ${Math.round(parsed * days)} ms`,
)
print('their keys dropped', `${Math.round(droppedMs)} ms`, '')
keep('erase.personMs', foundMs + droppedMs, 'ms', null)
