// Entry of the SharedWorker, and of the dedicated worker that takes its place where SharedWorker is missing.
import { createExchange, type Exchange } from './exchange'
import { browserStore, memoryStore, type Restored, restore } from './store'

declare const self: SharedWorkerGlobalScope & DedicatedWorkerGlobalScope

const NOTHING: Restored = { state: null, snapshotSeq: 0, damage: null }

const exchange: Promise<Exchange> = open()

async function open(): Promise<Exchange> {
  const opening = await browserStore('floor')
  const store = opening.ok ? opening.store : memoryStore()
  let timer: ReturnType<typeof setTimeout> | undefined
  const startedAtMs = Date.now()
  return createExchange({
    now: Date.now,
    wakeAt(atMs, wake) {
      clearTimeout(timer)
      timer = setTimeout(wake, Math.max(0, atMs - Date.now()))
    },
    store,
    restored: opening.ok ? await restore(store) : NOTHING,
    storageRefused: opening.ok ? null : opening.reason,
    floorId: `live-${startedAtMs.toString(36)}`,
    seed: startedAtMs % 1_000_000,
  })
}

function serve(port: MessagePort | DedicatedWorkerGlobalScope): void {
  // Messages that arrive while the floor is being restored wait in this chain, in order.
  const attached = exchange.then((floor) => floor.attach({ postMessage: (message) => port.postMessage(message) }))
  port.onmessage = (event: MessageEvent) => {
    if (event.data === 'bye') attached.then((tab) => tab.detach())
    else attached.then((tab) => tab.receive(event.data))
  }
}

if ('onconnect' in self)
  self.onconnect = (event) => {
    const port = event.ports[0]
    if (port !== undefined) serve(port)
  }
else serve(self as DedicatedWorkerGlobalScope)
