// A shift in which agents see whom they call first: each for themselves, with their line open while it rings. Nobody is abandoned, and nobody waits.
import { createChance, seedFor } from '@/core/chance'
import { createPool, logNormal, type Shift, type Shown } from './simulate'

const READS = { mean: 12_000, sd: 8_000 }
const WARM_UP_MS = 20 * 60_000

export function playPreviewShift({ world, agents, seed, list = null }: Omit<Shift, 'tickMs' | 'abandonCap' | 'lines'>): Shown {
  const endMs = world.hours * 3_600_000
  const pool = createPool(list)
  const free = Array.from({ length: agents }, (_, i) => {
    const chance = createChance(seedFor(seed, `agent ${i}`))
    return { atMs: 0, chance, nextBreakMs: chance.exponential(world.breakEveryMs) }
  })
  let [attempts, connected, machines, busyMs, presentMs] = [0, 0, 0, 0, 0]
  let listEndsMs: number | null = null
  for (;;) {
    const agent = free.reduce((a, b) => (b.atMs < a.atMs ? b : a))
    const { chance, atMs } = agent
    if (atMs >= endMs) break
    if (atMs >= agent.nextBreakMs) {
      agent.atMs += world.breakMs
      agent.nextBreakMs = agent.atMs + chance.exponential(world.breakEveryMs)
      continue
    }
    const tries = pool.take(atMs)
    if (tries === null) {
      if (pool.left() === 0) {
        listEndsMs ??= atMs
        break
      }
      agent.atMs += 1_000
      continue
    }
    attempts++
    const dialledMs = atMs + logNormal(chance, READS)
    const roll = chance.next()
    const isPerson = chance.next() < world.answers(atMs / endMs)
    const isBarren = !isPerson && roll >= world.machine
    const ringMs = isBarren && roll < world.machine + world.busy + world.invalid ? 2_000 : Math.min(logNormal(chance, world.ringMs), world.ringLimitMs)
    const answeredMs = dialledMs + (isBarren && ringMs > 2_000 ? world.ringLimitMs : ringMs)
    const talkMs = isPerson ? logNormal(chance, chance.next() < world.rightParty ? world.talkMs.right : world.talkMs.other) : isBarren ? 0 : 6_000
    const wrapMs = logNormal(chance, world.wrapMs) * (isPerson ? 1 : 0.3)
    agent.atMs = answeredMs + talkMs + wrapMs
    if (isPerson) connected++
    else {
      if (!isBarren) machines++
      if (!(isBarren && roll >= world.machine + world.busy && roll < world.machine + world.busy + world.invalid)) pool.unreached(tries, answeredMs)
    }
    if (atMs >= WARM_UP_MS) {
      busyMs += talkMs + wrapMs
      presentMs += agent.atMs - atMs
    }
  }
  const none = { abandoned: 0, abandonedShare: 0, worstHour: 0 }
  return {
    ...none,
    utilisation: busyMs / Math.max(1, presentMs),
    liveAnswers: connected,
    connected,
    attempts,
    machinesTaken: machines,
    listEndsMs,
    left: list === null ? null : pool.left(),
  }
}
