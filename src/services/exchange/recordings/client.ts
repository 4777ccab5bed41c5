// Recordings as this browser keeps them: pieces of a second under the recording they belong to, in runs. A run ends with a
// pause, a reload or the call.
import { isSealed } from './is-sealed'
import { soundKey } from './key-source'
import type { SoundSeal } from './sealed-sounds'
import { SEAL_KEY, store } from './store'

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

/** Most browsers seal nothing, and load nothing for it. */
const sealing = () => import('./sealed-sounds')
/** Callers hear a greeting whether a passphrase was given or not, and it says nothing of anybody from outside. */
const mayBeSealed = (recordingId: string): boolean => !recordingId.startsWith('rec_greeting_')

/** null where sounds lie open and always did. */
export async function readSoundSeal(): Promise<SoundSeal | null> {
  const stored = await store.getItem(SEAL_KEY)
  return stored === null ? null : (await sealing()).SoundSealSchema.parse(stored)
}
export const writeSoundSeal = async (seal: SoundSeal): Promise<void> => void (await store.setItem(SEAL_KEY, seal))

/** Rejects with the browser's words when there is no room. */
export async function keepPiece(piece: RecordingPiece): Promise<void> {
  const seal = mayBeSealed(piece.recordingId) ? await readSoundSeal() : null
  await store.setItem(keyOf(piece), seal?.isOn === true ? await (await sealing()).sealPiece(piece.data, seal) : piece.data)
}

/** Said where a sound would be. */
export class SoundsAreSealed extends Error {
  constructor() {
    super('it is sealed, and nobody has given the passphrase since this browser was opened. Whoever keeps the set-up does, under Set-up, What is kept')
  }
}

/** The runs of a recording in the order they were made; empty when this browser keeps none of it. Rejects while they are sealed and cannot be opened. */
export async function loadRuns(recordingId: string): Promise<readonly RecordingRun[]> {
  const keys = (await store.keys()).filter((key) => key.startsWith(`${recordingId}/`)).sort()
  const runs = new Map<string, Blob[]>()
  for (const key of keys) {
    const data = await store.getItem(key)
    const run = key.split('/')[1] ?? ''
    if (data instanceof Blob) runs.set(run, [...(runs.get(run) ?? []), await opened(data)])
  }
  return [...runs].map(([run, parts]) => ({ startedAtMs: Number(run), data: new Blob(parts, { type: parts[0]?.type ?? 'audio/webm' }) }))
}

async function opened(piece: Blob): Promise<Blob> {
  if (!isSealed(piece)) return piece
  const { openPiece } = await sealing()
  const identity = await soundKey()
  if (identity === null) throw new SoundsAreSealed()
  return openPiece(piece, identity).catch(() => {
    throw new Error('it was sealed with another passphrase than the one that was given, or is damaged')
  })
}

/**
 * One after the other in all pages of this browser, each by what the one before has left: of two passphrases that were made up at the same moment only one
 * would open anything, and what the other had sealed would be lost.
 */
export const sealingInTurn = (act: (seal: SoundSeal | null) => Promise<void>): Promise<void> =>
  navigator.locks.request('sealing of sounds', async () => act(await readSoundSeal()))

/** Seals what lies open, notes that all is, and may be begun again by whoever finds it is not. */
export async function sealRest(seal: SoundSeal, onProgress: (done: number, of: number) => void): Promise<void> {
  await writeSoundSeal({ ...seal, isOn: true, rest: 'toSeal' })
  await resealAll(seal, onProgress)
  await writeSoundSeal({ ...seal, isOn: true, rest: null })
}

/** Opens all of them for good. */
export async function openRest(seal: SoundSeal, identity: string, onProgress: (done: number, of: number) => void): Promise<void> {
  // First what comes from now on: whatever is recorded meanwhile is not left sealed behind, but for what is just being sealed.
  await writeSoundSeal({ ...seal, isOn: false, rest: 'toOpen' })
  for (let round = 0; round < 2; round++) await resealAll({ identity }, onProgress)
  await writeSoundSeal({ ...seal, isOn: false, rest: null })
}

/** Seals what lies open, or opens all that is sealed where an identity is given; a piece at a time, so that what was done stays done. */
export async function resealAll(
  how: Pick<SoundSeal, 'recipient'> | { readonly identity: string },
  onProgress: (done: number, of: number) => void,
  pieces: Pick<typeof store, 'keys' | 'getItem' | 'setItem'> = store,
): Promise<void> {
  const { openPiece, sealPiece } = await sealing()
  const keys = (await pieces.keys()).filter((key) => key !== SEAL_KEY && mayBeSealed(key))
  for (const [i, key] of keys.entries()) {
    onProgress(i, keys.length)
    const piece = await pieces.getItem(key)
    if (!(piece instanceof Blob) || isSealed(piece) === 'recipient' in how) continue
    const other = 'recipient' in how ? await sealPiece(piece, how) : await openPiece(piece, how.identity)
    // Forgotten meanwhile, it stays so.
    if ((await pieces.getItem(key)) !== null) await pieces.setItem(key, other)
  }
  onProgress(keys.length, keys.length)
}
