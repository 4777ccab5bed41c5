// What sealing costs, and having somebody forgotten.
import { FORGOTTEN, offeredBy } from '@/core/forgotten'
import { type LedgerEntry, toLine } from '@/core/ledger'
import { foundInLines, soughtOf } from '@/core/personal'
import { createFloor, evolve } from '@/core/state'
import { createWriter } from '@/services/exchange/store'
import { createKeyRing } from '@/services/exchange/store/key-ring'
import { sealedLine } from '@/services/exchange/store/seal'
import { memoryStore } from '@/services/storage'
import { simulateDay } from '@/world'
import { FENNHOLM, FENNHOLM_STAGE } from '@/world/scenario'
import { aBusyFloor, keepBusy } from './busy-floor'
import { keep } from './keep'
import { median, print, timed, timedAsync } from './statistics'

const COMMANDS = 12_000

/** Commands decided and folded, and each entry written down sealed; turn about with the same that writes nothing down. */
function commandsSealed(): void {
  const ring = createKeyRing(memoryStore())
  const floor = aBusyFloor(60)
  const round = (write: (entry: LedgerEntry) => void): number => {
    floor.entries.length = 0
    const [spent = 0] = timed(1, () => {
      keepBusy(floor, COMMANDS)
      for (const entry of floor.entries) write(entry)
    })
    return spent
  }
  const rounds = Array.from({ length: 9 }, () => ({ bare: round(() => {}), sealed: round((entry) => void sealedLine(entry, ring, isOffered)) })).slice(2)
  const rateOf = (spent: readonly number[]) => Math.round((COMMANDS / median(spent)) * 1_000)
  const [bare, sealed] = [rateOf(rounds.map((r) => r.bare)), rateOf(rounds.map((r) => r.sealed))]
  print('commands decided, folded and written down sealed, 60 agents', `${sealed} /s`, `not written down ${bare} /s`)
  keep('floor.commandsPerSecond.60x200', sealed, '/s', null)
}

const isOffered = offeredBy(FENNHOLM)
const gzipped = async (text: string): Promise<number> =>
  (await new Response(new Blob([text]).stream().pipeThrough(new CompressionStream('gzip'))).arrayBuffer()).byteLength

export async function privacy(): Promise<void> {
  const entries: readonly LedgerEntry[] = simulateDay(FENNHOLM_STAGE, { seed: 7, pace: 'ordinary', day: '2026-11-23' })
  const written = (line: (entry: LedgerEntry) => string) => {
    let text = ''
    const spent = timed(5, () => {
      text = entries.map(line).join('\n')
    })
    return { us: (median(spent) * 1_000) / entries.length, text }
  }
  const plain = written(toLine)
  const ring = createKeyRing(memoryStore())
  const sealed = written((entry) => sealedLine(entry, ring, isOffered))
  print(
    `an entry written down with what is personal sealed (a day, ${entries.length} entries)`,
    `${sealed.us.toFixed(1)} µs`,
    `plain ${plain.us.toFixed(1)} µs`,
  )
  const [before, after] = [await gzipped(plain.text), await gzipped(sealed.text)]
  print('a day of the ledger as it is put away, sealed', `${Math.round(after / 1_000)} kB`, `plain ${Math.round(before / 1_000)} kB`)
  keep('seal.entryUs', sealed.us, 'µs', null)
  keep('seal.dayBytes', after, 'B', null)

  commandsSealed()

  const number = entries.flatMap(({ event }) => (event.kind === 'callQueued' && event.number !== null ? [event.number] : []))[40] ?? ''
  const sought = soughtOf({ numbers: [number], addresses: [], names: [] })
  const store = memoryStore()
  const writer = createWriter({ store, storedSeq: 0, snapshotSeq: 0, onStored: () => {}, onTrouble: () => {}, onCleared: () => {}, later: () => {} })
  const floor = createFloor('bench', FENNHOLM)
  for (let at = 0; at < entries.length; at += 20) {
    const batch = entries.slice(at, at + 20)
    for (const { event, atMs } of batch) evolve(floor, event, atMs)
    writer.append(batch, floor)
    await writer.flushed()
  }
  const find = async () => foundInLines((await writer.read(0)).split('\n'), sought, isOffered).map((f) => f.about)
  const about = new Set(await find())
  const [spent] = await timedAsync(1, async () => {
    const found = new Set(await find())
    await writer.forget((one) => found.has(one))
  })
  const text = await writer.read(0)
  if (about.size === 0 || text.includes(`"${number}"`) || !text.includes(FORGOTTEN)) throw new Error('the bench forgets nobody')
  print(`somebody found and forgotten in a ledger of a day (${entries.length} entries, ${about.size} things)`, `${Math.round(spent ?? 0)} ms`, 'none set')
  keep('erase.personMs', spent ?? 0, 'ms', null)
}
