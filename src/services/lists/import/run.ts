// A file is taken into a list: row by row, with progress, until it is done or called off. What is written on the way is in no index, so that a list is as it was
// until all of it is there; who was on it already, by their own key, keeps what they have been through.
import type { ListedRecord } from '@/core/campaigns'
import { type DoNotCallList, forbids } from '@/core/do-not-call'
import type { CampaignId, ListId } from '@/core/ids'
import { CHUNK_ROWS, type Chunk, createChunker, type ListMeta, recordsOfChunk } from '@/services/lists/chunks'
import { readIndex, removeRows, writeChunk, writeIndex } from '@/services/lists/kept'
import type { KeyValue } from '@/services/storage'
import { type Role, rolesProblem } from './columns'
import { LEFT_OUT, LEFT_OUT_WORDS, type LeftOut } from './left-out'
import type { Looked } from './look'
import { createReader, type Person } from './people'
import { openTable, Unreadable } from './rows'

export interface ImportAsked {
  readonly file: Blob
  readonly looked: Pick<Looked, 'encoding' | 'shape'>
  readonly roles: readonly Role[]
  /** The list it goes into; one that is not there yet is made. */
  readonly listId: ListId
  readonly campaignId: CampaignId
  readonly name: string
  readonly homeCountry: string
  readonly timeZone: string
  /** Whoever is on another running list is left out. */
  readonly leavesOutOthers: boolean
  readonly importedAtMs: number
}

export interface ImportProgress {
  readonly bytes: number
  readonly ofBytes: number
  readonly rows: number
  readonly rowsPerSecond: number
}

export type Imported =
  | { readonly ok: true; readonly taken: number; readonly changed: number; readonly leftOut: Readonly<Record<LeftOut, number>>; readonly rejects: Blob | null }
  | { readonly ok: false; readonly cancelled: boolean; readonly says: string }

export interface ImportSurroundings {
  readonly store: KeyValue
  /** Of the list, when it is there already. */
  readonly before: { readonly meta: ListMeta; readonly chunks: readonly Chunk[] } | null
  /** Whether a number is on another running list. */
  readonly isElsewhere: (number: string) => boolean
  readonly doNotCall: DoNotCallList
  /** A clock that rates are taken by. */
  readonly nowMs: () => number
  readonly onProgress: (progress: ImportProgress) => void
  readonly isCancelled: () => boolean
}

const TELLS_EVERY_MS = 150
const CANCELLED: Imported = { ok: false, cancelled: true, says: 'Called off. The list is as it was.' }

export async function runImport(
  asked: ImportAsked,
  around: ImportSurroundings,
): Promise<{ readonly imported: Imported; readonly list: { readonly meta: ListMeta; readonly chunks: readonly Chunk[] } | null }> {
  const problem = rolesProblem(asked.roles)
  if (problem !== null) return { imported: { ok: false, cancelled: false, says: problem }, list: null }
  const generation = (around.before?.meta.generation ?? 0) + 1
  try {
    return await take(asked, around, generation)
  } catch (error) {
    await removeRows(around.store, asked.listId, generation).catch(() => {})
    const says =
      error instanceof Unreadable
        ? error.message
        : `The list could not be kept: ${error instanceof Error && error.message !== '' ? error.message : 'the browser refused storage'}. Nothing of it was taken.`
    return { imported: { ok: false, cancelled: false, says }, list: null }
  }
}

async function take(asked: ImportAsked, around: ImportSurroundings, generation: number): ReturnType<typeof runImport> {
  const { store, before, isElsewhere, doNotCall, nowMs, onProgress, isCancelled } = around
  const beganMs = nowMs()
  let [bytes, rows, toldMs] = [0, 0, beganMs]
  const table = await openTable(asked.file, asked.looked.encoding, asked.looked.shape, (done) => {
    bytes = done
  })
  const reader = createReader(table.columns, asked.roles, asked)
  const fields = table.columns.filter((_, i) => asked.roles[i] === 'field')
  const columns = [...new Set([...(before?.meta.columns ?? []), ...fields])]
  const old = createOld(before)
  const leftOut = Object.fromEntries(LEFT_OUT.map((why) => [why, 0])) as Record<LeftOut, number>
  const rejects: string[] = []
  const seen = new Set<string>()
  // Written anew as a whole, beside what is there; the index says which of the two counts.
  const chunker = createChunker(columns, before === null ? [] : [...before.meta.zones])
  const chunks: Chunk[] = []
  const put = async (chunk: Chunk | null) => {
    if (chunk === null) return
    await writeChunk(store, asked.listId, generation, chunks.length, chunk)
    chunks.push(chunk)
  }
  /** New ones stand behind those who are there already: where nobody is, they are written as they come. */
  let [freshCount, waiting] = [0, [] as Person[]]
  const changed = new Map<number, Person>()

  const reject = (line: number, why: LeftOut, person = '') => {
    leftOut[why]++
    rejects.push(`${line},${LEFT_OUT_WORDS[why]},"${person.replaceAll('"', '""')}"\r\n`)
  }
  const take = (person: Person): Promise<void> | null => {
    const at = old.placeOf(person)
    if (at !== undefined) {
      changed.set(at, person)
      return null
    }
    freshCount++
    if (before !== null) {
      waiting.push(person)
      return null
    }
    const full = chunker.add(person)
    return full === null ? null : put(full)
  }

  for await (const part of table.parts()) {
    for (const { line, cells } of part) {
      rows++
      const person = reader.read(cells)
      if (typeof person === 'string') {
        reject(line, person)
        continue
      }
      const same = identityOf(person)
      if (seen.has(same)) {
        reject(line, 'twiceInFile', person.person)
        continue
      }
      seen.add(same)
      if (person.numbers.some((n) => forbids(doNotCall, n.number, person.person) !== undefined)) reject(line, 'onDoNotCall', person.person)
      else if (asked.leavesOutOthers && person.numbers.some((n) => isElsewhere(n.number))) reject(line, 'onOtherList', person.person)
      else {
        const written = take(person)
        if (written !== null) await written
      }
    }
    if (isCancelled()) return calledOff(store, asked.listId, generation)
    const now = nowMs()
    if (now - toldMs >= TELLS_EVERY_MS) {
      toldMs = now
      onProgress({ bytes, ofBytes: asked.file.size, rows, rowsPerSecond: Math.round((1000 * rows) / Math.max(1, now - beganMs)) })
    }
  }
  if (freshCount === 0 && before === null)
    return {
      imported: { ok: false, cancelled: false, says: `None of its ${rows.toLocaleString('en-GB')} rows could be taken. Look at what each column stands for.` },
      list: null,
    }

  for (const [place, record] of old.records()) {
    const now = changed.get(place)
    // What the file says nothing of stays as it was.
    await put(chunker.add(now === undefined ? record : { ...now, fields: { ...record.fields, ...now.fields } }))
    if (place % CHUNK_ROWS === 0 && isCancelled()) return calledOff(store, asked.listId, generation)
  }
  for (const [i, person] of waiting.entries()) {
    await put(chunker.add(person))
    if (i % CHUNK_ROWS === 0 && isCancelled()) return calledOff(store, asked.listId, generation)
  }
  waiting = []
  await put(chunker.rest())
  if (isCancelled()) return calledOff(store, asked.listId, generation)
  const meta: ListMeta = {
    id: asked.listId,
    campaignId: asked.campaignId,
    name: asked.name,
    columns,
    zones: chunker.zones,
    generation,
    count: old.count + freshCount,
    importedAtMs: asked.importedAtMs,
  }
  await writeIndex(store, [...(await readIndex(store)).filter((l) => l.id !== meta.id), meta])
  if (before !== null) await removeRows(store, asked.listId, before.meta.generation).catch(() => {})
  onProgress({ bytes: asked.file.size, ofBytes: asked.file.size, rows, rowsPerSecond: Math.round((1000 * rows) / Math.max(1, nowMs() - beganMs)) })
  const file = rejects.length === 0 ? null : new Blob(['line,why left out,person\r\n', ...rejects], { type: 'text/csv' })
  return { imported: { ok: true, taken: freshCount, changed: changed.size, leftOut, rejects: file }, list: { meta, chunks } }
}

async function calledOff(store: KeyValue, listId: ListId, generation: number): ReturnType<typeof runImport> {
  await removeRows(store, listId, generation)
  return { imported: CANCELLED, list: null }
}

/** By their own key; without one, by name and first number: a household shares a number, and a name has many. */
const identityOf = ({ key, person, numbers }: Pick<ListedRecord, 'key' | 'person' | 'numbers'>): string =>
  key === null ? `\u0001${person}\u0001${numbers[0]?.number}` : key

/** Who is on the list already. */
function createOld(before: ImportSurroundings['before']) {
  const places = new Map<string, number>()
  const count = before?.meta.count ?? 0
  function* records(): Generator<readonly [number, ListedRecord]> {
    if (before === null) return
    for (const [no, chunk] of before.chunks.entries())
      for (const [i, record] of recordsOfChunk(before.meta, chunk, no).entries()) yield [no * CHUNK_ROWS + i, record]
  }
  for (const [place, record] of records()) places.set(identityOf(record), place)
  return { count, records, placeOf: (person: Person) => places.get(identityOf(person)) }
}
