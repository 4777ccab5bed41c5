// Sounds that are to be there no more. Apart from what keeps and loads them: the floor's worker forgets, and does nothing else with them.
import { SEAL_KEY, store } from './store'

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
    if (key !== SEAL_KEY && isMeant(recordingId, Number(startedAtMs))) await store.removeItem(key)
  }
}

const FRESH_MS = 15 * 60_000
