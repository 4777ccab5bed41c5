// What is acknowledged must outlast a power cut: a browser may otherwise say that it has written what is still in the system's memory (Indexed Database API
// 3.0, 2.7.1, durability). The store library opens its transactions itself and has no word for it, so it is said where they are opened.

type Open = IDBDatabase['transaction']

/** Every transaction of this worker that writes waits for the disk from now on. Reading costs what it did. */
export function writeThrough(database: { transaction: Open } = IDBDatabase.prototype): void {
  const open = database.transaction
  database.transaction = function transaction(this: IDBDatabase, stores, mode, options) {
    return open.call(this, stores, mode, mode === 'readwrite' ? { durability: 'strict', ...options } : options)
  }
}
