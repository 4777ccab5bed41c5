// The browser's storage through localForage. Works in workers; a browser that refuses storage says so here once.
import localforage from 'localforage'
import type { KeyValue } from './key-value'

export type StoreOpening = { readonly ok: true; readonly store: KeyValue } | { readonly ok: false; readonly reason: string }

/** Opens a named store. */
export async function browserStore(database: string, storeName = database): Promise<StoreOpening> {
  return opened(() => localforage.createInstance({ name: `loyal-switchboard-${database}`, storeName, driver: localforage.INDEXEDDB }))
}

type Forage = Pick<LocalForage, 'ready' | 'keys' | 'getItem' | 'setItem' | 'removeItem'>

/**
 * A store, proved by a write. Private modes refuse with the browser's words. On a full disk what is there can still be read: it is opened, and whoever writes
 * says that nothing more is kept.
 */
export async function opened(instance: () => Forage): Promise<StoreOpening> {
  try {
    const forage = instance()
    await forage.ready()
    await forage.setItem('probe', 1).catch((error: unknown) => {
      if (!isFull(error)) throw error
    })
    await forage.removeItem('probe')
    return {
      ok: true,
      store: {
        keys: () => forage.keys(),
        get: (key) => forage.getItem(key),
        set: async (key, value) => {
          await forage.setItem(key, value)
        },
        remove: (key) => forage.removeItem(key),
      },
    }
  } catch (error) {
    // localForage rejects with DOMExceptions, errors and undefined alike; whatever it is, nothing will be kept.
    return { ok: false, reason: error instanceof Error ? error.message : 'the browser refused storage' }
  }
}

const isFull = (error: unknown): boolean => error instanceof DOMException && error.name === 'QuotaExceededError'
