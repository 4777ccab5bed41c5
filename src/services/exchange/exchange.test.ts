import { describe, expect, test, vi } from 'vitest'
import type { Ask } from '@/core/floor'
import { values } from '@/core/table'
import { HOUR, MINUTE } from '@/core/time'
import { type KeyValue, memoryStore } from '@/services/storage'
import { SAILINGS } from '@/world/scenario'
import { restore } from './store'
import { aFloor, aTab, CALL, ELUNED, HELLO, inCall, KESTER, LINNEA, PATIENT, RING, START, save } from './testing'

describe('the running floor', () => {
  test('a tab is sent everything once, and then only the parts that changed', async () => {
    const { tab, exchange } = await inCall()
    const parts = [...new Set(tab.messages.flatMap((m) => (m.kind === 'view' ? Object.keys(m.changes) : [])))].sort()
    expect(parts).toEqual(
      [
        'account',
        'calls',
        'centre',
        'work',
        'device',
        'door',
        'floor',
        'me',
        'doNotCall',
        'people',
        'seatMoved',
        'sound',
        'voicemail',
        'conferences',
        'watched',
        'callers',
        'pieces',
        'reviews',
        'threads',
        'circles',
      ].sort(),
    )
    const before = tab.messages.length
    await tab.give({ kind: 'setMute', muted: true })
    const changes = tab.messages.slice(before).filter((m) => m.kind === 'view')
    expect(changes.flatMap((m) => Object.keys(m.changes)).sort()).toEqual(['calls', 'me'])
    expect(tab.view().me?.muted).toBe(true)
    const late = aTab(exchange)
    await late.ask(HELLO)
    await late.signIn(KESTER)
    expect(late.view().me).toBeNull()
    expect(late.view().seats.find((s) => s.id === ELUNED)).toMatchObject({ taken: 'desk', state: 'onCall' })
  })

  test('whom everybody has on the line is seen by who answers for the floor, and by nobody else', async () => {
    const { tab, exchange, pass } = await inCall()
    const [owner, kester] = [aTab(exchange), aTab(exchange)]
    for (const [seat, who] of [
      [owner, LINNEA],
      [kester, KESTER],
    ] as const) {
      await seat.ask(HELLO)
      await seat.signIn(who)
    }
    const seen = () => owner.view().watched?.find((w) => w.id === ELUNED)
    const name = values(exchange.state().calls)[0]?.customer?.name
    expect(name).toBeTruthy()
    expect(seen()).toMatchObject({ with: name, queueId: SAILINGS, heldSinceMs: null, wrapUp: null })
    pass(5_000)
    await tab.give({ kind: 'hold', callId: CALL })
    expect(seen()?.heldSinceMs).toBe(exchange.state().atMs)
    await tab.give({ kind: 'hangUp', callId: CALL })
    pass(6_000)
    expect(seen()).toMatchObject({ with: name, heldSinceMs: null })
    expect(seen()?.wrapUp?.startedAtMs).toBeGreaterThan(0)
    expect([tab.view().watched, kester.view().watched]).toEqual([null, null])
  })

  test('what it does not understand is answered, not dropped', async () => {
    const tab = aTab((await aFloor()).exchange)
    for (const garbage of [{ kind: 'explode', requestId: 'x' }, 42, null, { kind: 'command', requestId: 'y', command: { kind: 'hold' } }]) tab.raw(garbage)
    await vi.waitFor(() => expect(tab.messages).toHaveLength(4), PATIENT)
    expect(tab.messages.map((m) => m.kind === 'reply' && !m.ok && m.refusal.reason)).toEqual(Array(4).fill('notUnderstood'))
    expect(tab.messages[0]).toMatchObject({ requestId: 'x' })
  })

  test('an outcome is on disk before the tab is told that it is saved', async () => {
    const slow = memoryStore()
    let release: (() => void) | null = null
    let held = false
    const store: KeyValue = {
      ...slow,
      set: async (key, value) => {
        if (held && key.startsWith('chunk/')) await new Promise<void>((resolve) => (release = resolve))
        await slow.set(key, value)
      },
    }
    const { tab, exchange } = await inCall({ store })
    await tab.give({ kind: 'hangUp', callId: CALL })
    await exchange.settled()
    held = true
    tab.raw({ kind: 'command', requestId: 'o', command: save('information') })
    const told = () => tab.messages.find((m) => m.kind === 'reply' && m.requestId === 'o')
    await vi.waitFor(() => expect(release).not.toBeNull(), PATIENT)
    expect(told()).toBeUndefined()
    held = false
    ;(release as (() => void) | null)?.()
    await vi.waitFor(() => expect(told()).toMatchObject({ ok: true, kept: true }), PATIENT)
    expect(JSON.stringify(await Promise.all((await slow.keys()).map((k) => slow.get(k))))).toContain('outcomeSaved')
  })

  test('a floor that is opened again goes on with the call, its answers and its notes, and states the gap', async () => {
    const store = memoryStore()
    const { tab, key, exchange, now } = await inCall({ store })
    await tab.give({ kind: 'answerScript', callId: CALL, field: 'speaking', value: 'booker' })
    await tab.give({ kind: 'draftNotes', callId: CALL, text: 'Half a sent', followUp: '' })
    await tab.give({ kind: 'hold', callId: CALL })
    const calls = tab.view().calls
    await exchange.settled()
    const again = await aFloor({ store, restored: await restore(store), startMs: now() + 4_000 })
    const back = aTab(again.exchange)
    await back.ask({ ...HELLO, key })
    expect(back.view().calls).toEqual(calls)
    expect(back.view().work[0]).toMatchObject({ notes: 'Half a sent', run: { answers: { speaking: 'booker' } } })
    expect(back.view().floor.notices.map((n) => n.says)).toEqual(['The floor was closed for 4 s and goes on where it was.'])
    expect((await back.give({ kind: 'retrieve', callId: CALL })).ok).toBe(true)
  })

  test('what nobody was there for is counted from when the floor was last there, and not from what happened last', async () => {
    const store = memoryStore()
    const { tab, key, exchange, now, pass, tryAgain } = await inCall({ store })
    await tab.give({ kind: 'goNotReady', reason: 'Break' })
    // Nothing happens for twenty minutes, and the floor is there.
    pass(20 * MINUTE)
    tryAgain()
    await exchange.settled()
    const again = await aFloor({ store, restored: await restore(store), startMs: now() + 8 * HOUR })
    const back = aTab(again.exchange)
    await back.ask({ ...HELLO, key })
    await again.exchange.settled()
    const chunks = await Promise.all((await store.keys()).filter((name) => name.startsWith('chunk/')).map((name) => store.get(name)))
    const [, gapMs] = /"floorResumed","gapMs":(\d+)/.exec(JSON.stringify(chunks).replaceAll('\\', '')) ?? []
    expect(Number(gapMs)).toBe(8 * HOUR)
    // What they are at has lasted as long as somebody was there.
    const { sinceMs } = back.view().me ?? { sinceMs: 0 }
    expect(again.exchange.state().atMs - sinceMs).toBeLessThan(30 * MINUTE)
  })

  test('a floor that is opened again has the stand-ins it had: the same callers say the same things', async () => {
    const store = memoryStore()
    const first = await aFloor({ store })
    await aTab(first.exchange).ask({ ...HELLO, world: { pace: 'quiet', seed: 41 } })
    await first.exchange.settled()
    const again = await aFloor({ store, restored: await restore(store), startMs: first.now() + 4_000 })
    await aTab(again.exchange).ask({ ...HELLO, world: null })
    expect(again.exchange.state().standIns).toEqual({ seed: 41, pace: 'quiet' })
    await again.exchange.settled()
    const chunks = await Promise.all((await store.keys()).filter((key) => key.startsWith('chunk/')).map((key) => store.get(key)))
    expect(JSON.stringify(chunks).match(/standInsBegan/g)).toHaveLength(1)
  })

  test('a seat is in one tab at a time: signed in at another one it can be moved, and the tab that had it is told', async () => {
    const { tab, key, exchange } = await inCall()
    const other = aTab(exchange)
    await other.ask(HELLO)
    await other.signIn(ELUNED)
    expect(other.view()).toMatchObject({ me: null, account: { shift: 'elsewhere' } })
    expect(await other.give({ kind: 'hangUp', callId: CALL })).toMatchObject({ ok: false, refusal: { reason: 'seatElsewhere' } })
    expect((await other.give({ kind: 'moveSeat' })).ok).toBe(true)
    expect(other.view().me?.state).toBe('onCall')
    expect(tab.view().me).toBeNull()
    expect(tab.view().seatMoved?.name).toBe('Eluned Tarnow')
    // A copy of the tab holds the key as well and does not get the seat.
    const copy = aTab(exchange)
    await copy.ask({ ...HELLO, key })
    expect(copy.view()).toMatchObject({ me: null, account: { shift: 'elsewhere' } })
  })

  test('a handset that closes while it is spoken through: music for the caller, and all as before when it opens again', async () => {
    const { tab, key, exchange } = await inCall()
    const open = async () => {
      const window = aTab(exchange)
      await window.ask({ ...HELLO, key, device: { is: 'handset', agentId: ELUNED } })
      return window
    }
    const handset = await open()
    await tab.give({ kind: 'chooseSoundPath', path: 'handset' })
    expect(tab.view().sound?.handset).toBe('idle')
    handset.detach()
    expect(tab.view().me?.soundLost?.why).toMatch(/handset cannot be reached/)
    const mine = () => tab.view().calls[0]?.call.connections.find((c) => c.party.kind === 'agent')?.state
    expect(mine()).toBe('held')
    await open()
    expect(tab.view().me?.soundLost).toBeNull()
    expect(mine()).toBe('connected')
  })

  test('a call is moved to a handset when that is lifted, and not at all when there is none', async () => {
    const { tab, key, exchange } = await inCall()
    const move: Ask = { kind: 'moveCall', callId: CALL, endpoint: 'handset' }
    expect(await tab.give(move)).toMatchObject({ ok: false, refusal: { reason: 'handsetUnreachable' } })
    const handset = aTab(exchange)
    await handset.ask({ ...HELLO, key, device: { is: 'handset', agentId: ELUNED } })
    expect((await tab.give(move)).ok).toBe(true)
    const endpoint = () => tab.view().calls[0]?.call.connections.find((c) => c.party.kind === 'agent')?.endpoint
    expect(endpoint()).toBe('computer')
    expect(handset.view().device?.state).toBe('ringing')
    await handset.ask({ kind: 'handset', act: 'lift' })
    expect(endpoint()).toBe('handset')
  })

  test('what was promised reaches every tab, and the do-not-call list is searched on the floor', async () => {
    const { exchange, tab: desk } = await inCall()
    const tab = aTab(exchange)
    await tab.ask(HELLO)
    await tab.signIn(LINNEA)
    const callback = { dueAtMs: Date.UTC(2026, 10, 25, 9), timeZone: 'Europe/London', typed: '', owner: 'mine' }
    expect((await desk.give(save('callback-agreed', { notes: 'Soon', callback }))).ok).toBe(true)
    expect(tab.view().callbacks).toMatchObject([{ ownerId: ELUNED, note: 'Soon', why: 'agreed', dialledBy: null }])
    const { revision } = tab.view().doNotCall
    await desk.give({ kind: 'setMute', muted: true })
    expect(tab.view().doNotCall.revision).toBe(revision)

    expect((await tab.give({ kind: 'addDoNotCall', entries: [{ whom: { person: 'Ida Holm' }, why: 'Asked us' }] })).ok).toBe(true)
    expect(tab.view().doNotCall).toEqual({ count: 1, revision: revision + 1 })
    const page = await tab.ask({ kind: 'doNotCall', search: 'ida', atMost: 10 })
    expect(page.ok && JSON.parse(page.text ?? '')).toMatchObject({ found: 1, entries: [{ whom: { person: 'Ida Holm' } }] })
  })

  test('a number that was struck names nobody any more: not who is dialled, and not who calls', async () => {
    const { exchange, tab, pass } = await inCall()
    const number = values(exchange.state().work)[0]?.number ?? ''
    expect((await tab.give(save('wrong-number'))).ok).toBe(true)
    await tab.give({ kind: 'hangUp', callId: CALL })
    pass(5_000)
    expect((await tab.give({ kind: 'makeCall', typed: number, customer: null })).ok).toBe(true)
    expect(tab.view().work[0]).toMatchObject({ number, customer: null })
  })
})

describe('“Ring me”', () => {
  test('rings at this desk, also while colleagues have been ready for longer', async () => {
    const { exchange } = await aFloor()
    const [kester, eluned] = [aTab(exchange), aTab(exchange)]
    for (const [tab, id] of [
      [kester, KESTER],
      [eluned, ELUNED],
    ] as const) {
      await tab.ask(HELLO)
      await tab.signIn(id)
      await tab.give(START)
      await tab.give({ kind: 'goReady' })
    }
    await eluned.ask(RING)
    expect(eluned.view().me?.state).toBe('ringing')
    expect(kester.view().me?.state).toBe('ready')
    // A caller into the queue rings at whoever is longest ready.
    await eluned.ask({ ...RING, kind: 'callerIntoQueue' })
    expect(kester.view().me?.state).toBe('ringing')
  })

  test('says what to do for whoever cannot be rung', async () => {
    const { exchange } = await aFloor()
    const tab = aTab(exchange)
    await tab.ask(HELLO)
    expect(await tab.ask(RING)).toMatchObject({ ok: false, refusal: { reason: 'notSignedIn' } })
    await tab.signIn(ELUNED)
    expect(await tab.ask(RING)).toMatchObject({ ok: false, refusal: { reason: 'notOnShift' } })
    await tab.give(START)
    expect(await tab.ask(RING)).toMatchObject({ ok: false, refusal: { reason: 'notReady', next: expect.stringContaining('Go ready') } })
    await tab.give({ kind: 'goReady' })
    expect((await tab.ask(RING)).ok).toBe(true)
    expect(await tab.ask(RING)).toMatchObject({ ok: false, refusal: { reason: 'callUnderWay' } })
  })
})
