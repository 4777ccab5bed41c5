// Asks a question that is long to answer: in a worker of its own, so that the page stays free and the question can be called off at any moment.
import * as Comlink from 'comlink'

export interface Asking<T> {
  /** null when it was called off. */
  readonly answer: Promise<T | null>
  cancel(): void
}

/** `name`: of the worker’s file below `/workers/`. The worker ends with the answer. */
export function askAside<W, T>(name: string, ask: (api: Comlink.Remote<W>) => Promise<T>): Asking<T> {
  const worker = new Worker(`/workers/${name}.js`, { name })
  let cancel: () => void = () => {}
  const called = new Promise<null>((resolve) => {
    cancel = () => resolve(null)
  })
  const failed = new Promise<never>((_, reject) => {
    worker.onerror = (event) => reject(new Error(event.message))
  })
  const answer = Promise.race([ask(Comlink.wrap<W>(worker)), called, failed]).finally(() => worker.terminate())
  return { answer, cancel }
}
