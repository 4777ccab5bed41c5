// Entry of the history's worker: one for all tabs of the browser, or one a tab where workers cannot be shared.
import * as Comlink from 'comlink'
import type { FloorForHistory } from '@/services/exchange/for-history'
import { browserStore, memoryStore } from '@/services/storage'
import { pastDaysQuery } from '@/world'
import { FENNHOLM } from '@/world/scenario'
import type { FetchDays } from './asked'
import { createDesk } from './desk'
import { createHistory } from './history'

declare const self: SharedWorkerGlobalScope & DedicatedWorkerGlobalScope

const fetchDemoDays: FetchDays = (asked) => fetch(`/api/demo-history?${pastDaysQuery(asked)}`)

const desk = createDesk(
  browserStore('history').then((opening) => (onMore: () => void) => createHistory(opening.ok ? opening.store : memoryStore(), FENNHOLM, fetchDemoDays, onMore)),
)

const serve = (port: Comlink.Endpoint) =>
  Comlink.expose(
    desk.attach((brought) => Comlink.wrap<FloorForHistory>(brought as Comlink.Endpoint), Comlink.proxy),
    port,
  )

if ('onconnect' in self)
  self.onconnect = (event) => {
    const port = event.ports[0]
    if (port !== undefined) serve(port)
  }
else serve(self as DedicatedWorkerGlobalScope)
