// How a list is kept: a thousand rows to a chunk, each chunk a text of JSON lines and, beside it, what orders fresh records, so that a list of a million is
// opened and dialled without its rows being read.
import { LRUCache } from 'lru-cache'
import type { ListedRecord, RecordLife } from '@/core/campaigns'
import { FORGOTTEN } from '@/core/forgotten'
import { type CampaignId, type ListId, type RecordId, toRecordId } from '@/core/ids'
import { type ListSource, type Place, zoneKey } from '@/core/lists'

export const CHUNK_ROWS = 1_000

export interface Chunk {
  /** A row a line: key, person, numbers as pairs of number and zones' place, then the values of the list's columns. */
  readonly text: string
  /** Of each row: the place of its first number's zones in the list's table, one more than that; 0 where no number could be read. */
  readonly zones: Uint16Array
  readonly priorities: Int16Array
}

/** What is known of a list without its rows. */
export interface ListMeta {
  readonly id: ListId
  readonly campaignId: CampaignId
  readonly name: string
  readonly columns: readonly string[]
  /** Zones that occur, as they are joined. */
  readonly zones: readonly string[]
  readonly count: number
  /** Which writing of its rows counts: a second import writes them anew beside the first. */
  readonly generation: number
  readonly importedAtMs: number
}

type Row = readonly [key: string | null, person: string, numbers: readonly (readonly [number: string, zones: number])[], ...values: string[]]

/** Puts records into chunks, one after another. */
export function createChunker(columns: readonly string[], zones: string[] = []) {
  const zonePlaces = new Map(zones.map((zone, i) => [zone, i]))
  const placeOf = (zone: string): number => {
    const known = zonePlaces.get(zone)
    if (known !== undefined) return known
    zones.push(zone)
    zonePlaces.set(zone, zones.length - 1)
    return zones.length - 1
  }
  let lines: string[] = []
  let [first, priorities]: [number[], number[]] = [[], []]
  const take = (): Chunk => {
    const chunk = { text: lines.join('\n'), zones: Uint16Array.from(first), priorities: Int16Array.from(priorities) }
    lines = []
    first = []
    priorities = []
    return chunk
  }
  return {
    zones: zones as readonly string[],
    /** A chunk when it is full. */
    add({ key, person, numbers, priority, fields }: Pick<ListedRecord, 'key' | 'person' | 'numbers' | 'priority' | 'fields'>): Chunk | null {
      const pairs = numbers.map((n) => [n.number, placeOf(zoneKey(n.zones))] as const)
      lines.push(JSON.stringify([key, person, pairs, ...columns.map((c) => fields[c] ?? '')]))
      first.push(pairs[0] === undefined ? 0 : pairs[0][1] + 1)
      priorities.push(priority)
      return lines.length === CHUNK_ROWS ? take() : null
    },
    rest: (): Chunk | null => (lines.length === 0 ? null : take()),
  }
}

export const recordIdAt = (listId: ListId, place: Place): RecordId => toRecordId(`record_${listId.slice('list_'.length)}_${place}`)

/** The place of a record, which its id tells; null of another list. */
export function placeOfRecord(listId: ListId, recordId: string): Place | null {
  const prefix = `record_${listId.slice('list_'.length)}_`
  const place = Number(recordId.slice(prefix.length))
  return recordId.startsWith(prefix) && Number.isInteger(place) ? place : null
}

type Heading = Pick<ListMeta, 'id' | 'columns'>

function recordOf({ id, columns }: Heading, zones: readonly (readonly string[])[], line: string, place: Place, priority: number): ListedRecord {
  const [key, person, numbers, ...values] = JSON.parse(line) as Row
  const fields: Record<string, string> = {}
  for (const [c, column] of columns.entries()) if (values[c]) fields[column] = values[c]
  return {
    recordId: recordIdAt(id, place),
    listId: id,
    key,
    person,
    numbers: numbers.map(([number, zone]) => ({ number, zones: zones[zone] ?? [] })),
    priority,
    fields,
  }
}

const apart = (zones: readonly string[]): readonly (readonly string[])[] => zones.map((zone) => zone.split(' '))

/** The rows of a chunk taken apart: those in which the text occurs as it is kept. */
export function recordsOfChunk(
  meta: Heading & Pick<ListMeta, 'zones'>,
  { text, priorities }: Chunk,
  chunkNo: number,
  isWanted: (rows: string) => boolean = () => true,
): readonly ListedRecord[] {
  if (!isWanted(text)) return []
  const zones = apart(meta.zones)
  return text.split('\n').flatMap((line, i) => (isWanted(line) ? recordOf(meta, zones, line, chunkNo * CHUNK_ROWS + i, priorities[i] ?? 0) : []))
}

/** The chunk with rows of it that name nobody: no key, no number, nothing in their columns. Their places stay, because records are known by them. */
export function withoutRows({ text, zones, priorities }: Chunk, rows: readonly number[]): Chunk {
  const lines = text.split('\n')
  const left = Uint16Array.from(zones)
  for (const row of rows) {
    const [, , , ...values] = JSON.parse(lines[row] ?? '[]') as Row
    lines[row] = JSON.stringify([null, FORGOTTEN, [], ...values.map(() => '')])
    left[row] = 0
  }
  return { text: lines.join('\n'), zones: left, priorities }
}

/** Where each row of a chunk begins, and the end. */
function startsOf(text: string): Uint32Array {
  const starts = new Uint32Array(CHUNK_ROWS + 1)
  let row = 0
  for (let at = text.indexOf('\n'); at >= 0; at = text.indexOf('\n', at + 1)) starts[++row] = at + 1
  starts[row + 1] = text.length + 1
  return starts
}

const CHUNKS_AT_HAND = 2_000

/** A list as what dials it asks for it, over chunks that are in memory as they are kept. `onLife` hears which chunk has a life that is new. */
export function chunkedSource(meta: ListMeta, chunks: readonly Chunk[], lives: Map<Place, RecordLife>, onLife: (chunkNo: number) => void): ListSource {
  const starts = new LRUCache<number, Uint32Array>({ max: CHUNKS_AT_HAND })
  const zones = apart(meta.zones)
  const chunkAt = (chunkNo: number): Chunk => {
    const chunk = chunks[chunkNo]
    if (chunk === undefined) throw new Error(`list ${meta.id} has no chunk ${chunkNo}`)
    return chunk
  }
  return {
    count: meta.count,
    recordAt(place) {
      const [no, row] = [Math.floor(place / CHUNK_ROWS), place % CHUNK_ROWS]
      const { text, priorities } = chunkAt(no)
      const at = starts.get(no) ?? startsOf(text)
      starts.set(no, at)
      const [from, to] = [at[row] ?? 0, at[row + 1] ?? 0]
      if (place >= meta.count || to === 0) throw new Error(`nobody is at place ${place} of ${meta.id}`)
      return recordOf(meta, zones, text.slice(from, to - 1), place, priorities[row] ?? 0)
    },
    lifeAt: (place) => lives.get(place),
    setLife(place, life) {
      lives.set(place, life)
      onLife(Math.floor(place / CHUNK_ROWS))
    },
    priorityAt: (place) => chunkAt(Math.floor(place / CHUNK_ROWS)).priorities[place % CHUNK_ROWS] ?? 0,
    zoneAt(place) {
      const at = chunkAt(Math.floor(place / CHUNK_ROWS)).zones[place % CHUNK_ROWS] ?? 0
      return at === 0 ? '' : (meta.zones[at - 1] ?? '')
    },
  }
}
