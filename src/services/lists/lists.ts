// The calling lists at work: who is next, what becomes of them as the floor tells it, and how many stand where. The floor's ledger is the truth: what is kept
// here of what records have been through is folded from it, and gone on from where that had come to.
import { type CalledRecord, FRESH, type ListedRecord, type PutBack, RECORD_STATES, type RecordLife, type RecordState } from '@/core/campaigns'
import { calledAs, lifeEventOf } from '@/core/dialer'
import type { AgentId, CampaignId, ListId } from '@/core/ids'
import type { CarriedOver } from '@/core/ledger'
import { type CallingList, createCallingList, type Place } from '@/core/lists'
import { type Found, mayBeIn, plain, type Sought, soughtOf } from '@/core/personal'
import type { CampaignSetUp } from '@/core/set-up'
import { inTurns } from '@/services/ports'
import { type KeyValue, storageWords } from '@/services/storage'
import { dayAfter, daysBetween, type PastAsked } from '@/world'
import { CHUNK_ROWS, type Chunk, type ListMeta, placeOfRecord, recordsOfChunk } from './chunks'
import { entriesIn, foldIn, heldBy, meantBy } from './fold'
import { createForgetting } from './forgetting'
import { type Held, sourceOf } from './held'
import {
  type FollowedTo,
  fallsBehind,
  noLongerBehind,
  readBehind,
  readChunks,
  readFollowed,
  readIndex,
  readLives,
  tidy,
  writeFollowed,
  writeLives,
} from './kept'
import { type MetOnLists, metOn } from './met'
import { found, type OneRecord, type RecordRow, type RecordsAsked, type RecordsPage, rowOf } from './pages'
import { readLifeLine } from './past'
import { type CampaignReport, type CountsOf, campaignReport, type ReportAsked } from './report'

/** The floor, as the lists ask it. */
export interface ListsFeed {
  /** Of the ledger. */
  floorId(): Promise<string> | string
  /** NDJSON of stored entries after this one. */
  read(afterSeq: number, throughSeq: number | null): Promise<string>
  campaigns(): Promise<readonly CampaignSetUp[]> | readonly CampaignSetUp[]
  nowMs(): Promise<number> | number
}

export interface CampaignFigures {
  readonly campaignId: CampaignId
  readonly loaded: number
  readonly states: Readonly<Record<RecordState, number>>
  /** When the next one may be called; null when nobody waits, 0 when somebody could be called now. */
  readonly nextAtMs: number | null
}

export interface Lists {
  /** Follows the floor to the end of what is stored. Call it whenever more is. */
  follow(floor: ListsFeed): Promise<void>
  /** Takes out who is next: they come back by what becomes of them, or by `giveBack`. Nobody, until the floor has been followed once. */
  next(campaignId: CampaignId, atMost: number, atMs: number): readonly CalledRecord[]
  giveBack(recordIds: readonly string[], atMs: number): void
  /** Whoever of a campaign's lists has this number, in E.164; of several, who was called last. null when nobody has. */
  whose(campaignId: CampaignId, number: string): CalledRecord | null
  figures(atMs: number): readonly CampaignFigures[]
  /** Records of anybody who is sought, of all lists; whoever asks something else meanwhile is answered. */
  keptAbout(sought: Sought): Promise<readonly Found[]>
  metas(): readonly ListMeta[]
  /** The list of this id with its rows, for an import into it. */
  listOf(listId: ListId): { readonly meta: ListMeta; readonly chunks: readonly Chunk[] } | null
  /** Numbers of all lists of other campaigns that run. */
  numbersElsewhere(campaignId: CampaignId, isRunning: (id: CampaignId) => boolean): ReadonlySet<number>
  /** A list as it has just been written; what its records have been through goes on. */
  adopt(meta: ListMeta, chunks: readonly Chunk[]): void
  page(asked: RecordsAsked, atMs: number): RecordsPage
  /** null of nobody here. */
  record(recordId: string, atMs: number): OneRecord | null
  /** Everybody of a campaign's lists, one after another. */
  everybody(campaignId: CampaignId, atMs: number): { readonly columns: readonly string[]; readonly count: number; readonly records: Iterable<OneRecord> }
  /** What attempts of a span came to; `only` those that were put through to one agent. */
  report(asked: ReportAsked, counts: CountsOf, only: AgentId | null, atMs: number): CampaignReport
  /** What a campaign has met so far. */
  met(campaignId: CampaignId, counts: CountsOf): MetOnLists
  /** Lists that are there and of which a part is torn: they are left alone, and why. */
  unreadable(): readonly { readonly meta: ListMeta; readonly says: string }[]
  /** How many would be put back. */
  matching(campaignId: CampaignId, which: PutBack, atMs: number): number
  /** Resolves when what is known is kept, or throws storage's reason. */
  keep(): Promise<void>
  /** What storage said when it last refused; null while it keeps everything. */
  trouble(): string | null
}

/** What people of lists have been through on days that were simulated; throws when it cannot be had. */
export type FetchPast = (asked: PastAsked) => Promise<AsyncIterable<readonly string[]>>

interface Around {
  readonly fetchPast: FetchPast
  readonly onTrouble: (says: string) => void
}

async function* nothing(): AsyncGenerator<readonly string[]> {}

/** Everybody who was ever tried. Where somebody is their first number says. */
function* triesOf(of: Held) {
  const source = sourceOf(of)
  for (const [place, life] of of.lives) yield { zone: source.zoneAt(place).split(' ')[0] || 'UTC', tries: life.tries }
}

/** Everything that is kept, read back. What cannot be read is left out, and said. */
export async function openLists(store: KeyValue, { fetchPast = async () => nothing(), onTrouble = () => {} }: Partial<Around> = {}): Promise<Lists> {
  const held = new Map<ListId, Held>()
  let followed: FollowedTo | null = await readFollowed(store)
  /** Up to where the ledger has been folded into lists that could not be read when it was last; what is caught up with is kept before that is forgotten. */
  const behind = new Map<ListId, FollowedTo>()
  const caughtUp = new Set<ListId>()
  const unreadable: { readonly meta: ListMeta; readonly says: string }[] = []
  for (const meta of await readIndex(store)) {
    const chunkCount = Math.ceil(meta.count / CHUNK_ROWS)
    try {
      const [chunks, lives] = await Promise.all([readChunks(store, meta, chunkCount), readLives(store, meta, chunkCount)])
      held.set(meta.id, { meta, chunks, lives, list: null, rules: '', dirty: new Set(), source: null })
      const since = await readBehind(store, meta.id)
      if (since !== null) behind.set(meta.id, since)
    } catch (error) {
      await fallsBehind(store, meta.id, followed ?? FROM_THE_BEGINNING).catch(() => {})
      unreadable.push({ meta, says: storageWords(error) })
      onTrouble(storageWords(error))
    }
  }
  void tidy(store).catch(() => {})
  /** Taken out, and nothing has been heard of them yet. */
  const out = new Set<string>()
  let campaigns: readonly CampaignSetUp[] = []
  let isReady = false
  let trouble: string | null = null
  let following: Promise<void> = Promise.resolve()

  const listOf = (of: Held, atMs: number): CallingList | null => {
    const campaign = campaigns.find((c) => c.id === of.meta.campaignId)
    if (campaign === undefined) return null
    const { attempts, manner, hours, fromDay, toDay, leftOutDays, order } = campaign
    const rules = { attempts, manner, hours, fromDay, toDay, leftOutDays, order }
    const asText = JSON.stringify(rules)
    if (of.list === null || of.rules !== asText) {
      of.list = createCallingList(sourceOf(of), rules, atMs)
      of.rules = asText
      // Whoever is out with the dialer is not taken out a second time.
      for (const id of out) {
        const place = placeOfRecord(of.meta.id, id)
        if (place !== null && place < of.meta.count) of.list.hold(place)
      }
    }
    return of.list
  }
  const listsOf = (campaignId: CampaignId) => [...held.values()].filter((h) => h.meta.campaignId === campaignId)
  const forgetting = createForgetting({ store, held, listOf, campaignOf: (id) => campaigns.find((c) => c.id === id), isOut: (recordId) => out.has(recordId) })

  const one = (of: Held, list: CallingList, place: Place, atMs: number): OneRecord => {
    return { record: sourceOf(of).recordAt(place), life: of.lives.get(place) ?? FRESH, standing: list.standing(place, atMs) }
  }
  /** Days before this one, whose lists were called: of who has been called on this floor already that stands. */
  const takePast = async ({ from, through, simulated }: CarriedOver) => {
    if (simulated === null || !simulated.campaigns) return
    const past = await fetchPast({ seed: simulated.seed, days: daysBetween(from, through) + 1, campaigns: true, before: dayAfter(through) })
    for await (const lines of past)
      for (const line of lines) {
        if (line === '') continue
        const { recordId, life } = readLifeLine(line)
        const at = heldBy(held.values(), recordId)
        if (at === null || at.of.lives.has(at.place)) continue
        sourceOf(at.of).setLife(at.place, life)
        // Who comes next is reckoned anew.
        at.of.list = null
      }
  }

  /** Lists that could not be read for a while are told what was said meanwhile. */
  const catchUp = async (floor: ListsFeed, floorId: string, throughSeq: number, nowMs: number) => {
    for (const [listId, since] of behind) {
      const isOfFloor = [floorId, FROM_THE_BEGINNING.floorId].includes(since.floorId) && since.seq < throughSeq
      const text = isOfFloor ? await floor.read(since.seq, throughSeq) : ''
      for (const { entry } of entriesIn(text, since.seq)) {
        const of = held.get(listId)
        if (entry !== null && of !== undefined) await foldIn(entry, [of], listOf, forgetting, nowMs)
      }
      behind.delete(listId)
      caughtUp.add(listId)
    }
  }

  const take = async (floor: ListsFeed) => {
    const [floorId, nowMs] = [await floor.floorId(), await floor.nowMs()]
    if (followed?.floorId !== floorId) followed = { floorId, seq: 0 }
    campaigns = await floor.campaigns()
    // An index is made once for what is known at the time: the first is cheap, whatever is folded in.
    for (const of of held.values()) listOf(of, nowMs)
    await catchUp(floor, floorId, followed.seq, nowMs)
    const text = await floor.read(followed.seq, null)
    let seq = followed.seq
    for (const { seq: at, entry } of entriesIn(text, seq)) {
      seq = at
      if (entry === null) continue
      const { event } = entry
      if (event.kind === 'setUpChanged') {
        campaigns = await floor.campaigns()
        for (const of of held.values()) listOf(of, nowMs)
      }
      if (event.kind === 'carriedOver') {
        try {
          await takePast(event)
        } catch (error) {
          // Nobody is called before it is known who was called yesterday: asked again when more has happened.
          followed = { floorId, seq: seq - 1 }
          throw error
        }
      }
      const life = lifeEventOf(event)
      if (life !== null) out.delete(life.recordId)
      await foldIn(entry, [...held.values()], listOf, forgetting, nowMs)
    }
    followed = { floorId, seq }
    isReady = true
  }

  const keep = async () => {
    for (const { meta, lives, dirty } of held.values())
      for (const no of [...dirty]) {
        // What changes while it is written is written again.
        dirty.delete(no)
        const part: (readonly [Place, RecordLife])[] = []
        for (let place = no * CHUNK_ROWS; place < Math.min(meta.count, (no + 1) * CHUNK_ROWS); place++) {
          const life = lives.get(place)
          if (life !== undefined) part.push([place, life])
        }
        try {
          await writeLives(store, meta.id, no, part)
        } catch (error) {
          dirty.add(no)
          throw error
        }
      }
    for (const listId of caughtUp) await noLongerBehind(store, listId)
    caughtUp.clear()
    // Only now: entries after it are folded in again, which changes nothing that was there already.
    if (followed !== null) await writeFollowed(store, followed)
  }

  return {
    follow(floor) {
      // What failed once is tried again with the next word of the floor.
      following = following.catch(() => {}).then(() => take(floor))
      return following
    },
    next(campaignId, atMost, atMs) {
      if (!isReady) return []
      const found: CalledRecord[] = []
      for (const of of listsOf(campaignId))
        while (found.length < atMost) {
          const next = listOf(of, atMs)?.next(atMs)
          if (next === undefined) break
          out.add(next.record.recordId)
          found.push(calledAs(next))
        }
      return found
    },
    giveBack(recordIds, atMs) {
      for (const id of recordIds) {
        out.delete(id)
        const found = heldBy(held.values(), id)
        if (found !== null) listOf(found.of, atMs)?.giveBack(found.place, atMs)
      }
    },
    whose(campaignId, number) {
      let found: { readonly record: ListedRecord; readonly tries: number; readonly lastMs: number } | null = null
      for (const { meta, chunks, lives } of listsOf(campaignId))
        for (const [no, chunk] of chunks.entries())
          for (const record of recordsOfChunk(meta, chunk, no, (row) => row.includes(number))) {
            if (!record.numbers.some((n) => n.number === number)) continue
            const tries = lives.get(placeOfRecord(meta.id, record.recordId) ?? -1)?.tries ?? []
            const lastMs = tries.at(-1)?.atMs ?? 0
            if (found === null || lastMs > found.lastMs) found = { record, tries: tries.length, lastMs }
          }
      const of = found?.record.numbers.find((n) => n.number === number)
      return found === null || of === undefined ? null : calledAs({ record: found.record, number: of, tries: found.tries })
    },
    async keptAbout(asked) {
      const sought = soughtOf(asked)
      const { numbers, addresses, names } = sought
      const found: Found[] = []
      const othersFirst = inTurns()
      const isText = (value: string) => addresses.includes(plain(value)) || names.includes(plain(value))
      for (const { meta, chunks } of [...held.values()])
        for (const [no, chunk] of chunks.entries()) {
          for (const { recordId, person, numbers: theirs, fields } of recordsOfChunk(meta, chunk, no, (row) => mayBeIn(row, sought)))
            if (theirs.some((n) => numbers.includes(n.number)) || isText(person) || Object.values(fields).some(isText))
              found.push({ about: recordId, names: [person, ...theirs.map((n) => n.number)].filter((name) => name !== '') })
          await othersFirst()
        }
      return found
    },
    figures(atMs) {
      const byCampaign = new Map<CampaignId, CampaignFigures>()
      for (const of of held.values()) {
        const list = listOf(of, atMs)
        if (list === null) continue
        const states = list.figures()
        const nextAtMs = list.nextAtMs(atMs)
        const { campaignId, count } = of.meta
        const before = byCampaign.get(campaignId)
        byCampaign.set(
          campaignId,
          before === undefined
            ? { campaignId, loaded: count, states, nextAtMs }
            : { campaignId, loaded: before.loaded + count, states: added(before.states, states), nextAtMs: sooner(before.nextAtMs, nextAtMs) },
        )
      }
      return [...byCampaign.values()]
    },
    metas: () => [...held.values()].map((h) => h.meta),
    unreadable: () => unreadable,
    listOf(listId) {
      const of = held.get(listId)
      return of === undefined ? null : { meta: of.meta, chunks: of.chunks }
    },
    numbersElsewhere(campaignId, isRunning) {
      const numbers = new Set<number>()
      for (const { meta, chunks } of held.values())
        if (meta.campaignId !== campaignId && isRunning(meta.campaignId))
          for (const [no, chunk] of chunks.entries())
            for (const record of recordsOfChunk(meta, chunk, no)) for (const n of record.numbers) numbers.add(Number(n.number.slice(1)))
      return numbers
    },
    adopt(meta, chunks) {
      const before = held.get(meta.id)
      held.set(meta.id, { meta, chunks, lives: before?.lives ?? new Map(), list: null, rules: '', dirty: new Set(before?.dirty), source: null })
    },
    page(asked, atMs) {
      const rows: RecordRow[] = []
      let count = 0
      for (const of of listsOf(asked.campaignId)) {
        const list = listOf(of, atMs)
        if (list === null) continue
        for (const place of found({ chunks: of.chunks, count: of.meta.count, list }, asked)) {
          if (count >= asked.from && rows.length < asked.atMost) rows.push(rowOf(one(of, list, place, atMs)))
          count++
        }
      }
      return { found: count, rows }
    },
    record(recordId, atMs) {
      const at = heldBy(held.values(), recordId)
      const list = at === null ? null : listOf(at.of, atMs)
      return at === null || list === null ? null : one(at.of, list, at.place, atMs)
    },
    everybody(campaignId, atMs) {
      const all = listsOf(campaignId)
      function* records() {
        for (const of of all) {
          const list = listOf(of, atMs)
          if (list !== null) for (let place = 0; place < of.meta.count; place++) yield one(of, list, place, atMs)
        }
      }
      return { columns: [...new Set(all.flatMap((of) => of.meta.columns))], count: all.reduce((sum, of) => sum + of.meta.count, 0), records: records() }
    },
    report(asked, counts, only, atMs) {
      const reported = [...held.values()].map((of) => {
        const { id, name, campaignId, count } = of.meta
        return { id, name, campaignId, loaded: count, states: listOf(of, atMs)?.figures() ?? NOWHERE, tries: triesOf(of) }
      })
      return campaignReport(reported, asked, counts, only)
    },
    met(campaignId, counts) {
      function* people() {
        for (const of of listsOf(campaignId)) yield* triesOf(of)
      }
      return metOn(people(), counts[campaignId] ?? {})
    },
    matching: (campaignId, which, atMs) => [...meantBy(held.values(), listOf, campaignId, which, atMs)].length,
    async keep() {
      try {
        await keep()
        trouble = null
      } catch (error) {
        trouble = storageWords(error)
        throw error
      }
    },
    trouble: () => trouble,
  }
}

/** Of whatever floor: nothing was followed yet. */
const FROM_THE_BEGINNING: FollowedTo = { floorId: '', seq: 0 }

const NOWHERE = Object.fromEntries(RECORD_STATES.map((s) => [s, 0])) as Record<RecordState, number>

const sooner = (a: number | null, b: number | null): number | null => (a === null ? b : b === null ? a : Math.min(a, b))
const added = (a: CampaignFigures['states'], b: CampaignFigures['states']): CampaignFigures['states'] =>
  Object.fromEntries(Object.entries(a).map(([state, n]) => [state, n + b[state as RecordState]])) as CampaignFigures['states']
