// Asks a question that is long to answer: in a worker of its own, so that the page stays free and the question can be called off at any moment.
import * as Comlink from 'comlink'

export interface Asking<T> {
  /** null when it was called off. */
  readonly answer: Promise<T | null>
  cancel(): void
}

/** What is said on the way to the answer, as something the worker may call. */
type OnTheWay = <A extends unknown[]>(tell: (...said: A) => void) => (...said: A) => void

/**
 * `name`: of the worker’s file below `/workers/`. The worker ends with the answer, and nothing is told on the way any more: what it had said
 * before it ended may still be under way.
 */
export function askAside<W, T>(name: string, ask: (api: Comlink.Remote<W>, onTheWay: OnTheWay) => Promise<T>): Asking<T> {
  const worker = new Worker(`/workers/${name}.js`, { name })
  let isOver = false
  let cancel: () => void = () => {}
  const called = new Promise<null>((resolve) => {
    cancel = () => {
      isOver = true
      resolve(null)
    }
  })
  const failed = new Promise<never>((_, reject) => {
    worker.onerror = (event) => reject(new Error(event.message))
  })
  const onTheWay: OnTheWay = (tell) =>
    Comlink.proxy((...said) => {
      if (!isOver) tell(...said)
    })
  const answer = Promise.race([ask(Comlink.wrap<W>(worker), onTheWay), called, failed]).finally(() => {
    isOver = true
    worker.terminate()
  })
  return { answer, cancel }
}
