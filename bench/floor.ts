// The floor's figures, without a browser: commands a second, a simulated day, restoring a long ledger.
import { createFloor, evolve, openFloor } from '@/core/floor'
import { HOUR } from '@/core/time'
import { createWriter, memoryStore, restore } from '@/exchange/store'
import { advance, createWorld, simulateDay } from '@/world'
import { FENNHOLM } from '@/world/scenario'
import { aBusyFloor, keepBusy } from './busy-floor'
import { median, print, timed, timedAsync } from './statistics'

const COMMANDS = 24_000

function commandRate(): void {
  let floor = keepBusy(aBusyFloor(), COMMANDS / 4)
  const spent = timed(5, () => {
    floor = keepBusy(floor, COMMANDS)
  })
  print('commands decided and folded, 60 agents and 200 live calls', `${Math.round((COMMANDS / median(spent)) * 1000)} /s`, '100000 /s')
}

function simulatedDay(): void {
  const midnightMs = Date.UTC(2026, 10, 23)
  simulateDay({ seed: 1, pace: 'ordinary', midnightMs })
  let entries = 0
  const spent = timed(3, () => {
    entries = simulateDay({ seed: 7, pace: 'ordinary', midnightMs }).length
  })
  print(`an ordinary day of 14 seats simulated (${entries} events)`, `${Math.round(median(spent))} ms`, 'under 1000 ms')
}

/** Five opening days on end through one floor, written as the browser writes them, then brought back. */
async function restored(): Promise<void> {
  const fromMs = Date.UTC(2026, 10, 23)
  const opened = openFloor('bench', FENNHOLM, fromMs)
  const store = memoryStore()
  const writer = createWriter({ store, storedSeq: 0, snapshotSeq: 0, onStored: () => {}, onRefused: () => {} })
  let state = evolve(createFloor('bench', FENNHOLM), opened.event, fromMs)
  writer.append([opened], state)
  const plays = FENNHOLM.agents.filter((a) => a.role === 'agent').map((a) => a.id)
  const world = createWorld({ seed: 7, pace: 'ordinary', plays, day: { kind: 'live' } })
  world.begin(state, fromMs)
  for (let hour = 1; hour <= 50; hour++) {
    state = advance(state, world, fromMs + hour * HOUR, (entries, after) => writer.append(entries, after))
    await writer.flushed()
  }
  const spent = await timedAsync(5, () => restore(store))
  print(`a ledger of five days restored (${state.seq} events, newest snapshot)`, `${median(spent).toFixed(1)} ms`, 'under 300 ms')
  for (const key of await store.keys()) if (key.startsWith('snapshot/')) await store.remove(key)
  const whole = await timedAsync(3, () => restore(store))
  print('the same with every snapshot lost: folded from its first event', `${Math.round(median(whole))} ms`, 'none set')
}

commandRate()
simulatedDay()
await restored()
