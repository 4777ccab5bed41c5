// Entry of the worker that makes a backup and reads one, beside the pages and the floor.
import * as Comlink from 'comlink'
import { openBeside, openSchedule, openStores, whileLaying } from './browser-stores'
import { pack } from './pack'
import type { Holding } from './parts'
import { layBeside } from './put-in-place'
import { type Saved, saveWhenDue } from './schedule'
import { type Reading, unpack } from './unpack'

const SCHEDULED = 'backup by schedule'
type OnProgress = (done: number, of: number) => void

export interface Looked {
  readonly centre: string
  readonly madeAtMs: number
  readonly holds: readonly Holding[]
  /** Parts that are not as they were written, and why. */
  readonly damaged: readonly { readonly store: string; readonly key: string; readonly why: string }[]
}
export type Look = { readonly ok: true; readonly looked: Looked } | Extract<Reading, { ok: false }>

const api = {
  async save(asked: { readonly centre: string; readonly passphrase: string | null }, onProgress: OnProgress): Promise<Blob> {
    const file = await pack({ ...asked, stores: await openStores(), madeAtMs: Date.now(), onProgress: sparing(onProgress) })
    return new Response(file as ReadableStream<Uint8Array<ArrayBuffer>>).blob()
  },
  /** The backup that is due by the schedule; `now` also when none is. One page at a time. */
  async bySchedule(now: boolean, onProgress: OnProgress): Promise<Saved> {
    const store = await openSchedule()
    const made = await navigator.locks.request(SCHEDULED, { ifAvailable: true }, async (lock) => {
      if (lock === null) return null
      return saveWhenDue({
        store,
        now,
        nowMs: Date.now,
        pack: async ({ centre, recipient }) =>
          pack({ stores: await openStores(), centre, madeAtMs: Date.now(), passphrase: null, recipient, onProgress: sparing(onProgress) }),
      })
    })
    return made ?? { is: 'notDue' }
  },
  async look(file: Blob, passphrase: string | null, onProgress: OnProgress): Promise<Look> {
    const reading = await unpack(file, passphrase)
    if (!reading.ok) return reading
    const { manifest, holds, check } = reading.backup
    const damaged = (await check(sparing(onProgress))).map(({ part, why }) => ({ store: part.store, key: part.key, why }))
    return { ok: true, looked: { centre: manifest.centre, madeAtMs: manifest.madeAtMs, holds, damaged } }
  },
  /** Everything of it beside what there is; rejects with why not. */
  async lay(file: Blob, passphrase: string | null, onProgress: OnProgress): Promise<void> {
    const reading = await unpack(file, passphrase)
    if (!reading.ok) throw new Error(reading.why)
    await whileLaying(async () => layBeside(await openBeside(), reading.backup, sparing(onProgress)))
  },
}
export type BackupApi = typeof api

const TELLS_EVERY_MS = 100
/** What is said of each of a thousand parts is said ten times a second. */
function sparing(onProgress: OnProgress): OnProgress {
  let saidMs = -Infinity
  return (done, of) => {
    if (performance.now() - saidMs < TELLS_EVERY_MS && done !== of) return
    saidMs = performance.now()
    onProgress(done, of)
  }
}

Comlink.expose(api)
