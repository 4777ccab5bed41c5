// A floor that is closed in the middle of its ordinary life and opened again, and one that finds something in its ledger that it cannot read.
import { isDeepStrictEqual } from 'node:util'
import { describe, expect, test } from 'vitest'
import { MINUTE } from '@/core/time'
import { type KeyValue, memoryStore } from '@/services/storage'
import { restore } from './store'
import { aFloor, aTab, CALL, ELUNED, HELLO, inCall, LINNEA, START } from './testing'

test('a storm day beside a person, chats and mails included: whenever it is closed, what is opened is what was there', async () => {
  const store = memoryStore()
  const { exchange, pass } = await aFloor({ store, startMs: Date.UTC(2026, 10, 24, 10, 40) })
  const tab = aTab(exchange)
  await tab.ask({ ...HELLO, world: { pace: 'storm', seed: 7 } })
  await tab.signIn(ELUNED)
  await tab.give(START)
  await tab.give({ kind: 'goReady' })
  for (let i = 0; i < 25; i++) {
    pass(2 * MINUTE)
    expect(await exchange.settled()).toBe(true)
    const { state, damage } = await restore(store)
    expect(damage).toBeNull()
    if (!isDeepStrictEqual(state, exchange.state())) expect(state).toEqual(exchange.state())
  }
  expect(exchange.state().threads.size).toBeGreaterThan(0)
  expect(exchange.state().seq).toBeGreaterThan(1_500)
})

describe('what was set aside is read again', () => {
  const newest = async (store: KeyValue) =>
    (await store.keys())
      .filter((k) => k.startsWith('chunk/'))
      .toSorted()
      .at(-1) as string
  /** Eluned's call, whose notes are in a line that says something no version knows. */
  async function spoilt() {
    const store = memoryStore()
    const { tab, exchange } = await inCall({ store })
    await tab.give({ kind: 'draftNotes', callId: CALL, text: 'Two adults and a dog', followUp: '' })
    await exchange.settled()
    const key = await newest(store)
    await store.set(key, JSON.parse(JSON.stringify(await store.get(key)).replace('notesDrafted', 'notesDreamt')))
    const restored = await restore(store)
    const opened = await aFloor({ store, restored })
    const owner = aTab(opened.exchange)
    await owner.ask({ kind: 'hello', key: null, world: null })
    await owner.signIn(LINNEA)
    return { store, owner, opened, notes: () => opened.exchange.state().work.get(CALL)?.notes }
  }

  test('by whoever answers for the floor, and said to be impossible as long as it is', async () => {
    const { owner, opened, notes } = await spoilt()
    expect(owner.view().floor.notices).toMatchObject([{ id: 'damaged', offersDamaged: true, says: expect.stringContaining('1 event is left out') }])
    expect([notes(), opened.exchange.state().calls.has(CALL)]).toEqual(['', true])
    const stranger = aTab(opened.exchange)
    expect(await stranger.ask({ kind: 'readAgain' })).toMatchObject({ ok: false, refusal: { reason: 'notSignedIn' } })
    expect(await owner.ask({ kind: 'readAgain' })).toMatchObject({
      ok: false,
      refusal: { reason: 'stillUnreadable', says: expect.stringContaining('cannot be read by this version either') },
    })
    expect(opened.ended()).toBe(0)
  })

  test('once a version can: the floor ends, tabs go to the one that opens, and it is there', async () => {
    const { store, owner, opened } = await spoilt()
    await store.set('damaged', JSON.parse(JSON.stringify(await store.get('damaged')).replace('notesDreamt', 'notesDrafted')))
    expect(await owner.ask({ kind: 'readAgain' })).toMatchObject({ ok: true })
    opened.tryAgain()
    expect([owner.messages.some((m) => m.kind === 'reopens'), opened.ended()]).toEqual([true, 1])
    const restored = await restore(store)
    expect(restored).toMatchObject({ damage: null, cameBack: 1 })
    expect(restored.state?.work.get(CALL)?.notes).toBe('Two adults and a dog')
  })
})
