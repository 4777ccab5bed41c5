// The stores of this browser, as a backup goes over them, and what is laid beside them.
import { browserStore, type KeyValue } from '@/services/storage'
import { STORES, type StoreName } from './parts'
import { clearLeftOver, GO_KEY, putInPlace } from './put-in-place'

/** Each in a database of its own, with the name its owner gave it. */
const WHERE: { readonly [S in StoreName]: readonly [database: string, store: string] } = {
  lists: ['lists', 'lists'],
  history: ['history', 'history'],
  people: ['people', 'people'],
  recordings: ['recordings', 'pieces'],
  'drafts of scripts': ['author', 'drafts'],
  floor: ['floor', 'floor'],
}
const BESIDE = 'beside'
const SCHEDULE = 'schedule'
/** Workers hear on it that they are to look whether something takes the place of what they hold. */
const CHANNEL = 'put in place'
const LAYING = 'laying beside'

async function opened(database: string, store: string): Promise<KeyValue> {
  const opening = await browserStore(database, store)
  if (!opening.ok) throw new Error(opening.reason)
  return opening.store
}

/** Throws with the browser's reason where one cannot be opened. */
export async function openStores(): Promise<Readonly<Record<StoreName, KeyValue>>> {
  const open = await Promise.all(STORES.map(async (name) => [name, await opened(...WHERE[name])] as const))
  return Object.fromEntries(open) as Record<StoreName, KeyValue>
}
export const openBeside = (): Promise<KeyValue> => opened(BESIDE, BESIDE)
/** Of this browser alone, and in no backup: it holds a folder of this computer. */
export const openSchedule = (): Promise<KeyValue> => opened(SCHEDULE, SCHEDULE)
/** At the cost of a look: what opens it is not loaded where there is none. */
export const mayHaveSchedule = async (): Promise<boolean> => (await databases())?.some((d) => d.name === `loyal-switchboard-${SCHEDULE}`) ?? false

/** undefined where the browser does not say: it may be one that keeps nothing at all, and throws at the word. */
async function databases(): Promise<readonly IDBDatabaseInfo[] | undefined> {
  try {
    return await indexedDB.databases?.()
  } catch {
    return undefined
  }
}

/** null where there is none. One that is there and cannot be opened is no reason to begin without it: that throws. */
async function besideIfThere(): Promise<KeyValue | null> {
  const there = await databases()
  if (there !== undefined) return there.some((d) => d.name === `loyal-switchboard-${BESIDE}`) ? openBeside() : null
  const opening = await browserStore(BESIDE)
  return opening.ok ? opening.store : null
}

/** Before any of the stores is read: what waits to take their place is put in, by whichever worker comes first; the others wait for it. */
export async function putWaitingInPlace(): Promise<void> {
  const beside = await besideIfThere()
  if (beside === null) return
  await navigator.locks.request(CHANNEL, async () => {
    if (await waits(beside)) await putInPlace(beside, await openStores())
  })
  await navigator.locks.request(LAYING, { ifAvailable: true }, async (lock) => {
    if (lock !== null) await clearLeftOver(beside)
  })
}
/** One file at a time is laid beside, whichever page asks; rejects where another one is. */
export const whileLaying = (act: () => Promise<void>): Promise<void> =>
  navigator.locks.request(LAYING, { ifAvailable: true }, async (lock) => {
    if (lock === null) throw new Error('another page is just putting a file in place')
    await act()
  })
const waits = async (beside: KeyValue): Promise<boolean> => (await beside.get(GO_KEY)) === true

/** What this worker holds in memory is of no use any more once something else takes its place: it ends then, and the next one reads what is there. */
export function endWhenReplaced(end: () => void): void {
  new BroadcastChannel(CHANNEL).onmessage = async () => {
    if (await waits(await openBeside())) end()
  }
}
export function tellReplaced(): void {
  const channel = new BroadcastChannel(CHANNEL)
  channel.postMessage(null)
  channel.close()
}
