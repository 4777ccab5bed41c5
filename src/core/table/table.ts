// A keyed collection of immutable values. Whoever reads it gets it read-only; the place it stands in has one owner, who changes it.

export type Table<T> = ReadonlyMap<string, T>

export const emptyTable = <T>(): Table<T> => new Map()

export const get = <T>(table: Table<T>, key: string): T | undefined => table.get(key)

/** The entry, or a thrown error that names the missing key: for keys the caller's own rules guarantee. */
export function must<T>(table: Table<T>, key: string): T {
  const found = table.get(key)
  if (found === undefined) throw new Error(`table holds no "${key}"`)
  return found
}

/** Every value, in an order that depends on the table's history: for folds, not for display or decisions. */
export const values = <T>(table: Table<T>): T[] => [...table.values()]

export const count = (table: Table<unknown>): number => table.size
