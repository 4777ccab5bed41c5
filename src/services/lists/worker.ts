// Entry of the lists' worker: one for all tabs of the browser.
import * as Comlink from 'comlink'
import { endWhenReplaced, putWaitingInPlace } from '@/services/backup'
import { FOR_LISTS } from '@/services/exchange/for-lists'
import { LISTS_END, type ListsEnd } from '@/services/exchange/list-feed'
import { callSealed, serveSealed, sharedKey } from '@/services/ports'
import { browserStore, linesOfGzip, memoryStore, openInTheEnd } from '@/services/storage'
import { type PastAsked, pastDaysQuery } from '@/world'
import { FENNHOLM_LISTS } from '@/world/scenario'
import type { FloorEnd } from './connection'
import { openLists } from './lists'
import { loadList } from './load'
import { createService } from './service'

declare const self: SharedWorkerGlobalScope & DedicatedWorkerGlobalScope

async function fetchPast(asked: PastAsked) {
  const response = await fetch(`/api/demo-history/lists?${pastDaysQuery(asked)}`)
  if (!response.ok || response.body === null) throw new Error(`what past days have called could not be fetched (${response.status})`)
  return linesOfGzip(response.body)
}

async function open() {
  await putWaitingInPlace()
  const opening = await browserStore('lists')
  const store = opening.ok ? opening.store : memoryStore()
  // A computer that has seen no lists yet has those of the demo: all of them, or they are loaded again.
  if ((await store.get(DEMO_KEY)) === null) {
    for (const { records, ...list } of FENNHOLM_LISTS) await loadList(store, { ...list, importedAtMs: Date.now() }, records())
    await store.set(DEMO_KEY, true)
  }
  const onTrouble = (says: string) => console.error(`A list could not be read: ${says}`)
  return { store, lists: await openLists(store, { fetchPast, onTrouble }) }
}

const DEMO_KEY = 'demo'

const TRIES = 6
const service = createService(
  openInTheEnd(open, {
    later: (inMs, again) => void setTimeout(again, inMs),
    failed: (says) => console.error(`The calling lists cannot be opened: ${says}`),
    atMost: TRIES,
  }),
  `lists ${Date.now()}`,
  (inMs, again) => void setTimeout(again, inMs),
  () => performance.now(),
)

endWhenReplaced(() => self.close())
const workersKey = sharedKey('onconnect' in self)

async function floorAt(brought: MessagePort): Promise<FloorEnd> {
  const key = await workersKey
  return key === null ? (Comlink.wrap<FloorEnd>(brought) as unknown as FloorEnd) : callSealed<FloorEnd>(brought, key, FOR_LISTS)
}
async function answerOn(brought: MessagePort, end: ListsEnd): Promise<void> {
  const key = await workersKey
  if (key === null) Comlink.expose(end, brought)
  else serveSealed(brought, key, end, LISTS_END)
}

const serve = (port: Comlink.Endpoint) =>
  Comlink.expose(service.attach<MessagePort>({ floorAt, answerOn, callable: async (tell) => ((await workersKey) === null ? Comlink.proxy(tell) : tell) }), port)

if ('onconnect' in self)
  self.onconnect = (event) => {
    const port = event.ports[0]
    if (port !== undefined) serve(port)
  }
else serve(self as DedicatedWorkerGlobalScope)
