// Entry of the lists' worker: one for all tabs of the browser.
import * as Comlink from 'comlink'
import { FENNHOLM_LISTS } from '@/scenario'
import { browserStore, memoryStore } from '@/storage'
import { readIndex } from './kept'
import { type Lists, openLists } from './lists'
import { loadList } from './load'
import { createService, type FloorEnd } from './service'

declare const self: SharedWorkerGlobalScope & DedicatedWorkerGlobalScope

async function open(): Promise<Lists> {
  const opening = await browserStore('lists')
  const store = opening.ok ? opening.store : memoryStore()
  // A computer that has seen no lists yet has those of the demo.
  const there = await readIndex(store)
  if (there.length === 0) for (const { records, ...list } of FENNHOLM_LISTS) await loadList(store, { ...list, importedAtMs: Date.now() }, records())
  return openLists(store, (says) => console.error(`A list could not be read: ${says}`))
}

const service = createService(open(), `lists ${Date.now()}`, (inMs, again) => void setTimeout(again, inMs))

const serve = (port: Comlink.Endpoint) =>
  Comlink.expose(
    service.attach<Comlink.Endpoint>({
      floorAt: (brought) => Comlink.wrap<FloorEnd>(brought) as unknown as FloorEnd,
      answerOn: (brought, end) => Comlink.expose(end, brought),
      callable: Comlink.proxy,
    }),
    port,
  )

if ('onconnect' in self)
  self.onconnect = (event) => {
    const port = event.ports[0]
    if (port !== undefined) serve(port)
  }
else serve(self as DedicatedWorkerGlobalScope)
