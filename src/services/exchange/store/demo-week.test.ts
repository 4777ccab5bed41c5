// The ordinary life of the demo, closed and opened: a week of it with campaigns and a storm is stored as it happens, and restored again and again. What the
// reader refuses, and what a restored floor would have forgotten, shows here.
import { dequal } from 'dequal'
import { expect, test } from 'vitest'
import { AttemptLineSchema, attemptLine } from '@/core/campaigns'
import { createListSource, type ListSourceOf } from '@/core/dialer'
import { toRecordId } from '@/core/ids'
import { AgentIntervalSchema, CallRecordSchema, type CarriedOver, createLedgerFolder, type LedgerEntry, parseEntry, WrittenRecordSchema } from '@/core/ledger'
import { createFloor, evolve, type FloorState, TABLES, watch } from '@/core/state'
import { memoryStore } from '@/services/storage'
import { type Day, dayAfter, daySteps, startOfDayMs } from '@/world'
import { FENNHOLM, FENNHOLM_LISTS, FENNHOLM_STAGE, paceOfDay } from '@/world/scenario'
import { createWriter, restore } from './index'

const SEED = 7
const DAYS = 7
/** The demo's own lists without the people nobody would come to in a week. */
const RECORDS = 1_500
/** So many events after one another a floor is restored and compared; snapshots come every 500. */
const EVERY = 100

/** What a floor holds besides its tables. */
const factsOf = (floor: FloorState): object => Object.fromEntries(Object.entries(floor).filter(([name]) => !(TABLES as readonly string[]).includes(name)))

type Lives = ReadonlyMap<string, ReturnType<ListSourceOf['lives']>>

const LISTED = FENNHOLM_LISTS.map(({ id, campaignId, records }) => ({
  campaignId,
  records: [...records()].slice(0, RECORDS).map((r, place) => ({ ...r, recordId: toRecordId(`record_${id}_${place}`), listId: id })),
}))

function listsOn(day: Day, lives: Lives | null): ListSourceOf {
  const at = LISTED.flatMap(({ campaignId, records }) => {
    const rules = FENNHOLM.campaigns.find((c) => c.id === campaignId)
    return rules === undefined ? [] : [{ campaignId, rules, records, lives: lives?.get(campaignId) ?? new Map() }]
  })
  return createListSource(at, startOfDayMs(day, FENNHOLM.timeZone))
}

/**
 * A day as it happens: its decisions go to the store. Every so often what was stored since is read and folded onto a second floor, and at every snapshot a
 * third one is restored; each is the one in memory, or what differs is shown.
 */
async function live(decisions: readonly (readonly LedgerEntry[])[]): Promise<number> {
  const store = memoryStore()
  const quiet = { onStored: () => {}, onTrouble: () => {}, onCleared: () => {}, later: () => {} }
  const writer = createWriter({ store, storedSeq: 0, snapshotSeq: 0, ...quiet })
  const floor = createFloor('live', FENNHOLM)
  const follower = createFloor('live', FENNHOLM)
  const same = (other: FloorState | null) => dequal(other, floor) || expect(other).toEqual(floor)
  // Rows that neither has touched were the same the last time.
  const [moved, followed] = [watch(floor), watch(follower)]
  const sameSince = () => {
    const [mine, theirs] = [moved(), followed()]
    if (mine === null || theirs === null) return same(follower)
    for (const table of TABLES)
      for (const key of new Set([...(mine.get(table) ?? []), ...(theirs.get(table) ?? [])]))
        if (!dequal(follower[table].get(key), floor[table].get(key))) expect(follower[table].get(key), `${table} ${key}`).toEqual(floor[table].get(key))
    expect(factsOf(follower)).toEqual(factsOf(floor))
  }
  let snapshots = 0
  for (const decision of decisions) {
    for (const { event, atMs } of decision) evolve(floor, event, atMs)
    writer.append(decision, floor)
    if (floor.seq - follower.seq < EVERY && decision !== decisions.at(-1)) continue
    await writer.flushed()
    for (const line of (await writer.read(follower.seq)).trimEnd().split('\n')) {
      const opened = parseEntry(line)
      if (!opened.ok) throw new Error(`${opened.detail} in ${line}`)
      evolve(follower, opened.entry.event, opened.entry.atMs)
    }
    sameSince()
    const newest = `snapshot/${String(floor.seq).padStart(10, '0')}`
    if ((await store.get(newest)) === null && decision !== decisions.at(-1)) continue
    snapshots++
    const { state, damage, snapshotSeq } = await restore(store)
    expect([damage, floor.seq - snapshotSeq < 500]).toEqual([null, true])
    same(state)
    same(follower)
  }
  return snapshots
}

test('a week of the demo comes back whole at every hundred events, and what is exported of it is what its schema says', async () => {
  let before: CarriedOver | null = null
  let lives: Lives | null = null
  const happened = new Map<string, number>()
  const paces = new Set<string>()
  for (let i = 0; i < DAYS; i++) {
    const day = dayAfter('2026-11-20', i)
    const lists = listsOn(day, lives)
    paces.add(paceOfDay(SEED, day))
    const decisions: (readonly LedgerEntry[])[] = []
    const steps = daySteps(FENNHOLM_STAGE, { seed: SEED, pace: paceOfDay(SEED, day), day, before, lists }, (more) => decisions.push(more))
    let step = steps.next()
    while (step.done !== true) step = steps.next()
    before = step.value
    lives = new Map(LISTED.map(({ campaignId }) => [campaignId, lists.lives(campaignId)]))
    const entries = decisions.flat()
    for (const { event } of entries) happened.set(event.kind, (happened.get(event.kind) ?? 0) + 1)
    expect(await live(decisions)).toBeGreaterThan(entries.length / 1_000)
    const folder = createLedgerFolder()
    for (const entry of entries) folder.add(entry)
    const asFile = <T>(rows: readonly T[]): unknown => JSON.parse(JSON.stringify(rows))
    CallRecordSchema.array().parse(asFile(folder.records()))
    AgentIntervalSchema.array().parse(asFile(folder.intervals(entries.at(-1)?.atMs ?? 0)))
    WrittenRecordSchema.array().parse(asFile(folder.written()))
    for (const { campaignId, records } of LISTED)
      for (const [place, { tries }] of lives.get(campaignId) ?? [])
        AttemptLineSchema.array().parse(asFile(tries.map((t) => attemptLine(campaignId, records[place] as (typeof records)[number], t))))
  }
  expect([...paces].toSorted()).toEqual(['ordinary', 'storm'])
  // The week had in it what it is asked about.
  for (const kind of ['attemptMessagePlayed', 'callerTold', 'callbackAgreed', 'messageLeft', 'carriedOver', 'lineMeasured'] as const)
    expect(happened.get(kind) ?? 0, kind).toBeGreaterThan(0)
}, 600_000)
