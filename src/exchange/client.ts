// A tab's end of the floor: sends requests with an id and a deadline, keeps the latest view, tells whoever listens.
import type { AgentCommand } from '@/core/floor'
import type { AgentId } from '@/core/ids'
import type { Pace } from '@/world'
import type { FloorMessage, FloorView, RefusalView, TabMessage } from './protocol'

export type Reply = { readonly ok: true; readonly kept: boolean; readonly text: string | null } | { readonly ok: false; readonly refusal: RefusalView }

type WithoutId<T> = T extends { requestId: string } ? Omit<T, 'requestId'> : never
export type Request = WithoutId<TabMessage>

export interface FloorClient {
  /** Resolves with a refusal rather than rejecting; a floor that does not answer in time is one as well. */
  ask(request: Request): Promise<Reply>
  command(command: AgentCommand): Promise<Reply>
  /** null until the first view has arrived. */
  view(): FloorView | null
  subscribe(listener: () => void): () => void
  onStored(listener: (seq: number) => void): () => void
  close(): void
}

const DEADLINE_MS = 8_000

export interface ConnectOptions {
  readonly agentId: AgentId | null
  readonly device: { readonly is: 'handset' | 'ownPhone'; readonly agentId: AgentId } | null
  readonly world: { readonly pace: Pace; readonly seed: number } | null
}

export function connect(options: ConnectOptions): FloorClient {
  const { post, listen } = openPort()
  const pending = new Map<string, (reply: Reply) => void>()
  const listeners = new Set<() => void>()
  const storedListeners = new Set<(seq: number) => void>()
  let view: FloorView | null = null
  let lastId = 0

  listen((message) => {
    switch (message.kind) {
      case 'view':
        view = { ...(view ?? ({} as FloorView)), ...message.changes }
        for (const listener of listeners) listener()
        return
      case 'stored':
        for (const listener of storedListeners) listener(message.seq)
        return
      case 'reply':
        pending.get(message.requestId)?.(message)
        pending.delete(message.requestId)
    }
  })

  const ask = (request: Request): Promise<Reply> =>
    new Promise((resolve) => {
      const requestId = `r${++lastId}`
      const late = setTimeout(() => {
        pending.delete(requestId)
        const refusal = {
          reason: 'floorSilent',
          says: 'The floor did not answer in time.',
          next: 'Try again; if it stays silent, reload the page. Your work is kept.',
        }
        resolve({ ok: false, refusal })
      }, DEADLINE_MS)
      pending.set(requestId, (reply) => {
        clearTimeout(late)
        resolve(reply)
      })
      post({ ...request, requestId } as TabMessage)
    })

  const bye = () => post('bye')
  addEventListener('pagehide', bye)
  void ask({ kind: 'hello', ...options })

  return {
    ask,
    command: (command) => ask({ kind: 'command', command }),
    view: () => view,
    subscribe: (listener) => {
      listeners.add(listener)
      return () => listeners.delete(listener)
    },
    onStored: (listener) => {
      storedListeners.add(listener)
      return () => storedListeners.delete(listener)
    },
    close: () => {
      removeEventListener('pagehide', bye)
      bye()
    },
  }
}

const FLOOR_URL = '/workers/floor.js'

function openPort(): { post: (message: TabMessage | 'bye') => void; listen: (on: (message: FloorMessage) => void) => void } {
  if (typeof SharedWorker !== 'undefined') {
    const { port } = new SharedWorker(FLOOR_URL, { name: 'floor' })
    return {
      post: (message) => port.postMessage(message),
      listen: (on) => {
        port.onmessage = (event) => on(event.data as FloorMessage)
      },
    }
  }
  // One tab owns the floor where workers cannot be shared; a second tab is told so by its lock.
  const worker = new Worker(FLOOR_URL, { name: 'floor' })
  return {
    post: (message) => worker.postMessage(message),
    listen: (on) => {
      worker.onmessage = (event) => on(event.data as FloorMessage)
    },
  }
}
