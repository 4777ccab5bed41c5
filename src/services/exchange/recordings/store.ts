// Where sounds lie, by `recording/when the run began/which piece of it`.
import localforage from 'localforage'

export const store = localforage.createInstance({ name: 'loyal-switchboard-recordings', storeName: 'pieces', driver: localforage.INDEXEDDB })
/** How they are sealed lies beside them, so that it goes with them into every backup. */
export const SEAL_KEY = 'seal'
