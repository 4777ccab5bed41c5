import { describe, expect, test } from 'vitest'
import { toAgentId } from '@/core/ids'
import { type Contact, ContactSchema, type Viewer } from '@/core/people'
import { SMALL } from '@/core/testing'
import { type KeyValue, memoryStore } from '@/services/storage'
import { atEveryWrite } from '@/services/storage/testing'
import { createPeople, openPeople, type PeopleAsked } from '.'

const ANN: Viewer = { id: toAgentId('agent_ann'), keepsShared: true }
const BO: Viewer = { id: toAgentId('agent_bo'), keepsShared: false }
const contact = (n: number, more: Partial<Contact> = {}): Contact => ContactSchema.parse({ id: `contact_${n}`, name: `Person ${n}`, ...more })
const EVERYBODY: PeopleAsked = { search: '', group: 'shared', sort: 'name', descending: false, from: 0, atMost: 100, recent: [] }

const open = async (store: KeyValue, initial: readonly Contact[] = []) =>
  createPeople({ kept: await openPeople(store), initial, homeCountry: () => 'GB', accounts: () => SMALL.agents })
const names = (people: Awaited<ReturnType<typeof open>>, asked: Partial<PeopleAsked> = {}, who = ANN) =>
  people.find(who, { ...EVERYBODY, ...asked }).rows.map((r) => r.name)

/** Storage that is slow, and says no as long as it is told to. */
function slow() {
  const disk = memoryStore()
  const state = { refuses: false }
  const store: KeyValue = {
    ...disk,
    set: async (key, value) => {
      // What is put in is what it was at that moment, as in a browser.
      const copy = structuredClone(value)
      await Promise.resolve()
      if (state.refuses) throw new DOMException('the disk is full', 'QuotaExceededError')
      await disk.set(key, copy)
    },
  }
  return { disk, store, state }
}

describe('the book of people on disk', () => {
  test('changes that come faster than they are written are all there when it is opened again', async () => {
    const { disk, store } = slow()
    const people = await open(store)
    const all = Array.from({ length: 200 }, (_, n) => contact(n))
    const kept = await Promise.all(all.map((c) => people.change(ANN, { puts: [c], removes: [] })))
    expect(kept.every((k) => k.ok && k.kept)).toBe(true)
    await people.change(ANN, { puts: [], removes: all.slice(0, 150).map((c) => c.id) })
    expect(names(await open(disk)).length).toBe(50)
  })

  test('refused, it is said, and written with the next change; what begins the book is put into it once', async () => {
    const { disk, store, state } = slow()
    const people = await open(store, [contact(1)])
    await people.change(ANN, { puts: [contact(2)], removes: [] })
    state.refuses = true
    expect(await people.change(ANN, { puts: [contact(3)], removes: [] })).toMatchObject({ ok: true, kept: false })
    expect(names(people)).toHaveLength(3)
    expect(names(await open(disk, [contact(1)]))).toHaveLength(2)
    state.refuses = false
    await people.change(ANN, { puts: [], removes: [contact(1).id] })
    expect(names(await open(disk, [contact(1)]))).toEqual(['Person 2', 'Person 3'])
  })

  test('favourites and the number that is called are each account’s own, and outlast the worker', async () => {
    const store = memoryStore()
    const people = await open(store, [
      contact(1, {
        numbers: [
          { kind: 'work', number: '+441' },
          { kind: 'mobile', number: '+442' },
        ],
      }),
    ])
    await people.own(ANN.id, () => ({ favourites: [contact(1).id], usual: { contact_1: '+442' } }))
    const again = await open(store)
    expect(again.find(ANN, EVERYBODY).rows).toMatchObject([{ isFavourite: true, usualNumber: '+442' }])
    expect(again.find(BO, EVERYBODY).rows).toMatchObject([{ isFavourite: false, usualNumber: null }])
    expect(names(again, { group: 'favourites' })).toEqual(['Person 1'])
    expect(names(again, { group: 'favourites' }, BO)).toEqual([])
  })
})

describe('what a tab is shown', () => {
  test('colleagues but for oneself, by team, with counts; numbers of a file are read, and whom they may be is said', async () => {
    const people = await open(memoryStore(), [contact(1, { group: 'Ports', numbers: [{ kind: 'work', number: '+441632960112' }] }), contact(2)])
    const { groups, rows } = people.find(BO, { ...EVERYBODY, group: 'everybody' })
    expect(rows.map((r) => r.name)).not.toContain('Bo')
    expect(groups.find((g) => g.key === 'group:Ports')?.count).toBe(1)
    expect(groups.find((g) => g.key === 'colleagues')?.count).toBe(rows.filter((r) => r.isColleague).length)
    const [checked] = people.check(BO, [
      {
        ...contact(9),
        name: 'Somebody',
        numbers: [
          { kind: 'home', number: '(01632) 960-112' },
          { kind: 'work', number: '01632 960112' },
        ],
      },
    ])
    expect(checked).toMatchObject({ contact: { numbers: [{ kind: 'home', number: '+441632960112' }] }, duplicates: [{ name: 'Person 1' }] })
    expect(people.whose(BO, ['+441632960112', '+440'])).toMatchObject({ '+441632960112': { name: 'Person 1' } })
    expect(names(people, { group: 'recent', recent: ['+441632960112'] }, BO)).toEqual(['Person 1'])
  })
})

test('whichever write of it dies or is refused: who was kept is there, nobody is there by halves, and the book goes on', async () => {
  const writes = await atEveryWrite(
    async (store, done) => {
      const people = await open(store)
      for (let n = 0; n < 12; n++) {
        const reply = await people.change(ANN, { puts: [contact(n), contact(100 + n)], removes: n > 3 ? [contact(n - 3).id] : [] })
        if (!reply.ok || !reply.kept) continue
        // What was refused before is written with it.
        done.kept = n + 1
      }
      done.own = await people.own(ANN.id, () => ({ favourites: [contact(11).id], usual: {} }))
    },
    () => ({ kept: 0, own: false }),
    async (disk, done, where) => {
      const again = await open(disk)
      const there = new Set(names(again))
      for (let n = 0; n < done.kept; n++) expect(there.has(`Person ${100 + n}`), `${where}: ${n}`).toBe(true)
      for (let n = 1; n < done.kept - 3; n++) expect(there.has(`Person ${n}`), `${where}: ${n} was removed`).toBe(false)
      if (done.own && done.kept === 12) expect(names(again, { group: 'favourites' }), where).toEqual(['Person 11'])
      await again.change(ANN, { puts: [contact(777)], removes: [] })
      expect(names(await open(disk)), where).toContain('Person 777')
    },
  )
  expect(writes).toBeGreaterThan(30)
})
