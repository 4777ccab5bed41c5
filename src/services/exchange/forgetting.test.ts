// Having somebody forgotten, as whoever answers for the floor asks for it: nothing that is stored names them, also where the worker ends in the middle of it.
import { describe, expect, test } from 'vitest'
import { FORGOTTEN } from '@/core/forgotten'
import { type AgentId, toCallId } from '@/core/ids'
import { createLedgerFolder, parseEntry } from '@/core/ledger'
import { get } from '@/core/table'
import { type KeyValue, memoryStore } from '@/services/storage'
import type { Exchange } from './exchange'
import type { Kept } from './forgetting'
import { restore } from './store'
import { aFloor, aTab, CALL, ELUNED, inCall, LINNEA, PATIENT, save } from './testing'

const NOTES = 'Two adults and a dog'

async function supervisor(exchange: Exchange, id: AgentId = LINNEA) {
  const tab = aTab(exchange)
  await tab.ask({ kind: 'hello', key: null, world: null })
  await tab.signIn(id)
  return tab
}

/** Eluned's call with somebody the records know, with notes, ended and coded. */
async function coded(store: KeyValue = memoryStore(), sounds = new Map([`rec_${CALL}_9`, 'rec_call_t_11_40'].map((id) => [id, 0] as const))) {
  const peopleStore = memoryStore()
  const floor = await inCall({ store, peopleStore, sounds })
  const { tab, exchange } = floor
  const work = get(exchange.state().work, CALL)
  if (work?.number == null || work.customer === null) throw new Error('nobody is on the call')
  const them = { number: work.number, name: work.customer.name }
  const contact = {
    id: 'contact_them',
    ownerId: ELUNED,
    revision: 0,
    name: them.name,
    company: '',
    group: '',
    email: '',
    note: 'Likes the early boat',
    numbers: [{ kind: 'work', number: them.number }],
  }
  expect(await tab.ask({ kind: 'changePeople', puts: [contact], removes: [] })).toMatchObject({ ok: true })
  await tab.give({ kind: 'draftNotes', callId: CALL, text: NOTES, followUp: '' })
  const owner = await supervisor(exchange)
  const sought = { numbers: [them.number], addresses: [], names: [] }
  const find = async () => {
    const reply = await owner.ask({ kind: 'findKept', sought })
    if (!reply.ok) throw new Error(reply.refusal.says)
    return JSON.parse(reply.text ?? '') as Kept
  }
  const forget = async () => owner.ask({ kind: 'forget', sought, about: (await find()).found.map((f) => f.about) })
  const end = async () => {
    await tab.give({ kind: 'hangUp', callId: CALL })
    floor.pass(10_000)
    const saved = await tab.give(save('information', { notes: NOTES }))
    expect(saved.ok ? '' : saved.refusal).toBe('')
    floor.pass(60_000)
  }
  return { ...floor, them, owner, find, forget, end, peopleStore, sounds }
}

/** Every string of a store, keys included, and bytes that were compressed. */
async function wordsOf(store: KeyValue): Promise<string> {
  const words: string[] = []
  const take = (value: unknown): void => {
    if (typeof value === 'string') words.push(value)
    else if (value instanceof Uint8Array) words.push(new TextDecoder('latin1').decode(value))
    else if (value instanceof Map || value instanceof Set) for (const item of value) take(item)
    else if (typeof value === 'object' && value !== null) {
      words.push(...Object.keys(value))
      for (const item of Object.values(value)) take(item)
    }
  }
  for (const key of await store.keys()) {
    words.push(key)
    take(await store.get(key))
  }
  return words.join('\n')
}

async function recordsOf(owner: Awaited<ReturnType<typeof supervisor>>) {
  const reply = await owner.ask({ kind: 'ledger' })
  if (!reply.ok) throw new Error(reply.refusal.says)
  const folder = createLedgerFolder()
  for (const line of (reply.text ?? '').split('\n')) {
    const opened = line === '' ? null : parseEntry(line)
    if (opened?.ok) folder.add(opened.entry)
  }
  return folder.records()
}

describe('somebody who is forgotten', PATIENT, () => {
  test('is found by number with what it is about; then stands in no store, no file and no view, and figures are what they were', async () => {
    const { exchange, store, peopleStore, them, owner, find, forget, end, sounds } = await coded()
    await end()
    const kept = await find()
    expect(kept.contacts).toEqual([them.name])
    expect(kept.found.find((f) => f.about === CALL)?.names).toContain(them.name)
    const before = await recordsOf(owner)
    expect(before.find((r) => r.callId === CALL)).toMatchObject({ number: them.number, customer: them.name, notes: NOTES })
    expect(await forget()).toMatchObject({ ok: true })
    for (const kind of [store, peopleStore]) {
      const words = await wordsOf(kind)
      for (const personal of [them.number, them.name, NOTES, 'Likes the early boat']) expect(words).not.toContain(personal)
    }
    expect(await find()).toEqual({ found: [], contacts: [] })
    // Of the centre the records stand there, which are kept outside and not by the product.
    const { centre: _, ...seen } = owner.view()
    expect(JSON.stringify(seen)).not.toContain(them.name)
    expect([...sounds.keys()]).toEqual(['rec_call_t_11_40'])
    const after = await recordsOf(owner)
    expect(after).toEqual(
      before.map((r) =>
        r.callId === CALL ? { ...r, number: FORGOTTEN, customer: FORGOTTEN, notes: FORGOTTEN, answers: expect.anything(), recordings: [] } : r,
      ),
    )
    // What is opened from what is stored is what is there.
    expect((await restore(store)).state).toEqual(exchange.state())
  })

  test('what comes of them between being shown and being forgotten is theirs as well', async () => {
    const { tab, exchange, store, peopleStore, them, owner, find, end, pass } = await coded()
    await end()
    const shown = await find()
    expect(
      (await tab.give({ kind: 'makeCall', typed: them.number, customer: null, queueId: get(exchange.state().agents, ELUNED)?.shift?.queueIds[0] ?? null })).ok,
    ).toBe(true)
    const callId = toCallId([...exchange.state().calls.keys()][0] ?? 'nobody was called')
    pass(1_000)
    await tab.give({ kind: 'hangUp', callId })
    pass(60_000)
    const saved = await tab.give(save('information', { notes: NOTES, callId }))
    expect(saved.ok ? '' : saved.refusal).toBe('')
    pass(60_000)
    expect(shown.found.some((f) => f.about === callId)).toBe(false)
    expect(
      await owner.ask({ kind: 'forget', sought: { numbers: [them.number], addresses: [], names: [] }, about: shown.found.map((f) => f.about) }),
    ).toMatchObject({ ok: true })
    for (const kind of [store, peopleStore]) {
      const words = await wordsOf(kind)
      for (const personal of [them.number, NOTES]) expect(words).not.toContain(personal)
    }
  })

  test('is not forgotten by who may not, nor while their call is on or owes its outcome', async () => {
    const { tab, exchange, them, forget, find, end, store } = await coded()
    expect(await tab.ask({ kind: 'forget', sought: { numbers: [them.number], addresses: [], names: [] }, about: [CALL] })).toMatchObject({
      refusal: { reason: 'notEntitled' },
    })
    expect(await tab.ask({ kind: 'findKept', sought: { numbers: [them.number], addresses: [], names: [] } })).toMatchObject({
      refusal: { reason: 'notEntitled' },
    })
    expect(await forget()).toMatchObject({ ok: false, refusal: { reason: 'underWayWithThem' } })
    // Nothing of it was done, and nothing is done later.
    expect(await store.get('forgetting')).toBeNull()
    expect((await find()).contacts).toEqual([them.name])
    expect(get(exchange.state().work, CALL)?.number).toBe(them.number)
    await end()
    expect(await forget()).toMatchObject({ ok: true })
    expect(await forget()).toMatchObject({ ok: false, refusal: { reason: 'nothingToForget' } })
  })

  test('whichever write of it is refused, or comes never: it is said, nothing else is lost, and whoever opens the floor next finishes with it', async () => {
    // Counted once, then each of them fails in a floor of its own.
    let writes = 0
    let failsAt = Infinity
    const failing = (inner: KeyValue): KeyValue => {
      const guard = async (act: () => Promise<void>) => {
        if (++writes >= failsAt) throw new Error('the disk is gone')
        await act()
      }
      return { ...inner, set: (key, value) => guard(() => inner.set(key, value)), remove: (key) => guard(() => inner.remove(key)) }
    }
    const counted = await coded(failing(memoryStore()))
    await counted.end()
    await counted.exchange.settled()
    writes = 0
    expect(await counted.forget()).toMatchObject({ ok: true })
    const needed = writes
    expect(needed).toBeGreaterThan(6)
    for (let at = 1; at <= needed; at++) {
      failsAt = Infinity
      const disk = memoryStore()
      const floor = await coded(failing(disk))
      await floor.end()
      await floor.exchange.settled()
      writes = 0
      failsAt = at
      const reply = await floor.forget()
      failsAt = Infinity
      // The worker ends here; what is stored is opened by another one.
      const restored = await restore(disk)
      expect(restored.damage, `write ${at}`).toBeNull()
      const next = await aFloor({ store: disk, restored, peopleStore: floor.peopleStore, sounds: floor.sounds, isNew: false })
      const owner = await supervisor(next.exchange)
      await expect.poll(() => disk.get('forgetting'), { message: `write ${at}` }).toBeNull()
      await next.exchange.settled()
      const words = await wordsOf(disk)
      // Refused before it was noted, nothing of it was done, and it can be asked for again.
      if (!reply.ok && words.includes(floor.them.name)) expect(at, JSON.stringify(reply)).toBe(1)
      else for (const personal of [floor.them.number, floor.them.name, NOTES]) expect(words, `write ${at}`).not.toContain(personal)
      expect((await recordsOf(owner)).length).toBe(1)
    }
  })
})
