// A tab's end of the archive: past days from storage, live entries from the floor as they are stored.
import * as Comlink from 'comlink'
import type { FloorClient } from '@/exchange/client'
import type { Opening } from './archive'
import type { Progress } from './days'
import type { ArchiveApi } from './worker'

export type { ExportName, Opening, Report, SeriesPoint, Span } from './archive'
export { type CallsPage, type CallsSort, LATEST_CALLS, talkedMs, waitedMs } from './calls'
export type { Progress } from './days'

export interface ArchiveClient {
  readonly api: Comlink.Remote<ArchiveApi>
  /** Resolves when past days are there or could not be had. */
  readonly opened: Promise<Opening>
  /** Called whenever the archive holds more than before. */
  subscribe(listener: () => void): () => void
  close(): void
}

/** `days` of the demo, of this seed, are fetched where none are kept yet. */
export function openArchive(
  floor: FloorClient,
  { days, seed }: { readonly days: number; readonly seed: number },
  onProgress: (progress: Progress) => void,
): ArchiveClient {
  const worker = new Worker('/workers/archive.js', { name: 'archive' })
  const api = Comlink.wrap<ArchiveApi>(worker)
  const listeners = new Set<() => void>()
  const tell = () => {
    for (const listener of listeners) listener()
  }

  let seq = 0
  let asking = false
  let again = false
  /** Takes in what is stored since the last time; requests that come meanwhile are answered by one more round. */
  const takeLive = async () => {
    if (asking) {
      again = true
      return
    }
    asking = true
    do {
      again = false
      const reply = await floor.ask({ kind: 'history', afterSeq: seq })
      if (reply.ok && reply.text !== null && reply.text !== '') {
        seq = await api.addLive(reply.text)
        tell()
      }
    } while (again)
    asking = false
  }
  const stop = floor.onStored(() => void takeLive())
  void takeLive()
  const opened = api
    .open(
      days,
      seed,
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
      worker.terminate()
    },
  }
}
