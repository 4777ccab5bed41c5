import type { KeyValue } from '@/services/storage'

/** Values are what was put in: a browser's store makes copies, which is the browser's work. */
export function heldStore(): KeyValue {
  const held = new Map<string, unknown>()
  return {
    keys: async () => [...held.keys()],
    get: async (key) => held.get(key) ?? null,
    set: async (key, value) => void held.set(key, value),
    remove: async (key) => void held.delete(key),
  }
}
