// How a tab reaches the one floor of this browser. Where workers can be shared, that is all. Where they cannot, the tabs elect the one whose worker
// it is by a lock, and the others speak to that one; when it closes, the next in line opens the floor from what is stored.
import type { FloorMessage, TabMessage } from './protocol'

/** With a port for the history, or two for the lists; only where ports can be handed on. */
export interface Introduction {
  readonly kind: 'forHistory' | 'forLists'
}
/** What a tab answers a pulse with. It needs no reply, and says nothing about whose it is. */
export const BEAT = 'beat'
export type Outgoing = TabMessage | 'bye' | typeof BEAT

export interface FloorPort {
  post(message: Outgoing): void
  /** Hands ports of another worker to the floor; false where that is not possible. */
  introduce(kind: Introduction['kind'], ...ports: readonly MessagePort[]): boolean
  close(): void
}

const FLOOR_URL = '/workers/floor.js'
const LOCK = 'floor'
const CHANNEL = 'floor'

/** `onReset` is called when the floor on the other side is another one than before: whoever was known there must say so again. */
export function openPort(onMessage: (message: FloorMessage) => void, onReset: () => void): FloorPort {
  if (typeof SharedWorker !== 'undefined') return sharedPort(onMessage)
  return typeof navigator.locks === 'undefined' || typeof BroadcastChannel === 'undefined' ? ownPort(onMessage) : electedPort(onMessage, onReset)
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

/** What tabs say to each other on the channel: to the floor, from it, or that another tab has it now. */
type Said =
  | { readonly to: 'floor'; readonly from: string; readonly message: Outgoing }
  | { readonly to: string; readonly message: FloorMessage }
  | { readonly to: 'everybody'; readonly moved: true }

function electedPort(onMessage: (message: FloorMessage) => void, onReset: () => void): FloorPort {
  const me = crypto.randomUUID()
  const channel = new BroadcastChannel(CHANNEL)
  const ports = new Map<string, MessagePort>()
  let worker: Worker | null = null
  let release: (() => void) | null = null

  const portOf = (tab: string): MessagePort | undefined => {
    const known = ports.get(tab)
    if (known !== undefined || worker === null) return known
    const { port1, port2 } = new MessageChannel()
    port1.onmessage = (event) => {
      if (tab === me) onMessage(event.data as FloorMessage)
      else channel.postMessage({ to: tab, message: event.data as FloorMessage } satisfies Said)
    }
    worker.postMessage({ kind: 'port' }, [port2])
    ports.set(tab, port1)
    return port1
  }
  const toFloor = (tab: string, message: Outgoing) => {
    portOf(tab)?.postMessage(message)
    if (message === 'bye') ports.delete(tab)
  }

  channel.onmessage = ({ data }: MessageEvent<Said>) => {
    if (data.to === me && 'message' in data) onMessage(data.message as FloorMessage)
    else if (data.to === 'floor' && 'from' in data && worker !== null) toFloor(data.from, data.message)
    else if (data.to === 'everybody') onReset()
  }
  void navigator.locks.request(LOCK, async () => {
    worker = new Worker(FLOOR_URL, { name: 'floor' })
    channel.postMessage({ to: 'everybody', moved: true } satisfies Said)
    onReset()
    // The lock is held for as long as this tab lives.
    await new Promise<void>((resolve) => {
      release = resolve
    })
  })
  return {
    post: (message) => {
      if (worker !== null) toFloor(me, message)
      else channel.postMessage({ to: 'floor', from: me, message } satisfies Said)
    },
    // What tabs say to each other on a channel carries no ports.
    introduce: () => false,
    close: () => {
      worker?.terminate()
      channel.close()
      release?.()
    },
  }
}
