// A day that is gone through again: its worker, for as long as the screen stands.
import * as Comlink from 'comlink'
import type { ReplayWorker } from './worker'

export type { DayOpened, Moment } from './worker'

export interface ReplayClient {
  readonly api: Comlink.Remote<ReplayWorker>
  close(): void
}

export function openReplay(): ReplayClient {
  const worker = new Worker('/workers/replay.js', { name: 'replay' })
  return { api: Comlink.wrap<ReplayWorker>(worker), close: () => worker.terminate() }
}
