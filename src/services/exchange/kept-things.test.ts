// What accounts and the centre keep: whose it is, how long it lasts, and how much of it there may be.
import { expect, test } from 'vitest'
import { memoryStore } from '@/services/storage'
import { createKeptThings, MOST_KEPT } from './kept-things'
import { restore } from './store'
import { aFloor, aTab, ELUNED, inCall, KESTER, LINNEA, PATIENT } from './testing'

test('of one’s own nobody else has it, of the centre who answers for the floor; it is there when the floor is opened again', PATIENT, async () => {
  const store = memoryStore()
  const { tab, exchange } = await inCall({ store })
  const signedIn = async (its: typeof exchange, id: typeof ELUNED) => {
    const one = aTab(its)
    await one.ask({ kind: 'hello', key: null, world: null })
    await one.signIn(id)
    return one
  }
  const owner = await signedIn(exchange, LINNEA)
  const of = (own: 'own' | 'centre', name: string) => ({ kind: 'keptThing', of: own, name })
  expect(await tab.ask({ kind: 'keepThing', of: 'own', name: 'breakdowns', text: '[1]' })).toMatchObject({ ok: true })
  expect(await owner.ask({ kind: 'keepThing', of: 'own', name: 'breakdowns', text: '[2]' })).toMatchObject({ ok: true })
  expect(await owner.ask({ kind: 'keepThing', of: 'centre', name: 'plan of 2026-12-03', text: '{}' })).toMatchObject({ ok: true })
  for (const kind of ['keptThing', 'keepThing'])
    expect(await tab.ask({ kind, of: 'centre', name: 'plan of 2026-12-03', text: 'mine' })).toMatchObject({ ok: false, refusal: { reason: 'notEntitled' } })
  await exchange.settled()

  const next = await aFloor({ store, restored: await restore(store), isNew: false })
  const [agent, other, boss] = [await signedIn(next.exchange, ELUNED), await signedIn(next.exchange, KESTER), await signedIn(next.exchange, LINNEA)]
  expect(await agent.ask(of('own', 'breakdowns'))).toMatchObject({ text: '[1]' })
  expect(await other.ask(of('own', 'breakdowns'))).toMatchObject({ text: null })
  expect(await boss.ask(of('own', 'breakdowns'))).toMatchObject({ text: '[2]' })
  expect(await boss.ask(of('centre', 'plan of 2026-12-03'))).toMatchObject({ text: '{}' })
  expect(await boss.ask({ kind: 'keepThing', of: 'centre', name: 'plan of 2026-12-03', text: null })).toMatchObject({ ok: true })
  expect(await boss.ask(of('centre', 'plan of 2026-12-03'))).toMatchObject({ text: null })
})

test('there may be so many, and one that is there is kept anew', async () => {
  const things = createKeptThings(memoryStore())
  for (let i = 0; i < MOST_KEPT; i++) expect(await things.set('own', ELUNED, `thing ${i}`, 'x')).toBe(true)
  expect(await things.set('own', ELUNED, 'one more', 'x')).toBe(false)
  expect(await things.set('own', ELUNED, 'thing 7', 'y')).toBe(true)
  expect(await things.set('own', KESTER, 'one more', 'x')).toBe(true)
  await things.set('own', ELUNED, 'thing 9', null)
  expect(await things.set('own', ELUNED, 'one more', 'x')).toBe(true)
  expect([await things.get('own', ELUNED, 'thing 7'), await things.get('own', ELUNED, 'thing 9')]).toEqual(['y', null])
})
