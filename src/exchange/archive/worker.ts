// Entry of the archive's worker, one per tab.
import * as Comlink from 'comlink'
import { pastDaysQuery } from '@/exchange/past-days'
import { browserStore, memoryStore } from '@/storage'
import { FENNHOLM } from '@/world/scenario'
import { type Archive, createArchive, type FetchDays } from './archive'

const fetchDemoDays: FetchDays = (asked) => fetch(`/api/demo-history?${pastDaysQuery(asked)}`)

const archive: Promise<Archive> = browserStore('history').then((opening) => createArchive(opening.ok ? opening.store : memoryStore(), FENNHOLM, fetchDemoDays))

const api = {
  /** One tab imports at a time; the next one finds the days stored. */
  open: async (...args: Parameters<Archive['open']>) => {
    const opened = await archive
    return navigator.locks.request('import-history', () => opened.open(...args))
  },
  addLive: async (text: string) => (await archive).addLive(text),
  report: async (...args: Parameters<Archive['report']>) => (await archive).report(...args),
  calls: async (...args: Parameters<Archive['calls']>) => (await archive).calls(...args),
  call: async (callId: string) => (await archive).call(callId),
  previousContacts: async (...args: Parameters<Archive['previousContacts']>) => (await archive).previousContacts(...args),
  exportFile: async (...args: Parameters<Archive['exportFile']>) => (await archive).exportFile(...args),
}
export type ArchiveApi = typeof api

Comlink.expose(api)
