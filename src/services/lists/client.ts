// A tab's end of the calling lists. The tab only introduces them to the floor; the two speak without it from then on.
import * as Comlink from 'comlink'
import type { FloorClient } from '@/services/exchange/client'
import type { ListsConnection } from './connection'

export type { ListMeta } from './chunks'
export { LIST_EXPORTS, type ListExport } from './export-names'
export { ROLE_WORDS, ROLES, type Role, rolesProblem } from './import/columns'
export { ENCODING_WORDS } from './import/encoding'
export { LEFT_OUT, LEFT_OUT_WORDS } from './import/left-out'
export type { Look, Looked } from './import/look'
export type { Imported, ImportProgress } from './import/run'
export type { CampaignFigures } from './lists'
export type { OneRecord, RecordRow, RecordsAsked, RecordsPage } from './pages'
export type { CampaignReport, OfHour, OfList } from './report'

export type ListsApi = Comlink.Remote<ListsConnection<MessagePort>>

const WORKER_URL = '/workers/lists.js'

/** null where workers cannot be shared: lists would be one a tab then, and people called twice. */
export function openLists(floor: FloorClient, onChange: () => void): ListsApi | null {
  if (typeof SharedWorker === 'undefined') return null
  const { port } = new SharedWorker(WORKER_URL, { name: 'lists' })
  const api = Comlink.wrap<ListsConnection<MessagePort>>(port)
  const introduce = () => {
    const [asked, asks] = [new MessageChannel(), new MessageChannel()]
    if (floor.introduce('forLists', asked.port2, asks.port2))
      void api.introduce(Comlink.transfer(asked.port1, [asked.port1]), Comlink.transfer(asks.port1, [asks.port1]))
  }
  introduce()
  floor.onReset(introduce)
  const subscribe = () => void api.subscribe(Comlink.proxy(onChange))
  subscribe()
  // A tab that is left must not be told for ever; one that is shown again from the browser's memory is told again.
  addEventListener('pagehide', () => void api.close())
  addEventListener('pageshow', (event: PageTransitionEvent) => event.persisted && subscribe())
  return api
}
