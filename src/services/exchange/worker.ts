// Entry of the SharedWorker, and of the dedicated worker that takes its place where SharedWorker is missing.
import * as Comlink from 'comlink'
import { LEDGER_VERSION } from '@/core/ledger'
import { go, isReady, laid, openBeside, putWaitingInPlace, tellReplaced } from '@/services/backup'
import { callSealed, serveSealed, sharedKey } from '@/services/ports'
import { browserStore, type KeyValue, memoryStore, openInTheEnd, writeThrough } from '@/services/storage'
import { FENNHOLM_LINE } from '@/world/scenario'
import { openAccounts } from './accounts'
import { BUILT_AT_MS } from './built-at'
import { FROM_NEWER, NOTHING_READY } from './desk-refusals'
import { openDrafts } from './drafts'
import { createExchange, type Exchange } from './exchange'
import { FOR_HISTORY } from './for-history'
import { FOR_LISTS } from './for-lists'
import { LISTS_END, type ListsEnd } from './list-feed'
import { openPeople } from './people'
import type { FloorMessage } from './protocol'
import { forgetRecordings } from './recordings/forget'
import { MARK_KEY, MarkSchema, NOTHING_RESTORED, restore } from './store'

declare const self: SharedWorkerGlobalScope & DedicatedWorkerGlobalScope

/** A timer set for later than this fires at once (HTML, 8.6). */
const LONGEST_TIMER_MS = 2 ** 31 - 1

// Nothing is acknowledged that a power cut could take back.
if ('IDBDatabase' in self) writeThrough()
/** Pages that wait for the floor, and what is said to them of it meanwhile. */
const waiting = new Set<Port>()
const exchange: Promise<Exchange> = openInTheEnd(open, {
  later: (inMs, again) => void setTimeout(again, inMs),
  failed: (says) => {
    for (const port of waiting) port.postMessage({ kind: 'notOpened', says } satisfies FloorMessage)
  },
})
const workersKey = sharedKey('onconnect' in self)

async function open(): Promise<Exchange> {
  await putWaitingInPlace()
  const opening = await browserStore('floor')
  const peopleOpening = await browserStore('people')
  const restored = opening.ok ? await restore(opening.store) : NOTHING_RESTORED
  // What a newer version wrote is not ours to add to.
  const store = opening.ok && !restored.newer ? opening.store : memoryStore()
  const storageRefused = opening.ok ? (restored.newer ? 'a newer version of the product has written here' : null) : opening.reason
  let timer: ReturnType<typeof setTimeout> | undefined
  const startedAtMs = Date.now()
  let floorNow: () => number = Date.now
  const accounts = await openAccounts({
    store: opening.ok && restored.newer ? readOnly(opening.store) : store,
    // Waits after wrong PINs go by the floor's clock: setting the computer's ahead is no way around them.
    now: () => floorNow(),
    initial: new Map([...FENNHOLM_LINE.secrets].filter(([id]) => !restored.pins.has(id))),
    found: restored.pins,
    isNew: restored.state === null && !restored.newer,
  })
  const floor = createExchange({
    clocks: { wall: Date.now, elapsed: () => performance.now() },
    wakeAt(inMs, wake) {
      clearTimeout(timer)
      timer = setTimeout(wake, Math.min(LONGEST_TIMER_MS, inMs))
    },
    later: (inMs, again) => void setTimeout(again, inMs),
    end: () => self.close(),
    scenario: FENNHOLM_LINE,
    store,
    restored,
    accounts,
    drafts: await openDrafts(store),
    people: await openPeople(peopleOpening.ok ? peopleOpening.store : memoryStore()),
    storageRefused,
    floorId: `live-${startedAtMs.toString(36)}`,
    seed: startedAtMs % 1_000_000,
    isShared: 'onconnect' in self,
    builtAtMs: BUILT_AT_MS,
    replacement: {
      async problem() {
        const beside = await openBeside()
        if (!(await isReady(beside))) return NOTHING_READY
        // What a newer version wrote could be read by nobody here.
        const mark = MarkSchema.safeParse(await laid(beside, 'floor', MARK_KEY))
        return mark.success && mark.data.ledgerVersion > LEDGER_VERSION ? FROM_NEWER : null
      },
      go: async () => {
        await go(await openBeside())
        tellReplaced()
      },
    },
    forgetSounds: forgetRecordings,
    isOtherServed: async () => {
      const served = await fetch('/workers/floor.js', { cache: 'no-cache' })
      return served.ok && !(await served.text()).includes(String(BUILT_AT_MS))
    },
    fetchLeft: async (query) => {
      const response = await fetch(`/api/demo-history/left?${query}`)
      if (!response.ok) throw new Error(`the server answered ${response.status}`)
      return response.json()
    },
  })
  floorNow = floor.now
  return floor
}

/** What is there may be asked, and stays as it is. */
const readOnly = (store: KeyValue): KeyValue => ({ ...store, set: async () => {}, remove: async () => {} })

type Port = Pick<MessagePort, 'postMessage'> & { onmessage: ((event: MessageEvent) => void) | null }

const isKind = (kind: string, data: unknown): boolean => typeof data === 'object' && data !== null && 'kind' in data && data.kind === kind

/** The page that brings a port is no party to what is said on it, where the other end is a worker of everybody's. */
async function answerOn<T extends object>(port: MessagePort, end: T, methods: readonly (keyof T & string)[]): Promise<void> {
  const key = await workersKey
  if (key === null) Comlink.expose(end, port)
  else serveSealed(port, key, end, methods)
}
async function endOf(port: MessagePort): Promise<ListsEnd> {
  const key = await workersKey
  return key === null ? (Comlink.wrap<ListsEnd>(port) as unknown as ListsEnd) : callSealed<ListsEnd>(port, key, LISTS_END)
}

function serve(port: Port): void {
  // Messages that arrive while the floor is being restored wait in this chain, in order.
  waiting.add(port)
  const attached = exchange.then((floor) => {
    waiting.delete(port)
    return floor.attach({ postMessage: (message) => port.postMessage(message) })
  })
  port.onmessage = (event: MessageEvent) => {
    // A tab that has the floor for all of them brings a port for each of the others.
    const [brought, lists] = event.ports
    if (brought !== undefined && isKind('forHistory', event.data)) attached.then((tab) => answerOn(brought, tab.forHistory(), FOR_HISTORY))
    else if (brought !== undefined && lists !== undefined && isKind('forLists', event.data)) {
      attached.then((tab) => answerOn(brought, tab.forLists(), FOR_LISTS))
      void endOf(lists).then(async (end) => (await exchange).attachLists(end))
    } else if (brought !== undefined) serve(brought)
    else if (event.data === 'bye') attached.then((tab) => tab.detach())
    else attached.then((tab) => tab.receive(event.data))
  }
}

if ('onconnect' in self)
  self.onconnect = (event) => {
    const port = event.ports[0]
    if (port !== undefined) serve(port)
  }
else serve(self as DedicatedWorkerGlobalScope as unknown as Port)
