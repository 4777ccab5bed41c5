// Asks how a shift would go: in a worker of its own, so that the page stays free and a question can be called off at any moment.
import * as Comlink from 'comlink'
import type { Foreseen, WhatIfAsked } from '@/core/pacing'
import type { WhatIfWorker } from './worker'

export interface Asking {
  /** null when it was called off. */
  readonly answer: Promise<Foreseen | null>
  cancel(): void
}

export function askWhatIf(asked: WhatIfAsked, seeds: number, onProgress: (done: number, soFar: Foreseen) => void): Asking {
  const worker = new Worker('/workers/what-if.js', { name: 'what if' })
  const api = Comlink.wrap<WhatIfWorker>(worker)
  let cancel: () => void = () => {}
  const called = new Promise<null>((resolve) => {
    cancel = () => resolve(null)
  })
  const failed = new Promise<never>((_, reject) => {
    worker.onerror = (event) => reject(new Error(event.message))
  })
  const answer = Promise.race([api.foresee(asked, seeds, Comlink.proxy(onProgress)), called, failed]).finally(() => worker.terminate())
  return { answer, cancel }
}
