// Strangers, secrets and rights: what a tab may do depends on whose port it is, and on nothing it says.
import { describe, expect, test } from 'vitest'
import { toAgentId } from '@/core/ids'
import { SAILINGS } from '@/world/scenario'
import type { MessagesPage, TabView } from './protocol'
import { aFloor, aTab, CALL, ELUNED, HELLO, inCall, KESTER, LINNEA, PIN, RING, START } from './testing'

describe('a stranger’s tab', () => {
  test('sees the door and nothing behind it', async () => {
    const { exchange } = await inCall()
    const stranger = aTab(exchange)
    await stranger.ask(HELLO)
    expect(Object.keys(stranger.view()).sort()).toEqual(['device', 'door', 'floor'])
    expect(stranger.view().door).toMatchObject({ centre: 'Fennholm Line', signedIn: null })
  })

  test.each([
    { says: 'a command', message: { kind: 'command', command: { kind: 'hangUp', callId: CALL } } },
    { says: 'a command in somebody’s name', message: { kind: 'command', command: { kind: 'endShift', agentId: ELUNED } } },
    { says: 'a preview', message: { kind: 'preview', command: { kind: 'hangUp', callId: CALL } } },
    { says: 'the set-up', message: { kind: 'setUp' } },
    { says: 'the ledger', message: { kind: 'ledger' } },
    { says: 'the history', message: { kind: 'history', afterSeq: 0, throughSeq: null } },
    { says: 'the do-not-call list', message: { kind: 'doNotCall', search: '', atMost: 9 } },
    { says: 'a mailbox', message: { kind: 'messages' } },
    { says: 'conferences', message: { kind: 'conferences' } },
    { says: 'a PIN set', message: { kind: 'setPin', agentId: ELUNED, pin: '1111', shown: PIN } },
    { says: 'the world steered', message: { kind: 'setPace', pace: 'storm' } },
    { says: 'a caller', message: RING },
  ])('is refused $says', async ({ message }) => {
    const { exchange } = await inCall()
    const stranger = aTab(exchange)
    await stranger.ask(HELLO)
    const before = exchange.state()
    expect(await stranger.ask(message)).toMatchObject({ ok: false, refusal: { reason: 'notSignedIn' } })
    expect(exchange.state()).toBe(before)
  })

  test.each(['', 'agent_eluned-tarnow', '0'.repeat(64)])('gets no seat by a key it made up: “%s”', async (key) => {
    const { exchange } = await inCall()
    const stranger = aTab(exchange)
    await stranger.ask({ ...HELLO, key })
    expect(stranger.view().door.signedIn).toBeNull()
  })

  test('may be no device of somebody who is not there, nor a handset of somebody else’s desk; and the floor opens to others', async () => {
    const { exchange } = await aFloor()
    const odd = aTab(exchange)
    expect(await odd.ask({ ...HELLO, device: { is: 'handset', agentId: toAgentId('agent_nobody') } })).toMatchObject({ ok: false })
    expect(await aTab(exchange).ask({ ...HELLO, device: { is: 'handset', agentId: ELUNED } })).toMatchObject({ ok: false, refusal: { reason: 'noDevice' } })
    expect(await aTab(exchange).ask({ ...HELLO, device: { is: 'ownPhone', agentId: toAgentId('agent_nobody') } })).toMatchObject({ ok: false })
    const next = aTab(exchange)
    expect((await next.ask(HELLO)).ok).toBe(true)
    expect(next.view().door.accounts.length).toBe(15)
  })
})

describe('an account', () => {
  test('acts as itself, whatever agent a command names', async () => {
    const { exchange, tab } = await inCall()
    const kester = aTab(exchange)
    await kester.ask(HELLO)
    await kester.signIn(KESTER)
    await kester.give(START)
    expect(await kester.ask({ kind: 'command', command: { kind: 'hangUp', callId: CALL, agentId: ELUNED } })).toMatchObject({ ok: false })
    expect(await kester.ask({ kind: 'command', command: { kind: 'endShift', agentId: ELUNED } })).toMatchObject({ ok: true })
    expect(tab.view().me?.state).toBe('onCall')
    expect(kester.view().me).toBeNull()
  })

  test.each([
    { says: 'the set-up', message: { kind: 'setUp' } },
    { says: 'the ledger as a file', message: { kind: 'ledger' } },
    { says: 'everybody’s history', message: { kind: 'history', afterSeq: 0, throughSeq: null } },
    { says: 'somebody else’s PIN', message: { kind: 'setPin', agentId: KESTER, pin: '1111', shown: PIN } },
    { says: 'a queue switched to storm', message: { kind: 'command', command: { kind: 'switchStorm', queueId: 'queue_sailings', on: true } } },
    { says: 'somebody off the do-not-call list', message: { kind: 'command', command: { kind: 'removeDoNotCall', whom: { person: 'Ida' }, why: 'x' } } },
  ])('of an agent is refused $says, with who can enable it', async ({ message }) => {
    const { tab } = await inCall()
    expect(await tab.ask(message)).toMatchObject({ ok: false, refusal: { reason: 'notEntitled', next: expect.stringContaining('Linnea Wickerby') } })
  })

  test('opens its own mailbox and those of its queues: of another’s it is told neither what is in it nor how much', async () => {
    const { exchange, pass } = await aFloor()
    const [eluned, kester, linnea] = [aTab(exchange), aTab(exchange), aTab(exchange)]
    for (const [tab, id] of [
      [eluned, ELUNED],
      [kester, KESTER],
      [linnea, LINNEA],
    ] as const) {
      await tab.ask(HELLO)
      await tab.signIn(id)
    }
    await linnea.ask({ kind: 'leaveMessage', box: { kind: 'agent', agentId: ELUNED } })
    await linnea.ask({ kind: 'leaveMessage', box: { kind: 'queue', queueId: SAILINGS } })
    pass(60_000)
    const opened = async (tab: typeof eluned): Promise<MessagesPage> => {
      const reply = await tab.ask({ kind: 'messages' })
      if (!reply.ok || reply.text === null) throw new Error('refused')
      return JSON.parse(reply.text)
    }
    const of = async (tab: typeof eluned) => (await opened(tab)).messages.map((m) => m.boxName).toSorted()
    expect(await of(eluned)).toEqual(['Eluned Tarnow', 'Sailings'])
    expect(await of(kester)).toEqual(['Sailings'])
    expect(await of(linnea)).toEqual(['Sailings'])
    const unheard = (tab: typeof eluned) => (tab.view() as unknown as TabView).voicemail.unheard
    expect([unheard(eluned), unheard(kester), unheard(linnea)]).toEqual([1, 0, 0])
    const own = (await opened(eluned)).messages.find((m) => m.boxName === 'Eluned Tarnow')
    const mark = { kind: 'command', command: { kind: 'markMessage', messageId: own?.id, heard: true } }
    for (const tab of [kester, linnea]) expect(await tab.ask(mark)).toMatchObject({ ok: false, refusal: { reason: 'notYourMailbox' } })
    // Nobody needs to be on shift for their own.
    expect(await eluned.ask(mark)).toMatchObject({ ok: true })
    expect([
      unheard(eluned),
      (await opened(linnea)).boxes.filter((b) => b.mayGreet).length > 1,
      (await opened(kester)).boxes.some((b) => b.box.kind === 'queue' && b.mayGreet),
    ]).toEqual([0, true, false])
  })

  test('lets a call be made for somebody else only with a PIN of their own', async () => {
    const { tab, exchange } = await inCall()
    await tab.give({ kind: 'saveOutcome', callId: CALL, code: 'information', notes: '', followUp: '', andThen: { state: 'notReady', reason: 'Break' } })
    await tab.give({ kind: 'hangUp', callId: CALL })
    await tab.give({ kind: 'endNow', callId: CALL })
    await tab.give({ kind: 'addDoNotCall', entries: [{ whom: { number: '+441632960150' }, why: 'Asked us' }] })
    const waiver = { agentId: LINNEA, why: 'She asked for this one.' }
    const call = (witness?: object) => tab.ask({ kind: 'command', command: { kind: 'makeCall', typed: '01632 960150', customer: null, waiver }, witness })
    expect(await call()).toMatchObject({ ok: false, refusal: { reason: 'noWitness' } })
    expect(await call({ agentId: LINNEA, pin: '0000' })).toMatchObject({ ok: false, refusal: { reason: 'wrongPin' } })
    // Who shows a PIN is who lets it be made, whatever the command says.
    expect(await call({ agentId: KESTER, pin: PIN })).toMatchObject({ ok: false, refusal: { reason: 'notEntitled' } })
    expect(await call({ agentId: LINNEA, pin: PIN })).toMatchObject({ ok: true })
    expect(JSON.stringify([...exchange.state().calls.values()])).toContain('+441632960150')
  })

  test('signs out only off shift, and leaves nothing in the tab and no key that opens', async () => {
    const { exchange } = await aFloor()
    const tab = aTab(exchange)
    await tab.ask(HELLO)
    const key = await tab.signIn(ELUNED)
    await tab.give(START)
    expect(await tab.ask({ kind: 'signOut' })).toMatchObject({ ok: false, refusal: { reason: 'stillOnShift' } })
    await tab.give({ kind: 'endShift' })
    expect((await tab.ask({ kind: 'signOut' })).ok).toBe(true)
    expect(tab.view().door.signedIn).toBeNull()
    expect(await tab.give({ kind: 'goReady' })).toMatchObject({ ok: false, refusal: { reason: 'notSignedIn' } })
    const next = aTab(exchange)
    await next.ask({ ...HELLO, key })
    expect(next.view().door.signedIn).toBeNull()
  })

  test('that is retired is signed out where it is open, and told why', async () => {
    const { exchange } = await aFloor()
    const [kester, owner] = [aTab(exchange), aTab(exchange)]
    for (const [tab, id] of [
      [kester, KESTER],
      [owner, LINNEA],
    ] as const) {
      await tab.ask(HELLO)
      await tab.signIn(id)
    }
    const { setUp } = exchange.state()
    const without = { ...setUp, agents: setUp.agents.map((a) => (a.id === KESTER ? { ...a, retired: true } : a)) }
    expect((await owner.give({ kind: 'changeSetUp', setUp: without })).ok).toBe(true)
    expect(kester.view().door).toMatchObject({ signedIn: null, because: expect.stringContaining('retired') })
  })
})

describe('PINs', () => {
  test('are slowed down: a thousand guesses are not to be had, and the right one is no way around the wait', async () => {
    const { exchange, setElapsed } = await aFloor()
    const tab = aTab(exchange)
    await tab.ask(HELLO)
    const guess = (pin: string) => tab.ask({ kind: 'signIn', agentId: ELUNED, pin })
    expect(await guess('0000')).toMatchObject({ refusal: { reason: 'wrongPin' } })
    expect(await guess('0001')).toMatchObject({ refusal: { reason: 'wrongPin' } })
    expect(await guess('0002')).toMatchObject({ refusal: { reason: 'tooManyTries' } })
    expect(await guess(PIN)).toMatchObject({ refusal: { reason: 'tooManyTries' } })
    // Guesses that come at once are counted one after the other, and another account is not kept waiting.
    const many = await Promise.all(Array.from({ length: 40 }, (_, i) => guess(String(5_000 + i))))
    expect(many.every((r) => !r.ok && r.refusal.reason === 'tooManyTries')).toBe(true)
    await tab.signIn(KESTER)
    setElapsed(6_000)
    expect((await guess(PIN)).ok).toBe(true)
  })

  test('are in no view, no ledger, no export, and kept only as hashes', async () => {
    const { exchange, store, tab } = await inCall()
    const owner = aTab(exchange)
    await owner.ask(HELLO)
    await owner.signIn(LINNEA)
    const NEW = '86420975'
    expect((await owner.ask({ kind: 'setPin', agentId: KESTER, pin: NEW, shown: PIN })).ok).toBe(true)
    await exchange.settled()
    const texts = [JSON.stringify(tab.messages), JSON.stringify(owner.messages)]
    for (const kind of ['setUp', 'ledger'] as const) {
      const reply = await owner.ask({ kind })
      texts.push(reply.ok ? (reply.text ?? '') : '')
    }
    for (const key of await store.keys()) texts.push(JSON.stringify(await store.get(key)))
    for (const text of texts) {
      expect(text).not.toMatch(/"pin":"/)
      expect(text).not.toContain(NEW)
    }
    const kester = aTab(exchange)
    await kester.ask(HELLO)
    expect((await kester.ask({ kind: 'signIn', agentId: KESTER, pin: PIN })).ok).toBe(false)
    expect((await kester.ask({ kind: 'signIn', agentId: KESTER, pin: NEW })).ok).toBe(true)
  })

  test.each(['12', '12345678901', 'abcd', '12 34'])('“%s” is none', async (pin) => {
    const { tab } = await inCall()
    expect(await tab.ask({ kind: 'setPin', agentId: ELUNED, pin, shown: PIN })).toMatchObject({ ok: false, refusal: { reason: 'pinNotDigits' } })
  })
  test.each(['0000', ''])('is given to nobody by a page that was left open: “%s” is not the PIN of whoever is signed in', async (shown) => {
    const { exchange, tab } = await inCall()
    const owner = aTab(exchange)
    await owner.ask(HELLO)
    await owner.signIn(LINNEA)
    for (const [of, agentId] of [
      [tab, ELUNED],
      [owner, LINNEA],
      [owner, KESTER],
    ] as const)
      expect(await of.ask({ kind: 'setPin', agentId, pin: '4711', shown })).toMatchObject({ ok: false, refusal: { reason: 'wrongPin' } })
    const door = aTab(exchange)
    await door.ask(HELLO)
    for (const agentId of [ELUNED, LINNEA, KESTER]) expect(await door.ask({ kind: 'signIn', agentId, pin: '4711' })).toMatchObject({ ok: false })
    // Its tries are those of the door: whoever guesses here waits.
    for (let i = 0; i < 3; i++) await owner.ask({ kind: 'setPin', agentId: KESTER, pin: '4711', shown: '9999' })
    expect(await owner.ask({ kind: 'setPin', agentId: KESTER, pin: '4711', shown: PIN })).toMatchObject({ ok: false, refusal: { reason: 'tooManyTries' } })
  })
})
