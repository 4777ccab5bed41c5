// A tab's end of the floor: sends requests with an id and a deadline, keeps the latest view, tells whoever listens. When the floor's worker is gone it
// opens another one and says again whose tab this is: a desk comes back by itself.
import { createStore, type StoreApi } from 'zustand/vanilla'
import type { Ask } from '@/core/floor'
import type { AgentId } from '@/core/ids'
import type { Pace, Past } from '@/world'
import { BUILT_AT_MS } from './built-at'
import { BEAT, type FloorPort } from './floor-port'
import { setFloorClock } from './floor-time'
import { NO_LISTS, withChanges } from './lists'
import { numbers } from './numbers'
import { openPort } from './port'
import type { DeviceView, DoorParts, FloorMessage, FloorView, ListChanges, RefusalView, SharedLists, TabMessage, TabView } from './protocol'

export type Reply = { readonly ok: true; readonly kept: boolean; readonly text: string | null } | { readonly ok: false; readonly refusal: RefusalView }

type WithoutId<T> = T extends { requestId: string } ? Omit<T, 'requestId'> : never
export type Request = WithoutId<TabMessage>

export interface Witness {
  readonly agentId: AgentId
  readonly pin: string
}

export interface FloorClient {
  /** Resolves with a refusal rather than rejecting; a floor that does not answer in time is one as well. */
  /** `deadlineMs`: of what takes longer than an answer usually does. */
  ask(request: Request, deadlineMs?: number): Promise<Reply>
  command(ask: Ask, witness?: Witness): Promise<Reply>
  signIn(agentId: AgentId, pin: string): Promise<Reply>
  signOut(): Promise<Reply>
  /** Of this account, or of another one by a set-up owner. */
  /** `shown` is the present PIN of whoever is signed in here. */
  setPin(agentId: AgentId, pin: string, shown: string): Promise<Reply>
  readonly shown: StoreApi<Shown>
  onStored(listener: (seq: number) => void): () => void
  /** Hands ports of another worker to the floor; false where workers cannot be shared. */
  introduce: FloorPort['introduce']
  /** Called when the floor on the other side is another one than before. */
  onReset(listener: () => void): () => void
  close(): void
}

/** What this tab shows of the floor. Parts that did not change stay the same values, so that whoever selects one hears of that one only. */
export interface Shown {
  /** null until the floor has answered; then there whether somebody is signed in or not. */
  readonly door: DoorParts | null
  /** What whoever is signed in sees; null while nobody is. */
  readonly view: FloorView | null
  readonly device: DeviceView | null
  /** The floor was asked whether it is there and has not answered yet. */
  readonly silent: boolean
  /** Why the floor cannot be opened for now; null when it is open, or nothing is known. */
  readonly notOpened: string | null
}

const DEADLINE_MS = 8_000
/** While nothing is heard of the floor it is asked this often whether it is there. */
const PING_EVERY_MS = 6_000
/** An answer that takes longer is said to be awaited. */
const SILENT_AFTER_MS = 3_000

export interface ConnectOptions {
  /** What a reload brings along, kept where no other tab sees it. */
  readonly key: { get(): string | null; set(key: string | null): void }
  readonly device: { readonly is: 'handset' | 'ownPhone'; readonly agentId: AgentId } | null
  readonly world: { readonly pace: Pace; readonly seed: number } | null
  readonly past: Past
}

export function connect({ key, device, world, past }: ConnectOptions): FloorClient {
  const pending = new Map<string, (reply: Reply) => void>()
  const shown = createStore<Shown>(() => ({ door: null, view: null, device: null, silent: false, notOpened: null }))
  const storedListeners = new Set<(seq: number) => void>()
  let parts: Partial<TabView> = {}
  let lists: SharedLists = NO_LISTS
  let lastId = 0
  let heardAtMs = performance.now()

  const take = (changes: Partial<TabView>, changedLists: ListChanges) => {
    parts = { ...parts, ...changes }
    lists = withChanges(lists, changedLists)
    // Signed out, nothing of what was seen stays in this tab.
    if (changes.door?.signedIn === null) {
      parts = { door: parts.door, floor: parts.floor, device: parts.device } as Partial<TabView>
      lists = NO_LISTS
    }
    shown.setState({
      door: parts.door !== undefined && parts.floor !== undefined ? { door: parts.door, floor: parts.floor } : null,
      view: parts.door?.signedIn != null && parts.account !== undefined && parts.centre !== undefined ? { ...(parts as TabView), ...lists } : null,
      device: parts.device ?? null,
      notOpened: null,
    })
  }

  const onMessage = (message: FloorMessage) => {
    heardAtMs = performance.now()
    if (shown.getState().silent) shown.setState({ silent: false })
    switch (message.kind) {
      case 'view':
        setFloorClock(message.atMs)
        return take(message.changes, message.lists)
      case 'stored':
        for (const listener of storedListeners) listener(message.seq)
        return
      case 'notOpened':
        return shown.setState({ notOpened: message.says })
      case 'pulse':
        return port.post(BEAT)
      case 'replaced':
        return location.reload()
      case 'reopens':
        return reopen()
      case 'reply':
        pending.get(message.requestId)?.(message)
        pending.delete(message.requestId)
    }
  }
  const hello = () => void ask({ kind: 'hello', key: key.get(), device, world, past, builtAtMs: BUILT_AT_MS })
  const resetListeners = new Set<() => void>()
  const reset = () => {
    hello()
    for (const listener of resetListeners) listener()
  }
  let port: FloorPort = openPort(onMessage, reset)
  const reopen = () => {
    // A floor that only hung hears it first: who comes then is the desk itself, and no copy of it beside one that is never heard of again.
    port.post('bye')
    port.close()
    port = openPort(onMessage, reset)
    reset()
  }

  function ask(request: Request, deadlineMs = DEADLINE_MS): Promise<Reply> {
    return new Promise((resolve) => {
      const requestId = `r${++lastId}`
      const late = setTimeout(() => {
        pending.delete(requestId)
        resolve({ ok: false, refusal: SILENT })
      }, deadlineMs)
      pending.set(requestId, (reply) => {
        clearTimeout(late)
        resolve(reply)
      })
      port.post({ ...request, requestId } as TabMessage)
    })
  }

  /** A worker that was ended by the browser or by a fault never says so: it only stops answering. */
  const watch = setInterval(async () => {
    if (performance.now() - heardAtMs < PING_EVERY_MS) return
    const saying = setTimeout(() => shown.setState({ silent: true }), SILENT_AFTER_MS)
    const reply = await ask({ kind: 'ping' })
    clearTimeout(saying)
    if (!reply.ok && reply.refusal.reason === SILENT.reason) reopen()
  }, PING_EVERY_MS)

  const bye = () => port.post('bye')
  numbers.answerBy((request) => ask(request))
  addEventListener('pagehide', bye)
  // A page that is shown again from the browser's memory has said good-bye before.
  const back = (event: PageTransitionEvent) => event.persisted && hello()
  addEventListener('pageshow', back)
  hello()

  return {
    ask: (request) => ask(request),
    command: (command, witness) => ask({ kind: 'command', command, ...(witness === undefined ? {} : { witness }) }),
    async signIn(agentId, pin) {
      // Hashing a PIN is slow on purpose, and slower on a busy machine.
      const reply = await ask({ kind: 'signIn', agentId, pin }, 4 * DEADLINE_MS)
      if (reply.ok && reply.text !== null) key.set(reply.text)
      return reply
    },
    async signOut() {
      const reply = await ask({ kind: 'signOut' })
      if (reply.ok) key.set(null)
      return reply
    },
    async setPin(agentId, pin, shown) {
      const reply = await ask({ kind: 'setPin', agentId, pin, shown }, 4 * DEADLINE_MS)
      // The keys of an account are void with its PIN: this tab has been given another.
      if (reply.ok && reply.text !== null) key.set(reply.text)
      return reply
    },
    shown,
    onStored: (listener) => {
      storedListeners.add(listener)
      return () => storedListeners.delete(listener)
    },
    introduce: (kind, ...brought) => port.introduce(kind, ...brought),
    onReset: (listener) => {
      resetListeners.add(listener)
      return () => resetListeners.delete(listener)
    },
    close: () => {
      clearInterval(watch)
      removeEventListener('pagehide', bye)
      removeEventListener('pageshow', back)
      bye()
    },
  }
}

const SILENT: RefusalView = {
  reason: 'floorSilent',
  says: 'The floor did not answer in time.',
  next: 'Try again; if it stays silent, reload the page. Your work is kept.',
}
