// Where things are kept: by key, whatever the browser gives for it.
/** A plain key-value store: localForage in the browser, a map in tests and when the browser refuses storage. */
export interface KeyValue {
  keys(): Promise<readonly string[]>
  get(key: string): Promise<unknown>
  set(key: string, value: unknown): Promise<void>
  remove(key: string): Promise<void>
}

/** What is put in and what comes out are copies, as they are on a disk. */
export const memoryStore = (): KeyValue => {
  const map = new Map<string, unknown>()
  return {
    keys: async () => [...map.keys()],
    get: async (key) => structuredClone(map.get(key) ?? null),
    set: async (key, value) => {
      map.set(key, structuredClone(value))
    },
    remove: async (key) => {
      map.delete(key)
    },
  }
}

/** What a storage error says, in the browser's words. localForage rejects with DOMExceptions, errors and undefined alike. */
export const storageWords = (error: unknown): string =>
  error instanceof Error ? (error.message === '' ? error.name : error.message) : 'the browser refused storage'
