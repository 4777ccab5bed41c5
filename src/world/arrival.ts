// Who calls and when, as the network brings them: with a number, or withheld; known to the customer records, or not.
import { type Chance, createChance, seedFor } from '@/core/chance'
import type { NetworkCommand } from '@/core/floor'
import type { QueueId } from '@/core/ids'
import { queueSetUp } from '@/core/set-up'
import { type FloorState, nextCallId } from '@/core/state'
import { intentOf } from './intent'
import { hoursToday, timeOfDayMs } from './opening'
import { nextArrivalMs } from './pace'
import type { Acts, Scene } from './scene'

type Arrives = Extract<NetworkCommand, { kind: 'callArrives' }>

/** Whoever a trainer wished for, of the records by id or anybody; or the number somebody calls from again; or anybody. */
type Who = { readonly wished: string | null } | { readonly again: string } | null

/** A stream of callers of its own for each queue, from `fromMs` on. */
export function beginArrivals(scene: Scene, queueId: QueueId, fromMs: number): void {
  const { seed, arrivals, dayNo } = scene.memory
  arrivals.set(queueId, seedFor(seed, `arrivals ${queueId} ${dayNo}`))
  noteArrival(scene, queueId, fromMs)
}

function noteArrival(scene: Scene, queueId: QueueId, fromMs: number): void {
  const { stage, memory, note } = scene
  const { pace, dayNo } = memory
  if (!memory.arrivals.has(queueId) || pace === 'quiet') return
  const { arrivalsPerHour, mostPerHour } = stage.rhythm
  const hours = hoursToday(stage, memory)
  const at = fromStream(scene, queueId, (chance) =>
    nextArrivalMs(chance, (t) => arrivalsPerHour(pace, queueId, timeOfDayMs(hours, memory, t), hours), mostPerHour, fromMs),
  )
  if (at !== null) note(at, { kind: 'arrive', queueId, dayNo })
}

/** Draws from the queue's stream, which goes on from there the next time. */
function fromStream<T>({ memory: { arrivals } }: Scene, queueId: QueueId, draw: (chance: Chance) => T): T {
  const chance = createChance(arrivals.get(queueId) ?? 0)
  const drawn = draw(chance)
  arrivals.set(queueId, chance.seed())
  return drawn
}

/** One caller in twelve is not in the customer records; one in forty withholds the number. */
function arrival({ stage, memory: { seed, pace } }: Scene, state: FloorState, queueId: QueueId, who: Who, chance: Chance): Arrives {
  const { paths } = queueSetUp(state.setUp, queueId)
  const isWished = who !== null && 'wished' in who
  const intent = intentOf(stage, seed, nextCallId(state), queueId, pace, isWished)
  const fitting = paths.filter((p) => intent.paths?.includes(p) ?? true)
  const path = paths.length === 0 ? null : chance.pick(fitting.length === 0 ? paths : fitting)
  const known = isWished && who.wished !== null ? stage.records.numberOf(who.wished) : undefined
  const number = known ?? (who !== null && 'again' in who ? who.again : anybodys(stage.records, chance, intent.isWrongNumber ?? false))
  // The records know who it is when the number belongs to one person; of a household they offer everybody.
  const people = number === null ? [] : stage.records.byNumber(number, state.struck)
  const [only] = people
  const whose = people.length === 1 && only !== undefined ? { customer: only } : { customer: null, matches: people }
  return { kind: 'callArrives', queueId, path, number, ...whose }
}

function anybodys(records: Scene['stage']['records'], chance: Chance, isWrongNumber: boolean): string | null {
  const roll = chance.next()
  if (roll < 1 / 40) return null
  return isWrongNumber || roll < 1 / 40 + 1 / 12 ? records.stranger(chance) : records.someone(chance)
}

export const ARRIVALS: Acts<'arrive' | 'again' | 'ring'> = {
  arrive(scene, { queueId, dayNo }, floor, atMs) {
    if (dayNo !== scene.memory.dayNo) return []
    noteArrival(scene, queueId, atMs)
    return [fromStream(scene, queueId, (chance) => arrival(scene, floor, queueId, null, chance))]
  },
  again(scene, { queueId, number, dayNo }, floor, atMs) {
    const { stage, memory } = scene
    const { seed, pace } = memory
    const hours = hoursToday(stage, memory)
    const isOpen = timeOfDayMs(hours, memory, atMs) < hours.closesMs
    const chance = createChance(seedFor(seed, `again ${floor.callCount}`))
    // Who has called us before does not mean somebody else now.
    const isMeant = intentOf(stage, seed, nextCallId(floor), queueId, pace).isWrongNumber !== true
    return dayNo === memory.dayNo && isOpen && isMeant ? [arrival(scene, floor, queueId, { again: number }, chance)] : []
  },
  ring(scene, { wish, ringsAt }, floor) {
    scene.memory.wished = wish
    const chance = createChance(seedFor(scene.memory.seed, `ring ${floor.callCount}`))
    const command = arrival(scene, floor, wish.queueId, { wished: wish.customerId }, chance)
    return [ringsAt === null ? command : { ...command, ringsAt }]
  },
}
