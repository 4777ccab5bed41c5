import * as Comlink from 'comlink'
import { afterEach, expect, test, vi } from 'vitest'
import { askAside } from './ask-aside'

interface Counter {
  count(tell: (n: number) => void): Promise<string>
}

/** A worker that counts, and can be made to say one more after it was sent away: what it had posted before is delivered all the same. */
function withWorker() {
  let tellMore: ((n: number) => void) | null = null
  let finish: (answer: string) => void = () => {}
  class Aside {
    onerror: unknown = null
    private readonly port: MessagePort
    constructor() {
      const { port1, port2 } = new MessageChannel()
      this.port = port1
      const counter: Counter = {
        count(tell) {
          tellMore = tell
          tell(1)
          return new Promise((resolve) => {
            finish = resolve
          })
        },
      }
      Comlink.expose(counter, port2)
    }
    postMessage = (message: unknown, transfer: Transferable[] = []) => this.port.postMessage(message, transfer)
    addEventListener = (kind: string, hear: EventListener) => this.port.addEventListener(kind, hear)
    removeEventListener = (kind: string, hear: EventListener) => this.port.removeEventListener(kind, hear)
    start = () => this.port.start()
    terminate = () => this.port.close()
  }
  vi.stubGlobal('Worker', Aside)
  return { more: async (n: number) => tellMore?.(n), finish: (answer: string) => finish(answer) }
}

afterEach(() => vi.unstubAllGlobals())

test.each(['called off', 'answered'] as const)('%s: what is told on the way afterwards is not heard', async (how) => {
  const worker = withWorker()
  const heard: number[] = []
  const asking = askAside<Counter, string>('counter', (api, onTheWay) => api.count(onTheWay((n: number) => heard.push(n))))
  await vi.waitFor(() => expect(heard).toEqual([1]))
  if (how === 'called off') {
    // Said before it was called off, and still under way.
    void worker.more(2)
    asking.cancel()
    expect(await asking.answer).toBeNull()
  } else {
    worker.finish('done')
    expect(await asking.answer).toBe('done')
    void worker.more(2)
  }
  // A message of its own goes the same way after it.
  const { port1, port2 } = new MessageChannel()
  await new Promise((resolve) => {
    port1.onmessage = resolve
    port2.postMessage(null)
  })
  await new Promise((resolve) => setImmediate(resolve))
  port1.close()
  expect(heard).toEqual([1])
})
