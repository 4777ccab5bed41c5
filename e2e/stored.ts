// What a browser has stored of the product's address, as somebody with its files would read it.
import type { Page } from './warm'

/** Where a text stands in what the browser stores of this address. */
export const placesOf = (page: Page, text: string): Promise<readonly string[]> =>
  page.evaluate(async (wanted) => {
    const done = <T>(request: IDBRequest<T>) =>
      new Promise<T>((resolve, reject) => {
        request.onsuccess = () => resolve(request.result)
        request.onerror = () => reject(request.error)
      })
    const has = (value: unknown): boolean => {
      if (typeof value === 'string') return value.includes(wanted)
      if (value instanceof Map) return [...value].some(has)
      if (ArrayBuffer.isView(value) || value instanceof Blob) return false
      return typeof value === 'object' && value !== null && Object.values(value).some(has)
    }
    const places: string[] = []
    for (const { name } of await indexedDB.databases()) {
      const db = await done(indexedDB.open(name ?? ''))
      for (const store of db.objectStoreNames) {
        const all = db.transaction(store).objectStore(store)
        const keys = await done(all.getAllKeys())
        const values = await done(all.getAll())
        for (const [i, key] of keys.entries()) if (String(key).includes(wanted) || has(values[i])) places.push(`${name} ${String(key)}`)
      }
      db.close()
    }
    for (const [key, value] of Object.entries(localStorage)) if (key.includes(wanted) || String(value).includes(wanted)) places.push(key)
    return places
  }, text)
