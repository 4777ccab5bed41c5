// A running floor for tests: clocks turned by hand, tabs that put their view together, one account in a call.
import { expect } from 'vitest'
import type { Ask } from '@/core/floor'
import { type AgentId, toAgentId, toCallId } from '@/core/ids'
import { memoryStore } from '@/services/storage'
import { FENNHOLM_LINE, SAILINGS } from '@/world/scenario'
import { makePinSecret, openAccounts } from './accounts'
import { NOTHING_READY } from './desk-refusals'
import { openDrafts } from './drafts'
import { createExchange, type Exchange } from './exchange'
import { BEAT } from './floor-port'
import { NO_LISTS, withChanges } from './lists'
import { openPeople } from './people'
import type { FloorMessage, RefusalView, SharedLists, TabView } from './protocol'
import { NOTHING_RESTORED } from './store'

export const ELUNED = toAgentId('agent_eluned-tarnow')
export const KESTER = toAgentId('agent_kester-oddersey')
export const LINNEA = toAgentId('agent_linnea-wickerby')
export const CALL = toCallId('call_t_1')
/** When the worker of tests was built. */
export const BUILT_AT_MS = 1_000
export const PIN = '2417'
/** As slow as it takes to test, not to guess. */
const SECRET = await makePinSecret(PIN, 10)

/** A floor whose clocks are turned by hand; `pass` lets time go by and wakes the floor when it asked to be woken. */
export async function aFloor({
  store = memoryStore(),
  restored = NOTHING_RESTORED,
  refused = null as string | null,
  startMs = Date.UTC(2026, 10, 24, 9),
  fetchLeft = async (_query: string): Promise<unknown> => null,
  isShared = true,
  isNew = true,
  isOtherServed = (): boolean => false,
  replacement = { problem: async (): Promise<RefusalView | null> => NOTHING_READY, go: async () => {} },
  peopleStore = memoryStore(),
  /** Recordings, and when each began. */
  sounds = new Map<string, number>(),
} = {}) {
  let elapsedMs = 0
  let setByMs = 0
  let due: { readonly atMs: number; readonly wake: () => void } | null = null
  const later: (() => void)[] = []
  let wakes = 0
  let ended = 0
  const now = () => startMs + elapsedMs
  const accounts = await openAccounts({
    store,
    now,
    initial: new Map([ELUNED, KESTER, LINNEA].map((id) => [id, SECRET])),
    found: restored.pins,
    // A test whose ledger was written by hand has no secrets beside it.
    isNew,
    rounds: 10,
  })
  const exchange = createExchange({
    clocks: { wall: () => now() + setByMs, elapsed: () => elapsedMs },
    wakeAt: (inMs, wake) => {
      due = { atMs: elapsedMs + inMs, wake }
    },
    later: (_inMs, again) => void later.push(again),
    scenario: FENNHOLM_LINE,
    store,
    restored,
    accounts,
    people: await openPeople(peopleStore),
    drafts: await openDrafts(store),
    storageRefused: refused,
    floorId: 't',
    seed: 7,
    fetchLeft,
    end: () => {
      ended++
    },
    isShared,
    builtAtMs: BUILT_AT_MS,
    forgetSounds: async (isMeant) => {
      for (const [id, startedAtMs] of [...sounds]) if (isMeant(id, startedAtMs)) sounds.delete(id)
    },
    isOtherServed: async () => isOtherServed(),
    replacement,
  })
  const pass = (ms: number) => {
    const untilMs = elapsedMs + ms
    while (due !== null && due.atMs <= untilMs) {
      const { atMs, wake } = due
      due = null
      elapsedMs = Math.max(elapsedMs, atMs)
      if (++wakes > 100_000) throw new Error('the floor wakes without end')
      wake()
    }
    elapsedMs = untilMs
  }
  const tryAgain = () => {
    for (const again of later.splice(0)) again()
  }
  const setElapsed = (byMs: number) => {
    elapsedMs += byMs
  }
  return { exchange, store, pass, setElapsed, now, tryAgain, setClock: (byMs: number) => (setByMs += byMs), wakes: () => wakes, ended: () => ended }
}

/** A PIN is slow to hash on purpose, and slower on a machine that has other things to do. */
export const PATIENT = { timeout: 20_000 }

type Reply = Extract<FloorMessage, { kind: 'reply' }>

/** A tab: what it was sent, and the view it has put together from that. */
export function aTab(exchange: Exchange) {
  const messages: FloorMessage[] = []
  const replies = new Map<string, (reply: Reply) => void>()
  let view = {} as TabView
  let isThere = true
  let lists = {} as SharedLists
  const port = exchange.attach({
    postMessage: (message) => {
      // What crosses to a tab is a copy.
      const copy = structuredClone(message)
      messages.push(copy)
      if (copy.kind === 'pulse' && isThere) port.receive(BEAT)
      if (copy.kind === 'reply') replies.get(copy.requestId)?.(copy)
      if (copy.kind !== 'view') return
      view = { ...view, ...copy.changes }
      if (Object.keys(copy.lists).length > 0) lists = withChanges({ ...NO_LISTS, ...lists }, copy.lists)
    },
  })
  let lastId = 0
  const ask = async (request: Record<string, unknown>) => {
    const requestId = `r${++lastId}`
    const reply = new Promise<Reply>((resolve, reject) => {
      const late = setTimeout(() => reject(new Error(`no reply to ${JSON.stringify(request)}`)), PATIENT.timeout)
      replies.set(requestId, (answer) => {
        clearTimeout(late)
        resolve(answer)
      })
    })
    port.receive({ ...request, requestId })
    return reply
  }
  const signIn = async (agentId: AgentId) => {
    const reply = await ask({ kind: 'signIn', agentId, pin: PIN })
    if (!reply.ok || reply.text === null) throw new Error(`${agentId} could not sign in: ${JSON.stringify(reply)}`)
    return reply.text
  }
  return {
    messages,
    view: () => ({ ...view, ...lists }),
    ask,
    signIn,
    give: (command: Ask) => ask({ kind: 'command', command }),
    /** It crashed, hangs or is cut off: nothing is heard of it, and it says no good-bye. */
    vanish: () => {
      isThere = false
    },
    comeBack: () => {
      isThere = true
    },
    raw: port.receive,
    /** What the history asks of the floor about whoever sits here. */
    forHistory: port.forHistory,
    detach: port.detach,
  }
}

export const START: Ask = { kind: 'startShift', queueIds: [SAILINGS], seat: 'desk' }
export const HELLO = { kind: 'hello', key: null, world: { pace: 'quiet', seed: 7 } }
export const RING = { kind: 'ringMe', queueId: SAILINGS, customerId: 'customer_2', patienceMs: null, staysMs: null }
export const save = (code: string, more: object = {}): Ask =>
  ({ kind: 'saveOutcome', callId: CALL, code, notes: '', followUp: '', andThen: { state: 'ready' }, ...more }) as Ask

export async function inCall(options: Parameters<typeof aFloor>[0] = {}) {
  const floor = await aFloor(options)
  const tab = aTab(floor.exchange)
  await tab.ask(HELLO)
  const key = await tab.signIn(ELUNED)
  await tab.give(START)
  await tab.give({ kind: 'goReady' })
  expect((await tab.ask(RING)).ok).toBe(true)
  expect((await tab.give({ kind: 'answer', callId: CALL })).ok).toBe(true)
  return { ...floor, tab, key }
}
