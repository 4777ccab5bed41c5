// A page's end of the list reader: a worker for one file, gone when it is taken in.
import * as Comlink from 'comlink'
import type { ListReaderApi } from './worker'

export interface ListReader {
  readonly api: Comlink.Remote<ListReaderApi>
  close(): void
}

export function openListReader(): ListReader {
  const worker = new Worker('/workers/list-reader.js', { name: 'list-reader' })
  return { api: Comlink.wrap<ListReaderApi>(worker), close: () => worker.terminate() }
}
