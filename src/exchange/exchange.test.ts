import { describe, expect, test, vi } from 'vitest'
import type { AgentCommand } from '@/core/floor'
import { toAgentId, toCallId } from '@/core/ids'
import { SAILINGS } from '@/world/scenario'
import { createExchange, type Exchange } from './exchange'
import type { FloorMessage, FloorView } from './protocol'
import { type KeyValue, memoryStore, type Restored, restore } from './store'

const ELUNED = toAgentId('agent_eluned-tarnow')
const CALL = toCallId('call_t_1')
const NOTHING: Restored = { state: null, snapshotSeq: 0, damage: null }

/** A floor whose clock is turned by hand; `pass` lets time go by and wakes the floor when it asked to be woken. */
function aFloor({ store = memoryStore(), restored = NOTHING, refused = null as string | null, startMs = Date.UTC(2026, 10, 24, 9) } = {}) {
  let nowMs = startMs
  let due: { readonly atMs: number; readonly wake: () => void } | null = null
  const exchange = createExchange({
    now: () => nowMs,
    wakeAt: (atMs, wake) => {
      due = { atMs, wake }
    },
    store,
    restored,
    storageRefused: refused,
    floorId: 't',
    seed: 7,
  })
  const pass = (ms: number) => {
    const untilMs = nowMs + ms
    while (due !== null && due.atMs <= untilMs) {
      const { atMs, wake } = due
      due = null
      nowMs = Math.max(nowMs, atMs)
      wake()
    }
    nowMs = untilMs
  }
  return { exchange, pass, now: () => nowMs }
}

/** A tab: what it was sent, and the view it has put together from that. */
function aTab(exchange: Exchange) {
  const messages: FloorMessage[] = []
  let view = {} as FloorView
  const port = exchange.attach({
    postMessage: (message) => {
      // What crosses to a tab is a copy.
      const copy = structuredClone(message)
      messages.push(copy)
      if (copy.kind === 'view') view = { ...view, ...copy.changes }
    },
  })
  let lastId = 0
  const ask = async (request: Record<string, unknown>) => {
    const requestId = `r${++lastId}`
    port.receive({ ...request, requestId })
    return vi.waitFor(() => {
      const reply = messages.find((m) => m.kind === 'reply' && m.requestId === requestId)
      if (reply?.kind !== 'reply') throw new Error(`no reply to ${JSON.stringify(request)}`)
      return reply
    })
  }
  return { messages, view: () => view, ask, give: (command: AgentCommand) => ask({ kind: 'command', command }), raw: port.receive }
}

const START: AgentCommand = { kind: 'startShift', agentId: ELUNED, pin: '2417', queueIds: [SAILINGS], seat: 'desk' }
const HELLO = { kind: 'hello', agentId: null, world: { pace: 'quiet', seed: 7 } }
const RING = { kind: 'ringMe', queueId: SAILINGS, customerId: 'customer_2', patienceMs: null, staysMs: null }

async function inCall(options: Parameters<typeof aFloor>[0] = {}) {
  const floor = aFloor(options)
  const tab = aTab(floor.exchange)
  await tab.ask(HELLO)
  await tab.give(START)
  await tab.give({ kind: 'goReady', agentId: ELUNED })
  await tab.ask(RING)
  floor.pass(2_000)
  expect((await tab.give({ kind: 'answer', agentId: ELUNED, callId: CALL })).ok).toBe(true)
  return { ...floor, tab }
}

describe('the running floor', () => {
  test('a tab is sent everything once, and then only the parts that changed', async () => {
    const { tab, exchange } = await inCall()
    const first = tab.messages.find((m) => m.kind === 'view')
    expect(first?.kind === 'view' && Object.keys(first.changes).sort()).toEqual([
      'calls',
      'centre',
      'contacts',
      'device',
      'floor',
      'me',
      'parked',
      'promises',
      'queues',
      'seatMoved',
      'seats',
      'sound',
    ])
    const before = tab.messages.length
    await tab.give({ kind: 'setMute', agentId: ELUNED, muted: true })
    const changes = tab.messages.slice(before).filter((m) => m.kind === 'view')
    expect(changes.flatMap((m) => Object.keys(m.changes)).sort()).toEqual(['calls', 'me'])
    expect(tab.view().me?.muted).toBe(true)
    const late = aTab(exchange)
    await late.ask(HELLO)
    expect(late.view().me).toBeNull()
    expect(late.view().seats.find((s) => s.id === ELUNED)).toMatchObject({ taken: 'desk', state: 'onCall' })
  })

  test('what it does not understand is answered, not dropped', () => {
    const tab = aTab(aFloor().exchange)
    for (const garbage of [{ kind: 'explode', requestId: 'x' }, 42, null, { kind: 'command', requestId: 'y', command: { kind: 'hold' } }]) tab.raw(garbage)
    expect(tab.messages.map((m) => m.kind === 'reply' && !m.ok && m.refusal.reason)).toEqual([
      'notUnderstood',
      'notUnderstood',
      'notUnderstood',
      'notUnderstood',
    ])
    expect(tab.messages[0]).toMatchObject({ requestId: 'x' })
  })

  test('an outcome is on disk before the tab is told that it is saved', async () => {
    const slow = memoryStore()
    let release: (() => void) | null = null
    const store: KeyValue = { ...slow, set: (key, value) => new Promise((resolve) => (release = () => resolve(slow.set(key, value)))) }
    const floor = aFloor({ store })
    const tab = aTab(floor.exchange)
    const drain = async () => {
      for (let i = 0; i < 60; i++) {
        release?.()
        await Promise.resolve()
      }
    }
    const give = (id: string, command: AgentCommand) => tab.raw({ kind: 'command', requestId: id, command })
    tab.raw({ ...HELLO, requestId: 'h' })
    give('s', START)
    give('g', { kind: 'goReady', agentId: ELUNED })
    tab.raw({ ...RING, requestId: 'ring' })
    floor.pass(2_000)
    give('a', { kind: 'answer', agentId: ELUNED, callId: CALL })
    give('q', { kind: 'hangUp', agentId: ELUNED, callId: CALL })
    await drain()
    release = null
    give('o', { kind: 'saveOutcome', agentId: ELUNED, callId: CALL, code: 'information', notes: '', followUp: '', andThen: { state: 'ready' } })
    for (let i = 0; i < 30; i++) await Promise.resolve()
    const told = () => tab.messages.find((m) => m.kind === 'reply' && m.requestId === 'o')
    expect(release).not.toBeNull()
    expect(told()).toBeUndefined()
    await drain()
    expect(told()).toMatchObject({ ok: true, kept: true })
    expect(JSON.stringify(await Promise.all((await slow.keys()).map((k) => slow.get(k))))).toContain('outcomeSaved')
  })

  test('a floor that is opened again goes on with the call, its answers and its notes, and states the gap', async () => {
    const store = memoryStore()
    const { tab, exchange, now } = await inCall({ store })
    await tab.give({ kind: 'answerScript', agentId: ELUNED, callId: CALL, field: 'speaking', value: 'booker' })
    await tab.give({ kind: 'draftNotes', agentId: ELUNED, callId: CALL, text: 'Half a sent', followUp: '' })
    await tab.give({ kind: 'hold', agentId: ELUNED, callId: CALL })
    const calls = tab.view().calls
    await exchange.settled()
    const again = aFloor({ store, restored: await restore(store), startMs: now() + 4_000 })
    const back = aTab(again.exchange)
    await back.ask({ ...HELLO, agentId: ELUNED })
    expect(back.view().calls).toEqual(calls)
    expect(back.view().contacts[0]).toMatchObject({ notes: 'Half a sent', run: { answers: { speaking: 'booker' } } })
    expect(back.view().floor.notices.map((n) => n.says)).toEqual(['The floor was closed for 4 s and goes on where it was.'])
    expect((await back.give({ kind: 'retrieve', agentId: ELUNED, callId: CALL })).ok).toBe(true)
  })

  test('while storage is refused it works, and says that nothing is kept', async () => {
    const { tab } = await inCall({ refused: 'the browser refused storage' })
    expect(tab.view().floor).toMatchObject({ storage: 'notKept', storageReason: 'the browser refused storage' })
    await tab.give({ kind: 'hangUp', agentId: ELUNED, callId: CALL })
    const saved = await tab.give({
      kind: 'saveOutcome',
      agentId: ELUNED,
      callId: CALL,
      code: 'information',
      notes: '',
      followUp: '',
      andThen: { state: 'ready' },
    })
    expect(saved.ok).toBe(true)
    const ledger = await tab.ask({ kind: 'ledger', afterSeq: 0 })
    expect(ledger.ok && ledger.text).toContain('"outcomeSaved"')
  })

  test('a seat is in one tab at a time: it moves on the PIN, and the tab that had it is told', async () => {
    const { tab, exchange } = await inCall()
    const other = aTab(exchange)
    await other.ask(HELLO)
    expect((await other.give(START)).ok).toBe(false)
    expect((await other.give({ kind: 'moveSeat', agentId: ELUNED, pin: '2417' })).ok).toBe(true)
    expect(other.view().me?.state).toBe('onCall')
    expect(tab.view().me).toBeNull()
    expect(tab.view().seatMoved?.name).toBe('Eluned Tarnow')
    // A copy of the tab remembers the seat as well and does not get it.
    const copy = aTab(exchange)
    await copy.ask({ ...HELLO, agentId: ELUNED })
    expect(copy.view()).toMatchObject({ me: null, seatMoved: { name: 'Eluned Tarnow' } })
  })

  test('a handset that closes while it is spoken through: music for the caller, and all as before when it opens again', async () => {
    const { tab, exchange } = await inCall()
    const open = async () => {
      const window = exchange.attach({ postMessage: () => {} })
      window.receive({ ...HELLO, requestId: 'd', device: { is: 'handset', agentId: ELUNED } })
      return window
    }
    const handset = await open()
    await tab.give({ kind: 'chooseSoundPath', agentId: ELUNED, path: 'handset' })
    expect(tab.view().sound?.handset).toBe('idle')
    handset.detach()
    expect(tab.view().me?.soundLost?.why).toMatch(/handset cannot be reached/)
    expect(tab.view().calls[0]?.call.connections.find((c) => c.party.kind === 'agent')?.state).toBe('held')
    await open()
    expect(tab.view().me?.soundLost).toBeNull()
    expect(tab.view().calls[0]?.call.connections.find((c) => c.party.kind === 'agent')?.state).toBe('connected')
  })

  test('a call is moved to a handset when that is lifted, and not at all when there is none', async () => {
    const { tab, exchange } = await inCall()
    const move: AgentCommand = { kind: 'moveCall', agentId: ELUNED, callId: CALL, endpoint: 'handset' }
    expect(await tab.give(move)).toMatchObject({ ok: false, refusal: { reason: 'handsetUnreachable' } })
    const handset = aTab(exchange)
    await handset.ask({ ...HELLO, device: { is: 'handset', agentId: ELUNED } })
    expect((await tab.give(move)).ok).toBe(true)
    const endpoint = () => tab.view().calls[0]?.call.connections.find((c) => c.party.kind === 'agent')?.endpoint
    expect(endpoint()).toBe('computer')
    expect(handset.view().device?.state).toBe('ringing')
    await handset.ask({ kind: 'handset', act: 'lift' })
    expect(endpoint()).toBe('handset')
  })

  test('what was promised reaches every tab, and the do-not-call list is searched on the floor', async () => {
    const { exchange } = await inCall()
    const tab = aTab(exchange)
    await tab.ask({ ...HELLO, agentId: ELUNED })
    const coded = (code: string): AgentCommand => ({
      ...{ kind: 'saveOutcome', agentId: ELUNED, callId: CALL, code, notes: 'Soon', followUp: '', andThen: { state: 'ready' } },
      callback: { dueAtMs: Date.UTC(2026, 10, 25, 9), timeZone: 'Europe/London', typed: '', owner: 'mine' },
    })
    expect((await tab.give(coded('callback-agreed'))).ok).toBe(true)
    expect(tab.view().promises.callbacks).toMatchObject([{ ownerId: ELUNED, note: 'Soon', why: 'agreed', dialledBy: null }])
    const { revision } = tab.view().promises
    await tab.give({ kind: 'setMute', agentId: ELUNED, muted: true })
    expect(tab.view().promises.revision).toBe(revision)

    const listed = { kind: 'addDoNotCall', agentId: ELUNED, pin: '2417', entries: [{ whom: { person: 'Ida Holm' }, why: 'Asked us' }] } as const
    expect((await tab.give(listed)).ok).toBe(true)
    expect(tab.view().promises).toMatchObject({ doNotCallCount: 1, revision: revision + 1 })
    const page = await tab.ask({ kind: 'doNotCall', search: 'ida', atMost: 10 })
    expect(page.ok && JSON.parse(page.text ?? '')).toMatchObject({ found: 1, entries: [{ whom: { person: 'Ida Holm' } }] })
  })

  test('a number that was struck names nobody any more: not who is dialled, and not who calls', async () => {
    const { exchange, tab, pass } = await inCall()
    const number = exchange.state().contacts.flat()[0]?.value.number ?? ''
    expect(
      (await tab.give({ kind: 'saveOutcome', agentId: ELUNED, callId: CALL, code: 'wrong-number', notes: '', followUp: '', andThen: { state: 'ready' } })).ok,
    ).toBe(true)
    await tab.give({ kind: 'hangUp', agentId: ELUNED, callId: CALL })
    pass(5_000)
    expect((await tab.give({ kind: 'makeCall', agentId: ELUNED, typed: number, customer: null })).ok).toBe(true)
    expect(tab.view().contacts[0]).toMatchObject({ number, customer: null })
  })
})
