// A page that is left alone is locked; what goes on there goes on.
import { expect, test } from 'vitest'
import { KEY_LASTS_MS } from './accounts'
import { EVERY_MS } from './pulse'
import { aTab, CALL, ELUNED, HELLO, inCall, LINNEA, PIN } from './testing'

const LOCKS_AFTER_MS = 15 * 60_000
const ROUNDS = LOCKS_AFTER_MS / EVERY_MS
type InCall = Awaited<ReturnType<typeof inCall>>
/** Rounds of the pulse: each sets the next. */
const rounds = ({ tryAgain }: Pick<InCall, 'tryAgain'>, count: number) => {
  for (let i = 0; i < count; i++) tryAgain()
}
const hold = (tab: InCall['tab']) => tab.give({ kind: 'hold', callId: CALL })

test('untouched for as long as the centre allows it is locked, its call goes on, and nothing is done there until the PIN is shown', async () => {
  const floor = await inCall()
  const { tab, exchange } = floor
  rounds(floor, ROUNDS - 1)
  expect(tab.view().door.locked).toBe(false)
  rounds(floor, 1)
  expect(tab.view().door.locked).toBe(true)
  expect(tab.view().me?.state).toBe('onCall')
  const { seq } = exchange.state()
  expect(await hold(tab)).toMatchObject({ ok: false, refusal: { reason: 'locked' } })
  for (const kind of ['setUp', 'messages', 'conferences', 'expectPhone', 'touch'])
    expect(await tab.ask({ kind })).toMatchObject({ refusal: { reason: 'locked' } })
  expect(exchange.state().seq).toBe(seq)
  // What the page does by itself for the call is no act of whoever stands there.
  expect(await tab.give({ kind: 'reportSoundLost', why: 'unplugged' })).toMatchObject({ ok: true })
  expect(await tab.ask({ kind: 'unlock', pin: '0000' })).toMatchObject({ ok: false, refusal: { reason: 'wrongPin' } })
  expect(tab.view().door.locked).toBe(true)
  expect(await tab.ask({ kind: 'unlock', pin: PIN })).toMatchObject({ ok: true })
  expect(tab.view().door.locked).toBe(false)
  rounds(floor, ROUNDS - 1)
  expect(tab.view().door.locked).toBe(false)
})

test('the history and the lists are told whose page it is once it is open again, and that it is nobody’s when they sign out meanwhile', async () => {
  const { exchange } = await inCall()
  const tab = aTab(exchange)
  await tab.ask(HELLO)
  await tab.signIn(LINNEA)
  const end = tab.forHistory()
  const theirs = { id: LINNEA, everybody: true }
  expect(await end.account()).toEqual(theirs)
  for (const then of ['unlocked', 'signed out'] as const) {
    await tab.ask({ kind: 'lock' })
    let said: unknown = 'nothing'
    const asked = end.account().then((whose) => {
      said = whose
    })
    // Anything else that was asked after it has been answered by then.
    expect(await tab.ask({ kind: 'messages' })).toMatchObject({ refusal: { reason: 'locked' } })
    expect(said).toBe('nothing')
    await (then === 'unlocked' ? tab.ask({ kind: 'unlock', pin: PIN }) : tab.ask({ kind: 'signOut' }))
    await asked
    expect(said).toEqual(then === 'unlocked' ? theirs : null)
  }
})

test('whoever touches it is there; whoever was locked out is so after a reload as well, and guesses are slowed down', async () => {
  const floor = await inCall()
  const { tab, exchange, key } = floor
  for (let i = 0; i < 3; i++) {
    rounds(floor, ROUNDS - 1)
    expect(await tab.ask({ kind: 'touch' })).toMatchObject({ ok: true })
  }
  expect(tab.view().door.locked).toBe(false)
  await tab.ask({ kind: 'lock' })
  tab.detach()
  const again = aTab(exchange)
  await again.ask({ ...HELLO, key })
  expect(again.view().door).toMatchObject({ signedIn: ELUNED, locked: true })
  expect(await hold(again as InCall['tab'])).toMatchObject({ refusal: { reason: 'locked' } })
  const refused = []
  for (const pin of ['0001', '0002', '0003', PIN]) {
    const reply = await again.ask({ kind: 'unlock', pin })
    refused.push(reply.ok ? 'ok' : reply.refusal.reason)
  }
  expect(refused).toEqual(['wrongPin', 'wrongPin', 'tooManyTries', 'tooManyTries'])
})

test('a handset is not locked, nobody’s tab is not, and where the centre says never none is', async () => {
  const floor = await inCall()
  const { exchange, key } = floor
  const [handset, stranger, owner] = [aTab(exchange), aTab(exchange), aTab(exchange)]
  await handset.ask({ ...HELLO, key, device: { is: 'handset', agentId: ELUNED } })
  await stranger.ask(HELLO)
  await owner.ask(HELLO)
  await owner.signIn(LINNEA)
  rounds(floor, ROUNDS)
  expect([handset, stranger, owner].map((t) => t.view().door.locked)).toEqual([false, false, true])
  await owner.ask({ kind: 'unlock', pin: PIN })
  const { setUp, setUpSeq } = exchange.state()
  expect(await owner.give({ kind: 'changeSetUp', setUp: { ...setUp, lockAfterMs: null }, basedOn: setUpSeq })).toMatchObject({ ok: true })
  rounds(floor, 3 * ROUNDS)
  expect(owner.view().door.locked).toBe(false)
})

test('a key that was not used for a day’s work opens nothing; one that is in use lasts', async () => {
  const floor = await inCall()
  const { tab, exchange, key, pass } = floor
  pass(KEY_LASTS_MS - 1)
  await tab.ask({ kind: 'touch' })
  pass(KEY_LASTS_MS - 1)
  const copy = aTab(exchange)
  await copy.ask({ ...HELLO, key })
  expect(copy.view().door.signedIn).toBe(ELUNED)
  pass(KEY_LASTS_MS)
  const late = aTab(exchange)
  await late.ask({ ...HELLO, key })
  expect(late.view().door.signedIn).toBeNull()
})
