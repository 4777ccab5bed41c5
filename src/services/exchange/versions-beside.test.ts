// A page of a new version beside the worker of an old one.
import { expect, test } from 'vitest'
import { restore } from './store'
import { aFloor, aTab, BUILT_AT_MS, CALL, ELUNED, HELLO, inCall } from './testing'

const newer = { ...HELLO, builtAtMs: BUILT_AT_MS + 1 }
const reopens = (tab: ReturnType<typeof aTab>) => tab.messages.some((m) => m.kind === 'reopens')

test('the floor is handed over once everything is kept, every page goes there, and the call goes on', async () => {
  const floor = await inCall({ isOtherServed: () => true })
  const page = aTab(floor.exchange)
  await page.ask(newer)
  await expect.poll(() => [reopens(page), reopens(floor.tab)]).toEqual([true, true])
  floor.tryAgain()
  expect(floor.ended()).toBe(1)
  const next = await aFloor({ store: floor.store, restored: await restore(floor.store), isNew: false })
  const back = aTab(next.exchange)
  await back.ask({ ...HELLO, key: floor.key })
  expect(back.view().door.signedIn).toBe(ELUNED)
  expect(await back.give({ kind: 'hold', callId: CALL })).toMatchObject({ ok: true })
})

test.each([
  { says: 'a page of the same version', builtAtMs: BUILT_AT_MS, isOtherServed: () => true },
  { says: 'a page of the one before', builtAtMs: BUILT_AT_MS - 1, isOtherServed: () => true },
  { says: 'a page that claims to be newer, where nothing else is served', builtAtMs: 9e15, isOtherServed: () => false },
])('$says ends nothing, however often it comes', async ({ builtAtMs, isOtherServed }) => {
  let asked = 0
  const floor = await inCall({
    isOtherServed: () => {
      asked++
      return isOtherServed()
    },
  })
  for (let i = 0; i < 20; i++) {
    const page = aTab(floor.exchange)
    await page.ask({ ...HELLO, builtAtMs })
    expect(reopens(page)).toBe(false)
    page.detach()
  }
  floor.tryAgain()
  expect([floor.ended(), asked <= 1]).toEqual([0, true])
})

test('what is not kept is not handed over: it would be gone', async () => {
  const floor = await inCall({ isOtherServed: () => true })
  floor.store.set = () => Promise.reject(new Error('the disk is full'))
  await floor.tab.give({ kind: 'hold', callId: CALL })
  const page = aTab(floor.exchange)
  await page.ask(newer)
  await floor.exchange.settled()
  floor.tryAgain()
  expect([floor.ended(), reopens(page)]).toEqual([0, false])
})
