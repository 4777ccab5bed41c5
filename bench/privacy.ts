// What sealing costs.
import { offeredBy } from '@/core/forgotten'
import { type LedgerEntry, toLine } from '@/core/ledger'
import { createKeyRing } from '@/services/exchange/store/key-ring'
import { sealedLine } from '@/services/exchange/store/seal'
import { memoryStore } from '@/services/storage'
import { simulateDay } from '@/world'
import { FENNHOLM, FENNHOLM_STAGE } from '@/world/scenario'
import { aBusyFloor, keepBusy } from './busy-floor'
import { keep } from './keep'
import { median, print, timed } from './statistics'

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
}
