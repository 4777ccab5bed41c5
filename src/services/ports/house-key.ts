// The key by which workers of this browser know each other. It lies in a store of its own and cannot be taken out of it, not even by a worker: it seals and
// opens, and nothing says what it is.
import { browserStore, type KeyValue } from '@/services/storage'

const KEY = 'key'

/** The first to ask makes it; `alone` lets one at a time. */
export async function houseKey(store: KeyValue, alone: <T>(act: () => Promise<T>) => Promise<T>): Promise<CryptoKey> {
  return alone(async () => {
    const kept = await store.get(KEY)
    if (kept instanceof CryptoKey) return kept
    const made = await newHouseKey()
    await store.set(KEY, made)
    return made
  })
}

export const newHouseKey = (): Promise<CryptoKey> => crypto.subtle.generateKey({ name: 'AES-GCM', length: 256 }, false, ['encrypt', 'decrypt'])

/** Of a worker that all tabs share; null of a tab's own worker, and where the browser keeps nothing: no two workers can have a secret there. */
export async function sharedKey(isShared: boolean): Promise<CryptoKey | null> {
  if (!isShared) return null
  const opening = await browserStore('house')
  return opening.ok ? houseKey(opening.store, (act) => navigator.locks.request('house key', act)) : null
}
