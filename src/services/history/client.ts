// A tab's end of the history. Where workers can be shared the tab only introduces the history to the floor, and the two speak without it; where they
// cannot, it has a history of its own and stands between the two.
import * as Comlink from 'comlink'
import type { FloorClient } from '@/services/exchange/client'
import type { Past } from '@/world'
import type { Opening } from './asked'
import type { Connection, FloorEnd } from './connection'
import type { Progress } from './days'

export type { Opening, Span } from './asked'
export { type CallsPage, type CallsSort, LATEST_CALLS, talkedMs, waitedMs } from './calls'
export { type CrossTable, DIMENSIONS, type Dimension, NONE } from './cross'
export type { Progress } from './days'
export type { ExportName } from './exports'
export type { Forecasts, QueueForecast } from './forecasts'
export { LOG_WAYS, type LogPage, type LogRow, type LogWay } from './log'
export type { DayAsked, QueueProfile } from './profile'
export type { Report, SeriesPoint } from './report'
export type { AgentSessions, CallOfDay } from './sessions'
export type { SoundReport, SoundRow } from './sound'

export type HistoryApi = Comlink.Remote<Connection<MessagePort>>

export interface HistoryClient {
  readonly api: HistoryApi
  /** Resolves when past days are there or could not be had. */
  readonly opened: Promise<Opening>
  /** Called whenever the history holds more than before. */
  subscribe(listener: () => void): () => void
  close(): void
}

const WORKER_URL = '/workers/history.js'

/** `past` days of the demo are fetched where none are kept yet. */
export function openHistory(floor: FloorClient, past: Past, onProgress: (progress: Progress) => void): HistoryClient {
  const { port, end } = worker()
  const api = Comlink.wrap<Connection<MessagePort>>(port)
  const listeners = new Set<() => void>()
  const tell = () => {
    for (const listener of listeners) listener()
  }

  const introduce = () => {
    const { port1, port2 } = new MessageChannel()
    if (!floor.introduce('forHistory', port2)) Comlink.expose(relayed(floor), port2)
    void api.introduce(Comlink.transfer(port1, [port1])).then(tell)
  }
  introduce()
  const stop = floor.onReset(introduce)
  const subscribe = () => void api.subscribe(Comlink.proxy(tell))
  subscribe()
  // A tab that is left must not be told for ever; one that is shown again from the browser's memory is told again.
  const leave = () => void api.close()
  const back = (event: PageTransitionEvent) => event.persisted && subscribe()
  addEventListener('pagehide', leave)
  addEventListener('pageshow', back)
  const opened = api
    .open(
      past,
      Comlink.proxy((progress: Progress) => {
        onProgress(progress)
        tell()
      }),
    )
    .then(
      (opening) => {
        tell()
        return opening
      },
      // The worker's own words cross as an error; past days are missing, today's figures are not.
      (error: unknown): Opening => ({ ok: false, says: `Past days could not be read: ${error instanceof Error ? error.message : String(error)}` }),
    )

  return {
    api,
    opened,
    subscribe: (listener) => {
      listeners.add(listener)
      return () => listeners.delete(listener)
    },
    close: () => {
      stop()
      removeEventListener('pagehide', leave)
      removeEventListener('pageshow', back)
      void api.close()
      end()
    },
  }
}

function worker(): { readonly port: Comlink.Endpoint; readonly end: () => void } {
  if (typeof SharedWorker !== 'undefined') {
    const { port } = new SharedWorker(WORKER_URL, { name: 'history' })
    return { port, end: () => {} }
  }
  const own = new Worker(WORKER_URL, { name: 'history' })
  return { port: own, end: () => own.terminate() }
}

/** The floor as this tab sees it, for a history of its own. */
function relayed(floor: FloorClient): Pick<FloorEnd, 'read' | 'watch' | 'did'> & { run(): string; floorId(): string; account(): ReturnType<typeof accountOf> } {
  return {
    run: () => floor.shown.getState().view?.floor.floorId ?? '',
    floorId: () => floor.shown.getState().view?.floor.floorId ?? '',
    async read(afterSeq, throughSeq) {
      const reply = await floor.ask({ kind: 'history', afterSeq, throughSeq })
      return reply.ok ? (reply.text ?? '') : ''
    },
    async watch(tell) {
      floor.onStored(() => tell())
    },
    account: () => accountOf(floor),
    did: async (what, about) => void (await floor.ask({ kind: 'did', what, about })),
  }
}

function accountOf(floor: FloorClient) {
  const account = floor.shown.getState().view?.account
  return account === undefined ? null : { id: account.id, everybody: account.may.includes('supervision') }
}
