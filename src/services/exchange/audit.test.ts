// Who did what: noted by the floor as it happens, chained so that a change anywhere is found and named, read by whoever keeps the set-up.
import { describe, expect, test } from 'vitest'
import { type KeyValue, memoryStore } from '@/services/storage'
import { type AuditPage, createAudit } from './audit'
import { checkEverything } from './check'
import { aTab, ELUNED, inCall, KESTER, LINNEA, PATIENT, PIN } from './testing'

describe('what is done', PATIENT, () => {
  test('stands there with who did it: signed in, refused, rights changed, exported, listened to, looked up, forgotten', async () => {
    const { exchange, tab, owner, audit } = await anOwner()
    expect(await owner.ask({ kind: 'signIn', agentId: KESTER, pin: '0000' })).toMatchObject({ ok: false })
    const { setUp } = exchange.state()
    const agents = setUp.agents.map((a) => (a.id === KESTER ? { ...a, may: [...a.may, 'supervision' as const] } : a))
    expect(await owner.give({ kind: 'changeSetUp', setUp: { ...setUp, agents } })).toMatchObject({ ok: true })
    await owner.ask({ kind: 'setPin', agentId: KESTER, pin: '8861', shown: PIN })
    await owner.ask({ kind: 'ledger' })
    await owner.ask({ kind: 'findKept', sought: { numbers: ['+441632960112'], addresses: [], names: [] } })
    await tab.ask({ kind: 'did', what: 'recordingPlayed', about: 'rec_call_t_1_9' })
    // Refused, it was not done.
    expect(await tab.ask({ kind: 'audit', atMost: 9 })).toMatchObject({ ok: false, refusal: { reason: 'notEntitled' } })
    const { records, count, broken } = await audit()
    expect(records.toReversed().map((r) => [r.what, r.byAgentId, r.about])).toEqual([
      ['signedIn', ELUNED, ''],
      ['signedIn', LINNEA, ''],
      ['signInRefused', KESTER, ''],
      ['setUpChanged', LINNEA, ''],
      ['rightsChanged', LINNEA, KESTER],
      ['pinSet', LINNEA, KESTER],
      ['ledgerExported', LINNEA, ''],
      ['lookedUp', LINNEA, ''],
      ['recordingPlayed', ELUNED, 'rec_call_t_1_9'],
    ])
    expect([count, broken]).toEqual([9, null])
  })
})

describe('the chain', () => {
  /** Five records, as another worker finds them. */
  async function aChain() {
    const store = memoryStore()
    const audit = createAudit(store, () => 1_800_000_000_000)
    for (let i = 0; i < 5; i++) await audit.note('signedIn', ELUNED, `${i}`)
    return store
  }
  const page = (store: KeyValue): Promise<AuditPage> => createAudit(store, () => 0).page(99)
  const key = (no: number) => `audit/${String(no).padStart(9, '0')}`

  test('goes on in the next worker, and over a write that was refused', async () => {
    const inner = await aChain()
    let refuses = true
    const store: KeyValue = { ...inner, set: (k, v) => (refuses ? Promise.reject(new Error('full')) : inner.set(k, v)) }
    const audit = createAudit(store, () => 1_800_000_000_001)
    await expect(audit.note('exported', LINNEA, 'calls.csv')).rejects.toThrow('full')
    refuses = false
    await audit.note('exported', LINNEA, 'work.ndjson')
    const { records, broken } = await page(store)
    expect(records.map((r) => r.about)).toEqual(['work.ndjson', 'calls.csv', '4', '3', '2', '1', '0'])
    expect(broken).toBeNull()
  })

  test.each([
    ['a letter of a record', async (s: KeyValue) => s.set(key(3), { ...((await s.get(key(3))) as object), about: '7' }), 'record 4 '],
    ['who did it', async (s: KeyValue) => s.set(key(1), { ...((await s.get(key(1))) as object), byAgentId: KESTER }), 'record 2 '],
    ['the newest record', async (s: KeyValue) => s.set(key(5), { ...((await s.get(key(5))) as object), atMs: 1 }), 'the newest record'],
    ['a record taken out', (s: KeyValue) => s.remove(key(2)), 'record 2 '],
    ['the last one taken off', (s: KeyValue) => s.remove(key(5)), 'the newest record'],
    ['a record put in', async (s: KeyValue) => s.set(key(6), { ...((await s.get(key(5))) as object), no: 6 }), 'record 6 '],
    [
      'two of them changed round',
      async (s: KeyValue) => {
        const [two, three] = [await s.get(key(2)), await s.get(key(3))]
        await s.set(key(2), three)
        await s.set(key(3), two)
      },
      'record 2 ',
    ],
  ])('%s is found', async (_, change, says) => {
    const store = await aChain()
    expect((await page(store)).broken).toBeNull()
    await change(store)
    expect((await page(store)).broken).toMatch(says)
  })
})

test('everything is gone through: whole when it is, and each thing that is not as it was written is named', PATIENT, async () => {
  const { exchange, store, owner } = await anOwner()
  await exchange.settled()
  const check = async () => {
    const reply = await owner.ask({ kind: 'checkEverything' })
    if (!reply.ok) throw new Error(reply.refusal.says)
    return JSON.parse(reply.text ?? '') as Awaited<ReturnType<typeof checkEverything>>
  }
  const { whole, damaged } = await check()
  expect(damaged).toEqual([])
  expect(whole[0]).toMatch(/^\d+ entries of the ledger$/)
  await exchange.settled()
  const keys = (await store.keys()).toSorted()
  // A letter of every text that is stored of the ledger and of the audit, one after the other.
  const places = keys.filter((k) => /^(chunk|audit)\//.test(k))
  expect(places.length).toBeGreaterThan(8)
  for (const key of places) {
    const kept = await store.get(key)
    await store.set(
      key,
      JSON.parse(JSON.stringify(kept).replace(/(at[A-Za-z]*Ms\\?":\d*)(\d)/, (_all, before: string, digit: string) => `${before}${(Number(digit) + 1) % 10}`)),
    )
    const found = await checkEverything(
      store,
      createAudit(store, () => 0),
    )
    expect(found.damaged.length, key).toBeGreaterThan(0)
    expect(found.damaged.join(), key).toMatch(key.startsWith('chunk/') ? `${Number(key.slice('chunk/'.length).split('-')[0])}` : /record/)
    await store.set(key, kept)
  }
  expect(
    (
      await checkEverything(
        store,
        createAudit(store, () => 0),
      )
    ).damaged,
  ).toEqual([])
})

async function anOwner() {
  const floor = await inCall()
  const owner = aTab(floor.exchange)
  await owner.ask({ kind: 'hello', key: null, world: null })
  await owner.signIn(LINNEA)
  const audit = async () => {
    const reply = await owner.ask({ kind: 'audit', atMost: 99 })
    if (!reply.ok) throw new Error(reply.refusal.says)
    return JSON.parse(reply.text ?? '') as AuditPage
  }
  return { ...floor, owner, audit }
}
