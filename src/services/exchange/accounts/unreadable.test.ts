// Secrets that cannot be read open nothing, least of all with PINs everybody knows.
import { describe, expect, test } from 'vitest'
import { toAgentId } from '@/core/ids'
import { type KeyValue, memoryStore } from '@/services/storage'
import { makePinSecret, openAccounts } from '.'

const IDA = toAgentId('agent_ida')
const PUBLISHED = await makePinSecret('2417', 10)
const OWN = '86420'

const open = (store: KeyValue, isNew = false) =>
  openAccounts({ store, now: () => 0, initial: new Map([[IDA, PUBLISHED]]), found: new Map(), isNew, rounds: 10 })

/** A centre whose account has a PIN of its own by now. */
async function kept() {
  const store = memoryStore()
  const accounts = await open(store, true)
  expect((await accounts.verify(IDA, '2417')).ok).toBe(true)
  await accounts.setPin(IDA, OWN)
  return store
}
const opens = async (store: KeyValue) => {
  const accounts = await open(store)
  return { published: (await accounts.verify(IDA, '2417')).ok, own: (await accounts.verify(IDA, OWN)).ok, unreadable: accounts.unreadable() }
}

describe('a centre that is there already', () => {
  test('goes on with its own PINs', async () => {
    expect(await opens(await kept())).toEqual({ published: false, own: true, unreadable: false })
  })

  test('does not open while its store says no', async () => {
    const store = await kept()
    const refuses: KeyValue = { ...store, get: () => Promise.reject(new Error('the disk says no')) }
    await expect(open(refuses)).rejects.toThrow('the disk says no')
    expect(await opens(store)).toMatchObject({ own: true })
  })

  test.each(['secrets', 'secrets copy'])('loses nothing with one of its two copies: %s', async (key) => {
    for (const spoil of [(s: KeyValue) => s.remove(key), (s: KeyValue) => s.set(key, { pins: 'torn' })]) {
      const store = await kept()
      await spoil(store)
      expect(await opens(store)).toEqual({ published: false, own: true, unreadable: false })
    }
  })

  test.each([null, { pins: 'torn' }])('with both of them %j opens to nobody, until its owner is given a new PIN, once', async (instead) => {
    const store = await kept()
    for (const key of ['secrets', 'secrets copy']) await (instead === null ? store.remove(key) : store.set(key, instead))
    expect(await opens(store)).toEqual({ published: false, own: false, unreadable: true })
    const accounts = await open(store)
    expect(await accounts.verify(IDA, OWN)).toEqual({ ok: false, refusal: { reason: 'pinsUnreadable' } })
    const pin = (await accounts.renew([IDA]))?.get(IDA) ?? ''
    expect(pin).toMatch(/^\d{8}$/)
    expect(await accounts.renew([IDA])).toBeNull()
    expect((await accounts.verify(IDA, pin)).ok).toBe(true)
    expect((await (await open(store)).verify(IDA, pin)).ok).toBe(true)
    expect(await opens(store)).toEqual({ published: false, own: false, unreadable: false })
  })
})
