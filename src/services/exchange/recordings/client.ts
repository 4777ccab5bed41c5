// Recordings as this browser keeps them: pieces of a second under the recording they belong to, in runs. A run ends with a
// pause, a reload or the call.
import localforage from 'localforage'

const store = localforage.createInstance({ name: 'loyal-switchboard-recordings', storeName: 'pieces', driver: localforage.INDEXEDDB })

export interface RecordingPiece {
  readonly recordingId: string
  readonly startedAtMs: number
  readonly index: number
  readonly data: Blob
}

/** What was recorded without a break, as the browser's recorder wrote it. */
export interface RecordingRun {
  readonly startedAtMs: number
  readonly data: Blob
}

const padded = (n: number, length: number) => String(n).padStart(length, '0')
const keyOf = ({ recordingId, startedAtMs, index }: RecordingPiece) => `${recordingId}/${padded(startedAtMs, 15)}/${padded(index, 6)}`

/** Rejects with the browser's words when there is no room. */
export async function keepPiece(piece: RecordingPiece): Promise<void> {
  await store.setItem(keyOf(piece), piece.data)
}

/** The runs of a recording in the order they were made; empty when this browser keeps none of it. */
export async function loadRuns(recordingId: string): Promise<readonly RecordingRun[]> {
  const keys = (await store.keys()).filter((key) => key.startsWith(`${recordingId}/`)).sort()
  const runs = new Map<string, Blob[]>()
  for (const key of keys) {
    const data = await store.getItem(key)
    const run = key.split('/')[1] ?? ''
    if (data instanceof Blob) runs.set(run, [...(runs.get(run) ?? []), data])
  }
  return [...runs].map(([run, parts]) => ({ startedAtMs: Number(run), data: new Blob(parts, { type: parts[0]?.type ?? 'audio/webm' }) }))
}

/** Forgets the sounds of these kinds that are in use no more, but for those of the last minutes: whatever they are for may be about to be kept. */
export async function forgetAllBut(kinds: readonly string[], inUse: ReadonlySet<string>, nowMs = Date.now()): Promise<void> {
  for (const key of await store.keys()) {
    const [recordingId = '', startedAtMs = ''] = key.split('/')
    const isFresh = nowMs - Number(startedAtMs) < FRESH_MS
    if (!isFresh && !inUse.has(recordingId) && kinds.some((kind) => recordingId.startsWith(kind))) await store.removeItem(key)
  }
}

/** Removes every sound of the recordings that are meant. */
export async function forgetRecordings(isMeant: (recordingId: string, startedAtMs: number) => boolean): Promise<void> {
  for (const key of await store.keys()) {
    const [recordingId = '', startedAtMs = ''] = key.split('/')
    if (isMeant(recordingId, Number(startedAtMs))) await store.removeItem(key)
  }
}

const FRESH_MS = 15 * 60_000
