// What is older than the set-up has it kept is gone with the first beat of a day, once a day, also where the floor was closed for a week; what is open stays.
import { expect, test } from 'vitest'
import { FORGOTTEN } from '@/core/forgotten'
import { createLedgerFolder, parseEntry } from '@/core/ledger'
import { DAY, HOUR } from '@/core/time'
import { type KeyValue, memoryStore } from '@/services/storage'
import { EVERY_MS } from './pulse'
import { restore } from './store'
import { aFloor, aTab, CALL, inCall, LINNEA, PATIENT, save } from './testing'

/** As the floor of tests begins. */
const BEGAN_MS = Date.UTC(2026, 10, 24, 9)
const KEEPS = { detailsDays: 3, recordingsDays: 2, messagesDays: null, attemptsDays: null }

/** A coded call, in a centre that keeps what it was about for three days. */
async function aCall(store: KeyValue, sounds: Map<string, number>) {
  const floor = await inCall({ store, sounds })
  const owner = aTab(floor.exchange)
  await owner.ask({ kind: 'hello', key: null, world: null })
  await owner.signIn(LINNEA)
  const { setUp } = floor.exchange.state()
  const put = await owner.give({ kind: 'changeSetUp', setUp: { ...setUp, keeps: KEEPS } })
  expect(put.ok ? '' : put.refusal).toBe('')
  await floor.tab.give({ kind: 'draftNotes', callId: CALL, text: 'Two adults and a dog', followUp: '' })
  await floor.tab.give({ kind: 'hangUp', callId: CALL })
  floor.pass(10_000)
  await floor.tab.give(save('information', { notes: 'Two adults and a dog' }))
  await floor.exchange.settled()
  const beat = async (ms: number) => {
    floor.pass(ms)
    floor.tryAgain()
    await floor.exchange.settled()
  }
  return { ...floor, owner, beat }
}

async function recordOf(read: () => Promise<{ readonly ok: boolean; readonly text?: string | null }>) {
  const folder = createLedgerFolder()
  for (const line of ((await read()).text ?? '').split('\n')) {
    const opened = line === '' ? null : parseEntry(line)
    if (opened?.ok) folder.add(opened.entry)
  }
  return folder.records().find((r) => r.callId === CALL)
}

test('day by day: sounds after two days, who it was and what was said after three, each once', PATIENT, async () => {
  const store = memoryStore()
  const sounds = new Map([`rec_${CALL}_9`, 'rec_greeting_1', 'rec_message_call_t_3_1'].map((id) => [id, BEGAN_MS] as const))
  const { exchange, owner, beat } = await aCall(store, sounds)
  const its = () => recordOf(() => owner.ask({ kind: 'ledger' }))
  const forgot = async () => ((await owner.ask({ kind: 'ledger' })) as { text: string }).text.match(/"what":"\w+"/g) ?? []
  const before = await its()
  expect(before).toMatchObject({ notes: 'Two adults and a dog', customer: expect.any(String) })
  // The call was at nine on the first day.
  for (const [after, gone, said] of [
    [EVERY_MS, [], 0],
    [2 * DAY, [], 0],
    [16 * HOUR, ['sounds'], 1],
    [HOUR, ['sounds'], 1],
    [DAY, ['sounds', 'details'], 3],
    [EVERY_MS, ['sounds', 'details'], 3],
  ] as const) {
    await beat(after)
    await expect.poll(async () => (await forgot()).filter((w) => w.includes('recordings') || w.includes('details')).length > 0 || said === 0).toBe(true)
    await expect.poll(() => sounds.has(`rec_${CALL}_9`)).toBe(!(gone as readonly string[]).includes('sounds'))
    await expect.poll(async () => (await its())?.customer).toBe((gone as readonly string[]).includes('details') ? FORGOTTEN : before?.customer)
  }
  expect([...sounds.keys()]).toEqual(['rec_greeting_1', 'rec_message_call_t_3_1'])
  expect(await its()).toMatchObject({ ...before, number: FORGOTTEN, customer: FORGOTTEN, notes: FORGOTTEN, answers: expect.anything(), recordings: [] })
  await exchange.settled()
  expect((await restore(store)).state).toEqual(exchange.state())
})

test('a floor that was closed for a week has it done when it is opened; a write that is refused is tried again', PATIENT, async () => {
  const inner = memoryStore()
  let refuses = false
  let refused = 0
  const guard = async (key: string, act: () => Promise<void>) => {
    if (!refuses || !key.startsWith('keys/')) return act()
    refused++
    throw new Error('the disk is gone')
  }
  const store: KeyValue = {
    ...inner,
    set: (key, value) => guard(key, () => inner.set(key, value)),
    remove: (key) => guard(key, () => inner.remove(key)),
  }
  const sounds = new Map([[`rec_${CALL}_9`, BEGAN_MS]])
  const first = await aCall(store, sounds)
  await first.beat(EVERY_MS)
  await expect.poll(() => store.get('retained')).not.toBeNull()
  const next = await aFloor({ store, restored: await restore(store), sounds, isNew: false, startMs: Date.UTC(2026, 11, 1, 9) })
  const owner = aTab(next.exchange)
  await owner.ask({ kind: 'hello', key: null, world: null })
  await owner.signIn(LINNEA)
  /** Whether the ledger still has what was said; that it is to be forgotten stands there before it is. */
  const isSaid = async () => ((await owner.ask({ kind: 'ledger' })) as { text: string }).text.includes('Two adults and a dog')
  refuses = true
  next.pass(EVERY_MS)
  next.tryAgain()
  await expect.poll(() => refused).toBeGreaterThan(0)
  refuses = false
  expect(await isSaid()).toBe(true)
  next.pass(EVERY_MS)
  next.tryAgain()
  await expect.poll(isSaid).toBe(false)
  await expect.poll(() => sounds.size).toBe(0)
})

test('of calling lists: the day says before when, and no other days count', PATIENT, async () => {
  const { exchange, owner, beat } = await aCall(memoryStore(), new Map())
  const { setUp } = exchange.state()
  await owner.give({ kind: 'changeSetUp', setUp: { ...setUp, keeps: { detailsDays: null, recordingsDays: null, messagesDays: null, attemptsDays: 2 } } })
  const said = async () =>
    [...((await owner.ask({ kind: 'ledger' })) as { text: string }).text.matchAll(/"what":"(\w+)","beforeMs":(\d+)/g)].map(([, what, at]) => [what, Number(at)])
  await beat(EVERY_MS)
  expect(await said()).toEqual([])
  await beat(DAY)
  await expect.poll(said).toEqual([['attempts', Date.UTC(2026, 10, 23)]])
  await beat(EVERY_MS)
  await beat(DAY)
  await expect.poll(said).toEqual([
    ['attempts', Date.UTC(2026, 10, 23)],
    ['attempts', Date.UTC(2026, 10, 24)],
  ])
})

test('a clock that is months ahead costs nothing on its first day', PATIENT, async () => {
  const sounds = new Map([[`rec_${CALL}_9`, BEGAN_MS]])
  const store = memoryStore()
  const { owner, beat } = await aCall(store, sounds)
  const lookedAt = async () => ((await store.get('retained')) as { day: number } | null)?.day
  const isSaid = async () => ((await owner.ask({ kind: 'ledger' })) as { text: string }).text.includes('Two adults and a dog')
  await beat(EVERY_MS)
  await beat(300 * DAY)
  await beat(EVERY_MS)
  await expect.poll(lookedAt).toBeGreaterThan(BEGAN_MS + 299 * DAY)
  expect(await isSaid()).toBe(true)
  expect(sounds.size).toBe(1)
  // Whoever has left it so for a day means it.
  await beat(DAY)
  await expect.poll(isSaid).toBe(false)
  await expect.poll(() => sounds.size).toBe(0)
})
