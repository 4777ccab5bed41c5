// A backup takes the place of what there is, whole or not at all: its values are laid beside the stores first; the word that they count is said once all of them
// are there, and whoever opens the stores next puts them in before anything is read. A browser that dies on the way begins that again, or has changed nothing.
import type { KeyValue } from '@/services/storage'
import { STORES, type StoreName } from './parts'
import type { Backup } from './unpack'

const READY_KEY = 'ready'
export const GO_KEY = 'go'
const valueKey = (store: StoreName, key: string): string => `value/${store}/${key}`

type Stores = Readonly<Record<StoreName, KeyValue>>

/** Rejects, naming the part, where one is not as it was written, and with the store's words where it refuses one; nothing counts then, and nothing is left beside. */
export async function layBeside(beside: KeyValue, { manifest, value }: Backup, onProgress: (done: number, of: number) => void): Promise<void> {
  await clear(beside)
  try {
    for (const [i, part] of manifest.parts.entries()) {
      onProgress(i, manifest.parts.length)
      await beside.set(valueKey(part.store, part.key), await value(part))
    }
    await beside.set(READY_KEY, manifest.parts.length)
  } catch (error) {
    // It may have taken the room that what happens now needs.
    await clear(beside).catch(() => {})
    throw error
  }
}

/** A value as it was laid beside; null where there is none. */
export const laid = (beside: KeyValue, store: StoreName, key: string): Promise<unknown> => beside.get(valueKey(store, key))

/** Whoever laid it beside went away in the middle: it counts for nothing and takes room. */
export async function clearLeftOver(beside: KeyValue): Promise<void> {
  if ((await beside.get(READY_KEY)) === null) await clear(beside)
}

/** What was laid beside is all there. */
export async function isReady(beside: KeyValue): Promise<boolean> {
  const count = await beside.get(READY_KEY)
  return typeof count === 'number' && (await beside.keys()).filter((k) => k.startsWith('value/')).length === count
}

/** It counts from now on: what opens the stores next puts it in. */
export const go = (beside: KeyValue): Promise<void> => beside.set(GO_KEY, true)

export async function clear(beside: KeyValue): Promise<void> {
  // The words first: without them what is left counts for nothing.
  for (const key of [GO_KEY, READY_KEY]) await beside.remove(key)
  for (const key of await beside.keys()) await beside.remove(key)
}

/** Puts in what was laid beside, where that counts. Whether it did. */
export async function putInPlace(beside: KeyValue, stores: Stores): Promise<boolean> {
  if ((await beside.get(GO_KEY)) !== true || !(await isReady(beside))) return false
  const keys = await beside.keys()
  for (const store of STORES) {
    const begins = valueKey(store, '')
    const its = keys.filter((k) => k.startsWith(begins))
    const wanted = new Set(its.map((k) => k.slice(begins.length)))
    for (const key of await stores[store].keys()) if (!wanted.has(key)) await stores[store].remove(key)
    for (const key of its) await stores[store].set(key.slice(begins.length), await beside.get(key))
  }
  await clear(beside)
  return true
}
