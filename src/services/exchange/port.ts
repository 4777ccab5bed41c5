// How a tab reaches the one floor of this browser. Where workers can be shared, that is all. Where they cannot, the tabs elect the one whose worker
// it is by a lock, and the others speak to that one; when it closes, the next in line opens the floor from what is stored.
import { electedPort } from './elected-port'
import type { FloorPort, Introduction } from './floor-port'
import type { FloorMessage } from './protocol'

const FLOOR_URL = '/workers/floor.js'

/** `onReset` is called when the floor on the other side is another one than before: whoever was known there must say so again. */
export function openPort(onMessage: (message: FloorMessage) => void, onReset: () => void): FloorPort {
  if (typeof SharedWorker !== 'undefined') return sharedPort(onMessage)
  return typeof navigator.locks === 'undefined' || typeof BroadcastChannel === 'undefined' ? ownPort(onMessage) : electedPort(FLOOR_URL, onMessage, onReset)
}

function sharedPort(onMessage: (message: FloorMessage) => void): FloorPort {
  const { port } = new SharedWorker(FLOOR_URL, { name: 'floor' })
  return directPort(port, onMessage, () => port.close())
}

/** A floor for this tab alone: a browser that can neither share a worker nor tell tabs of each other. */
function ownPort(onMessage: (message: FloorMessage) => void): FloorPort {
  const worker = new Worker(FLOOR_URL, { name: 'floor' })
  return directPort(worker, onMessage, () => worker.terminate())
}

function directPort(floor: MessagePort | Worker, onMessage: (message: FloorMessage) => void, close: () => void): FloorPort {
  floor.onmessage = (event: MessageEvent) => onMessage(event.data as FloorMessage)
  return {
    post: (message) => floor.postMessage(message),
    introduce(kind, ...brought) {
      floor.postMessage({ kind } satisfies Introduction, [...brought])
      return true
    },
    close,
  }
}
