// Entry of the history's worker: one for all tabs of the browser, or one a tab where workers cannot be shared.
import * as Comlink from 'comlink'
import { endWhenReplaced, putWaitingInPlace } from '@/services/backup'
import { type FloorForHistory, FOR_HISTORY } from '@/services/exchange/for-history'
import { callSealed, sharedKey } from '@/services/ports'
import { browserStore, memoryStore, openInTheEnd } from '@/services/storage'
import { pastDaysQuery } from '@/world'
import { FENNHOLM } from '@/world/scenario'
import type { FetchDays } from './asked'
import type { FloorEnd } from './connection'
import { createDesk } from './desk'
import { createHistory } from './history'

declare const self: SharedWorkerGlobalScope & DedicatedWorkerGlobalScope

const fetchDemoDays: FetchDays = (asked) => fetch(`/api/demo-history?${pastDaysQuery(asked)}`)

const desk = createDesk(
  openInTheEnd(putWaitingInPlace, {
    later: (inMs, again) => void setTimeout(again, inMs),
    failed: (says) => console.error(`What is to take the place of the history cannot be put in: ${says}`),
  })
    .then(() => browserStore('history'))
    .then((opening) => (onMore: () => void) => createHistory(opening.ok ? opening.store : memoryStore(), FENNHOLM, fetchDemoDays, onMore)),
)

endWhenReplaced(() => self.close())
const workersKey = sharedKey('onconnect' in self)

/** A history of one tab alone is told by that tab; one of all tabs speaks with the floor, and no page listens. */
async function floorAt(brought: MessagePort): Promise<FloorEnd> {
  const key = await workersKey
  return key === null ? (Comlink.wrap<FloorForHistory>(brought) as unknown as FloorEnd) : callSealed<FloorForHistory>(brought, key, FOR_HISTORY)
}

const serve = (port: Comlink.Endpoint) =>
  Comlink.expose(
    desk.attach<MessagePort>(floorAt, async (tell) => ((await workersKey) === null ? Comlink.proxy(tell) : tell)),
    port,
  )

if ('onconnect' in self)
  self.onconnect = (event) => {
    const port = event.ports[0]
    if (port !== undefined) serve(port)
  }
else serve(self as DedicatedWorkerGlobalScope)
