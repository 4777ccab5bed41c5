import { describe, expect, test } from 'vitest'
import { AttemptLineSchema, type CalledRecord } from '@/core/campaigns'
import { type DoNotCallList, evolveDoNotCall } from '@/core/do-not-call'
import { toListId } from '@/core/ids'
import { type LedgerEntry, toLine } from '@/core/ledger'
import type { CampaignSetUp } from '@/core/set-up'
import { ANN, aFloor, type BO, CROWDED, MANY } from '@/core/testing'
import { type KeyValue, memoryStore } from '@/services/storage'
import { atEveryWrite } from '@/services/storage/testing'
import { CHUNK_ROWS } from './chunks'
import { exportList } from './exports'
import type { Role } from './import/columns'
import { lookAt } from './import/look'
import { type ImportAsked, type ImportSurroundings, runImport } from './import/run'
import { checkLists } from './kept'
import { type Lists, type ListsFeed, openLists } from './lists'

const CAMPAIGN = CROWDED.campaigns.find((c) => c.manner === 'progressive') as CampaignSetUp
const LIST = toListId('list_progressive')
const START_MS = Date.UTC(2026, 10, 24, 10)

const file = (text: string | Uint8Array): Blob => new Blob([text as BlobPart])
const rowsOf = (count: number, from = 0) =>
  Array.from({ length: count }, (_, i) => `K${from + i},Person ${from + i},01632 ${960_000 + ((from + i) % 1_000)},note ${from + i}`)
const csv = (count: number, from = 0) => `Key,Name,Phone,Note\n${rowsOf(count, from).join('\n')}\n`

/** The do-not-call list with somebody on it. */
function listOf(person: string): DoNotCallList {
  const added = { kind: 'doNotCallAdded', entries: [{ whom: { person }, why: 'Asked us.' }], byAgentId: ANN, callId: null } as const
  return new Map([...evolveDoNotCall(new Map(), added, 0)].flatMap(([key, entry]) => (entry === null ? [] : [[key, entry] as const])))
}

async function into(
  lists: Lists | null,
  store: ReturnType<typeof memoryStore>,
  source: Blob,
  more: Partial<ImportAsked> = {},
  around: Partial<ImportSurroundings> = {},
) {
  const look = await lookAt(source)
  if (!look.ok) return { says: look.says, imported: null, look: null }
  const asked: ImportAsked = {
    file: source,
    looked: look.looked,
    roles: look.looked.roles,
    listId: LIST,
    campaignId: CAMPAIGN.id,
    name: 'Try',
    homeCountry: 'GB',
    timeZone: 'Europe/London',
    leavesOutOthers: false,
    importedAtMs: START_MS,
    ...more,
  }
  const { imported, list } = await runImport(asked, {
    store,
    before: lists?.listOf(LIST) ?? null,
    isElsewhere: () => false,
    doNotCall: new Map(),
    nowMs: () => 0,
    onProgress: () => {},
    isCancelled: () => false,
    ...around,
  })
  if (list !== null) lists?.adopt(list.meta, list.chunks)
  return { says: imported.ok ? null : imported.says, imported, look: look.looked }
}

/** A floor whose campaign is worked, and what the lists ask of it. */
function aCampaign() {
  let campaigns = CROWDED.campaigns
  const floor = aFloor({ ...CROWDED, mostOwed: 9 })
  floor.give({ kind: 'startCampaign', agentId: MANY[1] as typeof ANN, campaignId: CAMPAIGN.id })
  const feed: ListsFeed = {
    floorId: () => 'test',
    read: async (afterSeq) =>
      floor.entries
        .filter((e: LedgerEntry) => e.seq > afterSeq)
        .map(toLine)
        .join('\n'),
    campaigns: () => campaigns,
    nowMs: () => floor.state().atMs,
  }
  const endCampaign = (toDay: string) => {
    campaigns = campaigns.map((c) => ({ ...c, toDay }))
  }
  const call = (record: CalledRecord) => {
    expect(floor.give({ kind: 'makeAttempt', campaignId: CAMPAIGN.id, record })).toBe('ok')
    const made = floor.entries.at(-1)?.event
    return made?.kind === 'attemptMade' ? made.attemptId : null
  }
  return { floor, feed, call, endCampaign }
}

describe('a list file is read', () => {
  const bytesOf = (text: string, encoding: 'utf16le' | 'latin1') => new Uint8Array(Buffer.from(text, encoding))
  test.each([
    { says: 'UTF-8 with commas', source: csv(3), encoding: 'utf-8', columns: 4, has: undefined },
    { says: 'UTF-8 with a mark, semicolons and quotes', source: '\ufeffName;Phone\r\n"Ærø, Åse";"01632 960001"\r\n', encoding: 'utf-8', columns: 2, has: 'Å' },
    { says: 'UTF-16 with a mark and tabs', source: bytesOf('\ufeffName\tPhone\nÅse\t01632 960001\n', 'utf16le'), encoding: 'utf-16le', columns: 2, has: 'Å' },
    {
      says: 'UTF-16 without a mark',
      source: bytesOf('Name,Phone\nPerson,01632 960001\nOther,01632 960002\n', 'utf16le'),
      encoding: 'utf-16le',
      columns: 2,
      has: 'Other',
    },
    { says: 'Windows-1252', source: bytesOf('Name;Phone\nÅse Ærø;01632 960001\n', 'latin1'), encoding: 'windows-1252', columns: 2, has: 'Å' },
    { says: 'NDJSON', source: '{"name":"Åse","phone":"01632 960001"}\n{"name":"Bo","phone":"01632 960002"}\n', encoding: 'utf-8', columns: 2, has: 'Å' },
  ])('$says', async ({ source, encoding, columns, has }) => {
    const look = await lookAt(file(source))
    expect(look).toMatchObject({ ok: true, looked: { encoding, roles: expect.arrayContaining(['person', 'number']) } })
    if (!look.ok) return
    expect(look.looked.columns).toHaveLength(columns)
    const store = memoryStore()
    const lists = await openLists(store)
    await into(lists, store, file(source))
    const { meta } = lists.listOf(LIST) ?? {}
    expect(meta?.count).toBe(look.looked.sample.length)
    if (has !== undefined) expect(lists.listOf(LIST)?.chunks[0]?.text).toContain(has)
  })

  test.each([
    { says: 'nothing', source: '', then: /empty/ },
    { says: 'a picture', source: new Uint8Array([0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a, 0, 0, 0, 13, 73, 72, 68, 82, 1]), then: /no table/ },
    { says: 'a letter', source: 'Dear all,\nplease call\neverybody.\n', then: /no table|could be taken|telephone/ },
    { says: 'headings alone', source: 'Name,Phone\n', then: /no row below/ },
    { says: 'no number column', source: 'Name,Town\nÅse,Skarvey\n', then: /No column is a telephone number/ },
    { says: 'cut off in a quoted cell', source: 'Name,Phone,Note\nÅse,01632 960001,"and then', then: /middle of a quoted cell/ },
    { says: 'broken NDJSON', source: '{"name":"Åse","phone":"01632 960001"}\n{"name":', then: /Line 2 is no JSON object/ },
    { says: 'numbers nobody could call', source: 'Name,Phone\nÅse,12\nBo,0163\n', then: /None of its 2 rows/ },
  ])('$says is refused with a sentence, and nothing is kept', async ({ source, then }) => {
    const store = memoryStore()
    const lists = await openLists(store)
    const { says } = await into(lists, store, file(source))
    expect(says).toMatch(then)
    expect(lists.metas()).toEqual([])
    expect((await store.keys()).filter((k) => k.startsWith('rows/'))).toEqual([])
  })

  test('what is left out has its reason and its line, and formulas and markup are text', async () => {
    const source = [
      'Key,Name,Phone,Mobile,Note',
      'A,"Two',
      'lines",01632 960001,07700 900001,=1+1',
      'B,<b>Bold</b>,,,x',
      'C,Bad,12,,x',
      'A,Again,01632 960003,,x',
      'D,Listed,01632 960004,,x',
      'E,Other,01632 960005,,x',
      'F,Long,01632 960006,,x,too,much',
    ].join('\n')
    const store = memoryStore()
    const lists = await openLists(store)
    const around = {
      isElsewhere: (n: string) => n.endsWith('960005'),
      doNotCall: listOf('Listed'),
    }
    const { imported } = await into(lists, store, file(source), { leavesOutOthers: true }, around)
    expect(imported).toMatchObject({
      ok: true,
      taken: 1,
      changed: 0,
      leftOut: { noNumber: 1, badNumber: 1, twiceInFile: 1, onDoNotCall: 1, onOtherList: 1, tooManyCells: 1 },
    })
    const rejects = imported?.ok === true ? await imported.rejects?.text() : ''
    expect(
      rejects
        ?.split('\r\n')
        .slice(1, -1)
        .map((l) => l.split(',').slice(0, 2).join(' ')),
    ).toEqual(
      expect.arrayContaining([
        '4 no telephone number',
        '5 no number could be read',
        '6 in the file twice',
        '7 on the do-not-call list',
        '8 on another running list',
        '9 more cells than headings',
      ]),
    )
    expect(JSON.parse(lists.listOf(LIST)?.chunks[0]?.text ?? '')).toEqual([
      'A',
      'Two\nlines',
      [
        ['+441632960001', 0],
        ['+447700900001', 0],
      ],
      '=1+1',
    ])
  })

  test('a role that was corrected by hand counts, and a number without a country is the home country’s, with its zones', async () => {
    const store = memoryStore()
    const lists = await openLists(store)
    const roles: readonly Role[] = ['key', 'person', 'number', 'leftOut']
    await into(lists, store, file('a,b,c,d\n1,Åse,+1 212-555-0142,x\n2,Bo,01632 960001,y\n'), { roles })
    const { meta, chunks } = lists.listOf(LIST) ?? {}
    expect(meta?.columns).toEqual([])
    expect(chunks?.[0]?.text).toContain('+12125550142')
    // The United States have several zones, and a call is allowed only where it is in all of them.
    expect(meta?.zones[0]?.split(' ').length).toBeGreaterThan(4)
    expect(meta?.zones[1]).toBe('Europe/London')
  })
})

describe('a list is whole or not there', () => {
  test('called off in the middle, or refused by storage, it is as it was', async () => {
    const store = memoryStore()
    const lists = await openLists(store)
    await into(lists, store, file(csv(1_500)))
    const before = structuredClone(lists.listOf(LIST))
    const keys = (await store.keys()).toSorted()
    let asked = 0
    expect((await into(lists, store, file(csv(9_000, 500)), {}, { isCancelled: () => ++asked > 2 })).imported).toMatchObject({ ok: false, cancelled: true })
    let writes = 0
    const full = {
      ...store,
      set: async (key: string, value: unknown) => (++writes > 3 ? Promise.reject(new Error('the disk is full')) : store.set(key, value)),
    }
    expect((await into(lists, full, file(csv(9_000, 500)))).says).toMatch(/the disk is full/)
    expect(lists.listOf(LIST)).toEqual(before)
    expect((await store.keys()).toSorted()).toEqual(keys)
    const again = await openLists(store)
    expect(again.listOf(LIST)).toEqual(before)
  })

  test('a tab closed in the middle of a first import leaves nothing that counts', async () => {
    const store = memoryStore()
    // As far as two chunks, and then no word more.
    let writes = 0
    const dies = { ...store, set: (key: string, value: unknown) => (++writes > 2 ? new Promise<void>(() => {}) : store.set(key, value)) }
    void into(null, dies, file(csv(5 * CHUNK_ROWS)))
    while (writes < 3) await new Promise((resolve) => setTimeout(resolve, 1))
    expect((await store.keys()).filter((k) => k.startsWith('rows/'))).toHaveLength(2)
    const lists = await openLists(store)
    expect(lists.metas()).toEqual([])
    for (let i = 0; i < 50 && (await store.keys()).some((k) => k.startsWith('rows/')); i++) await new Promise((resolve) => setTimeout(resolve, 1))
    expect((await store.keys()).filter((k) => k.startsWith('rows/'))).toEqual([])
  })

  test('whichever write dies or is refused, of imports and of what its people have been through: each list is whole, and the same is known again', async () => {
    const { floor, feed, call } = aCampaign()
    const rows = (count: number, from = 0) => file(csv(count, from))
    const source = [rows(CHUNK_ROWS + 40), rows(60, CHUNK_ROWS)]
    // What people go through is in the floor's ledger, whatever becomes of the lists.
    const first = await openLists(memoryStore())
    await into(first, memoryStore(), source[0] as Blob)
    await first.follow(feed)
    for (const record of first.next(CAMPAIGN.id, 3, floor.state().atMs)) {
      const attemptId = call(record)
      floor.give({ kind: 'reportAttempt', attemptId: attemptId as never, report: { is: 'busy' } }, 2_000)
    }
    const live = async (store: KeyValue) => {
      const lists = await openLists(store)
      for (const from of source) {
        await into(lists, store, from)
        await lists.follow(feed)
        await lists.keep().catch(() => {})
      }
      return lists
    }
    const known = (lists: Lists) => {
      const page = lists.page({ campaignId: CAMPAIGN.id, search: '', state: null, from: 0, atMost: 10_000 }, floor.state().atMs)
      return { found: page.found, rows: page.rows.map(({ recordId: _, ...row }) => row), figures: lists.figures(floor.state().atMs) }
    }
    const whole = known(await live(memoryStore()))
    const writes = await atEveryWrite(
      async (store) => void (await live(store)),
      () => null,
      async (disk, _, where) => {
        const again = await openLists(disk)
        expect(again.unreadable(), where).toEqual([])
        const count = again.metas().reduce((sum, list) => sum + list.count, 0)
        // The second alone, where the first was refused: the people of it stand in other places then.
        expect([0, 60, CHUNK_ROWS + 40, CHUNK_ROWS + 60], where).toContain(count)
        if (count !== 60) expect(known(await live(disk)), where).toEqual(whole)
        expect((await checkLists(disk)).damaged, where).toEqual([])
      },
    )
    expect(writes).toBeGreaterThan(10)
  })

  test('a second import changes who has the same key, keeps what they have been through, and adds the others', async () => {
    const store = memoryStore()
    const lists = await openLists(store)
    await into(lists, store, file(csv(CHUNK_ROWS + 10)))
    const { floor, feed, call } = aCampaign()
    await lists.follow(feed)
    const [first] = lists.next(CAMPAIGN.id, 1, floor.state().atMs)
    const attemptId = call(first as CalledRecord)
    floor.give({ kind: 'reportAttempt', attemptId: attemptId as never, report: { is: 'busy' } }, 2_000)
    await lists.follow(feed)
    const { imported } = await into(
      lists,
      store,
      file(`Key,Name,Phone,Note,Colour\n${first?.key},New name,01632 960777,,green\nZ9,Somebody new,01632 960778,,blue\n`),
    )
    expect(imported).toMatchObject({ ok: true, taken: 1, changed: 1 })
    await lists.follow(feed)
    const one = lists.record(first?.recordId ?? '', floor.state().atMs)
    expect(one?.record).toMatchObject({ person: 'New name', key: first?.key, fields: { Note: first?.fields.Note, Colour: 'green' } })
    expect(one?.life.tries).toMatchObject([{ result: 'busy' }])
    expect(lists.page({ campaignId: CAMPAIGN.id, search: 'somebody new', state: null, from: 0, atMost: 5 }, 0)).toMatchObject({ found: 1 })
    await lists.keep()
    const again = await openLists(store)
    await again.follow(feed)
    expect(again.record(first?.recordId ?? '', floor.state().atMs)).toEqual(one)
  })
})

describe('what is torn on the disk', () => {
  /** A list of which somebody was tried, as it is kept. */
  async function kept() {
    const store = memoryStore()
    const lists = await openLists(store)
    await into(lists, store, file(csv(CHUNK_ROWS + 10)))
    const { floor, feed, call } = aCampaign()
    await lists.follow(feed)
    call(lists.next(CAMPAIGN.id, 1, floor.state().atMs)[0] as CalledRecord)
    await lists.follow(feed)
    await lists.keep()
    return { store, feed, atMs: floor.state().atMs }
  }
  const change = async (store: ReturnType<typeof memoryStore>, begins: string, to: (kept: unknown) => unknown) => {
    const key = (await store.keys()).toSorted().find((k) => k.startsWith(begins)) ?? 'none'
    await store.set(key, to(await store.get(key)))
  }
  type Rows = { text: string; zones: Uint16Array; priorities: Int16Array }

  test.each([
    [
      'a letter of a row',
      'rows/',
      (rows: unknown) => ({ ...(rows as Rows), text: (rows as Rows).text.replace('Person', 'Parson') }),
      /is not as it was written/,
    ],
    ['a row too few', 'rows/', (rows: unknown) => ({ ...(rows as Rows), zones: (rows as Rows).zones.slice(1) }), /has rows without a place/],
    ['rows of another kind', 'rows/', () => 'torn', /Try/],
    ['what somebody has been through', 'lives/', () => [[0, { tries: 'torn' }]], /have been through cannot be read/],
  ])('%s: nobody of the list is called, it says why, and nothing of it is changed', async (_, begins, to, says) => {
    const { store, feed, atMs } = await kept()
    await change(store, begins, to)
    const before = (await store.keys()).toSorted()
    const lists = await openLists(store)
    await lists.follow(feed)
    expect(lists.next(CAMPAIGN.id, 50, atMs)).toEqual([])
    expect(lists.unreadable()).toMatchObject([{ meta: { id: LIST }, says: expect.stringMatching(says) }])
    expect((await store.keys()).filter((key) => !key.startsWith('behind/')).toSorted()).toEqual(before)
  })

  test('a chunk of an earlier version, which had no checksum, is read as ever', async () => {
    const { store, feed, atMs } = await kept()
    await change(store, 'rows/', (rows) => ({ ...(rows as object), checksum: undefined }))
    const lists = await openLists(store)
    await lists.follow(feed)
    expect(lists.unreadable()).toEqual([])
    expect(lists.next(CAMPAIGN.id, 50, atMs)).toHaveLength(50)
  })

  test('an index that cannot be read is not taken for none: nothing is cleared away', async () => {
    const { store } = await kept()
    await change(store, 'index', () => ({ version: 1, lists: [{ id: 'torn' }] }))
    const before = (await store.keys()).toSorted()
    await expect(openLists(store)).rejects.toThrow('which calling lists there are cannot be read')
    expect((await store.keys()).toSorted()).toEqual(before)
    const refuses = { ...store, get: () => Promise.reject(new Error('the disk says no')) }
    await expect(openLists(refuses)).rejects.toThrow('the disk says no')
  })
})

describe('lists that are dialled', () => {
  test('nobody is handed out twice: not before they were called, not when rules change, not when a list is imported anew, not after a restart', async () => {
    const store = memoryStore()
    const lists = await openLists(store)
    await into(lists, store, file(csv(40)))
    const { floor, feed, call } = aCampaign()
    // Before the floor has been heard of nobody is: it might be calling them.
    expect(lists.next(CAMPAIGN.id, 1, floor.state().atMs)).toEqual([])
    await lists.follow(feed)
    const atMs = floor.state().atMs
    const handed = lists.next(CAMPAIGN.id, 10, atMs).map((r) => r.recordId)
    await lists.follow({ ...feed, campaigns: () => CROWDED.campaigns.map((c) => ({ ...c, order: 'imported' as const })) })
    handed.push(...lists.next(CAMPAIGN.id, 10, atMs).map((r) => r.recordId))
    await into(lists, store, file(csv(45)))
    handed.push(...lists.next(CAMPAIGN.id, 50, atMs).map((r) => r.recordId))
    expect(handed).toHaveLength(45)
    expect(new Set(handed).size).toBe(45)
    // Who was called stays called; who was only taken out is there again.
    const again = await openLists(store)
    lists.giveBack([handed[0] as string], atMs)
    await lists.follow(feed)
    const [called] = (await (async () => {
      await again.follow(feed)
      return again.next(CAMPAIGN.id, 1, atMs)
    })()) as [CalledRecord]
    call(called)
    const third = await openLists(store)
    await third.follow(feed)
    const rest = third.next(CAMPAIGN.id, 50, floor.state().atMs).map((r) => r.recordId)
    expect(rest).toHaveLength(44)
    expect(rest).not.toContain(called.recordId)
  })

  test('a million minds: figures are the states of all, pages find by name, number and state, and what is put back is called again', async () => {
    const store = memoryStore()
    const lists = await openLists(store)
    await into(lists, store, file(csv(3 * CHUNK_ROWS)))
    const { floor, feed, call } = aCampaign()
    await lists.follow(feed)
    for (const record of lists.next(CAMPAIGN.id, 6, floor.state().atMs)) {
      const attemptId = call(record)
      floor.give({ kind: 'reportAttempt', attemptId: attemptId as never, report: { is: Number(record.key?.slice(1)) % 2 === 0 ? 'busy' : 'invalid' } }, 1_000)
    }
    await lists.follow(feed)
    const atMs = floor.state().atMs
    const [figures] = lists.figures(atMs)
    expect(figures).toMatchObject({ loaded: 3_000, states: { fresh: 2_994, again: 3, invalid: 3 } })
    const all = lists.page({ campaignId: CAMPAIGN.id, search: '', state: null, from: 0, atMost: 3_000 }, atMs)
    for (const state of ['fresh', 'again', 'invalid'] as const) {
      const found = lists.page({ campaignId: CAMPAIGN.id, search: '', state, from: 0, atMost: 5 }, atMs).found
      expect(found).toBe(figures?.states[state])
      expect(all.rows.filter((r) => r.standing.state === state)).toHaveLength(found)
    }
    expect(lists.page({ campaignId: CAMPAIGN.id, search: '(01632) 960-999', state: null, from: 0, atMost: 5 }, atMs).rows.map((r) => r.number)).toEqual(
      Array(3).fill('+441632960999'),
    )
    expect(lists.page({ campaignId: CAMPAIGN.id, search: 'person 2999', state: null, from: 0, atMost: 5 }, atMs).found).toBe(1)
    expect(lists.page({ campaignId: CAMPAIGN.id, search: 'nobody of that name', state: null, from: 0, atMost: 5 }, atMs)).toEqual({ found: 0, rows: [] })
    const which = { lastResult: 'busy', label: null, triesAtLeast: null, restedHours: null } as const
    expect(lists.matching(CAMPAIGN.id, which, atMs)).toBe(3)
    floor.give({ kind: 'putBackRecords', agentId: MANY[1] as typeof BO, campaignId: CAMPAIGN.id, which })
    await lists.follow(feed)
    expect(lists.figures(atMs)[0]?.states).toMatchObject({ fresh: 2_997, again: 0, invalid: 3 })
  })
})

test('what leaves as files says what happened: each attempt once, and who was left alone', async () => {
  const store = memoryStore()
  const lists = await openLists(store)
  await into(lists, store, file(csv(12)))
  const { floor, feed, call } = aCampaign()
  await lists.follow(feed)
  const [left, busy] = lists.next(CAMPAIGN.id, 2, floor.state().atMs) as [CalledRecord, CalledRecord]
  const attemptId = call(left) as never
  for (const report of [{ is: 'rings' }, { is: 'answered' }, { is: 'live', sinceGreetingMs: 500 }] as const)
    floor.give({ kind: 'reportAttempt', attemptId, report }, 1_000)
  floor.give({ kind: 'passTime' }, 1_500)
  floor.give({ kind: 'reportAttempt', attemptId, report: { is: 'hungUp' } }, 1_000)
  floor.give({ kind: 'reportAttempt', attemptId: call(busy) as never, report: { is: 'busy' } }, 2_000)
  await lists.follow(feed)
  const text = async (name: Parameters<typeof exportList>[0]) =>
    (await exportList(name, CAMPAIGN.id, lists.everybody(CAMPAIGN.id, floor.state().atMs), () => {})).text()
  const attempts = (await text('attempts.ndjson'))
    .trimEnd()
    .split('\n')
    .map((line) => AttemptLineSchema.parse(JSON.parse(line)))
  expect(attempts).toMatchObject([
    { recordId: left.recordId, result: 'abandoned', ringMs: 2_000, callId: null },
    { recordId: busy.recordId, result: 'busy', ringMs: 2_000, answeredAtMs: null },
  ])
  const [abandoned] = attempts
  expect((abandoned?.liveAtMs ?? 0) - (abandoned?.startedAtMs ?? 0)).toBe(3_000)
  // Within two seconds of the end of the greeting nobody was there; then it was said.
  expect((abandoned?.abandonedMessageAtMs ?? 0) - (abandoned?.liveAtMs ?? 0)).toBe(1_500)
  const lines = (await text('abandoned.csv')).trimEnd().split('\r\n')
  expect(lines).toHaveLength(2)
  expect(lines[1]).toContain(left.number)
  const records = (await text('records.csv')).trimEnd().split('\r\n')
  expect(records).toHaveLength(13)
  expect(records[0]).toBe('recordId,key,person,number1,number2,number3,number4,priority,Note,state,tries,lastResult,lastOutcome,nextAtMs,nextWhy')
  expect(
    (await text('records.ndjson'))
      .trimEnd()
      .split('\n')
      .map((l) => JSON.parse(l).state),
  ).toEqual(Array.from({ length: 12 }, (_, i) => ([left.recordId, busy.recordId].some((id) => id.endsWith(`_${i}`)) ? 'again' : 'fresh')))
})

test('somebody who is forgotten stays in their place of the list: named by nothing, called by nobody, and tried as often as before', async () => {
  const store = memoryStore()
  const lists = await openLists(store)
  await into(lists, store, file(csv(40)))
  const { floor, feed, call } = aCampaign()
  await lists.follow(feed)
  const [tried, fresh] = lists.next(CAMPAIGN.id, 2, floor.state().atMs)
  if (tried === undefined || fresh === undefined) throw new Error('nobody is next')
  const attemptId = call(tried)
  if (attemptId !== null) expect(floor.give({ kind: 'reportAttempt', attemptId, report: { is: 'busy' } })).toBe('ok')
  lists.giveBack([fresh.recordId], floor.state().atMs)
  await lists.follow(feed)
  const found = [tried, fresh].map(({ recordId, person, number }) => ({ about: recordId, names: [person, number] }))
  const kept = async (its: Lists, sought: { numbers?: string[]; names?: string[] }) => its.keptAbout({ numbers: [], addresses: [], names: [], ...sought })
  for (const [i, { number, person }] of [tried, fresh].entries()) {
    expect(await kept(lists, { numbers: [number] })).toEqual([found[i]])
    expect(await kept(lists, { names: [` ${person.toUpperCase()} `] })).toEqual([found[i]])
  }

  expect(floor.give({ kind: 'forgetPerson', agentId: MANY[1] as typeof ANN, about: found.map((f) => f.about), listed: [] })).toBe('ok')
  await lists.follow(feed)
  await lists.keep()
  for (const its of [lists, await openLists(store)]) {
    await its.follow(feed)
    for (const { number, person } of [tried, fresh]) {
      expect(await kept(its, { numbers: [number], names: [person] })).toEqual([])
      expect(its.whose(CAMPAIGN.id, number)).toBeNull()
    }
    expect(its.record(tried.recordId, floor.state().atMs)).toMatchObject({
      record: { person: 'forgotten', numbers: [], key: null },
      life: { tries: [{ result: 'busy' }] },
    })
    // Tried or not, they are done with: no number of theirs turned out wrong.
    for (const { recordId } of [tried, fresh])
      expect(its.record(recordId, floor.state().atMs)?.standing).toMatchObject({ state: 'final', why: 'forgotten, and called no more' })
    expect(its.unreadable()).toEqual([])
    const next = its.next(CAMPAIGN.id, 50, floor.state().atMs + 24 * 3_600_000).map((r) => r.recordId)
    expect(next.length).toBeGreaterThan(30)
    for (const { about } of found) expect(next).not.toContain(about)
  }
  const words = JSON.stringify(await Promise.all((await store.keys()).map((key) => store.get(key))))
  for (const { number, person } of [tried, fresh])
    for (const personal of [`"${number}"`, `\\"${number}\\"`, `${person}\\"`]) expect(words).not.toContain(personal)
})

test('whoever was tried too long ago and is called no more is forgotten, counted as before; who may be called still is not, until the campaign has ended', async () => {
  const store = memoryStore()
  const lists = await openLists(store)
  await into(lists, store, file(csv(12)))
  const { floor, feed, call, endCampaign } = aCampaign()
  await lists.follow(feed)
  const [invalid, busy, fresh, later] = lists.next(CAMPAIGN.id, 4, floor.state().atMs) as [CalledRecord, CalledRecord, CalledRecord, CalledRecord]
  const comesTo = (record: CalledRecord, is: 'invalid' | 'busy') =>
    floor.give({ kind: 'reportAttempt', attemptId: call(record) as never, report: { is } }, 1_000)
  comesTo(invalid, 'invalid')
  comesTo(busy, 'busy')
  lists.giveBack([fresh.recordId, later.recordId], floor.state().atMs)
  const beforeMs = floor.state().atMs + 60_000
  floor.give({ kind: 'passTime' }, 120_000)
  comesTo(later, 'invalid')
  await lists.follow(feed)
  const names = async (its: Lists) => {
    await its.follow(feed)
    return [invalid, busy, fresh, later].map(({ recordId }) => its.record(recordId, floor.state().atMs)?.record.person)
  }
  const states = (its: Lists) => its.figures(floor.state().atMs)[0]?.states
  const before = states(lists)

  expect(floor.give({ kind: 'forgetDetails', what: 'attempts', beforeMs })).toBe('ok')
  await lists.follow(feed)
  await lists.keep()
  for (const its of [lists, await openLists(store)]) {
    expect(await names(its)).toEqual(['forgotten', busy.person, fresh.person, later.person])
    expect(states(its)).toEqual(before)
  }
  endCampaign('2026-11-23')
  expect(floor.give({ kind: 'forgetDetails', what: 'attempts', beforeMs })).toBe('ok')
  await lists.follow(feed)
  await lists.keep()
  for (const its of [lists, await openLists(store)]) {
    // Who was never tried is no attempt’s to forget.
    expect(await names(its)).toEqual(['forgotten', 'forgotten', fresh.person, later.person])
    expect(states(its)).toMatchObject({ invalid: before?.invalid, final: 1 })
  }
  const words = JSON.stringify(await Promise.all((await store.keys()).map((key) => store.get(key))))
  for (const { number } of [invalid, busy]) expect(words).not.toContain(`\\"${number}\\"`)
})

test('a list that could not be read for a while is told what became of its people meanwhile', async () => {
  const inner = memoryStore()
  let tornKey: string | null = null
  const store: KeyValue = { ...inner, get: async (key) => (key === tornKey ? 'torn' : inner.get(key)) }
  const first = await openLists(store)
  await into(first, inner, file(csv(4)))
  const { floor, feed, call } = aCampaign()
  await first.follow(feed)
  const [record, other] = first.next(CAMPAIGN.id, 2, floor.state().atMs) as [CalledRecord, CalledRecord]
  await first.keep()

  tornKey = `rows/${LIST}/1/0`
  expect(await store.get(tornKey)).toBe('torn')
  expect(await inner.get(tornKey)).not.toBeNull()
  floor.give({ kind: 'reportAttempt', attemptId: call(record) as never, report: { is: 'invalid' } }, 1_000)
  expect(floor.give({ kind: 'forgetPerson', agentId: MANY[1] as typeof ANN, about: [other.recordId], listed: [] })).toBe('ok')
  // Opened twice without it: the first time counts.
  for (let i = 0; i < 2; i++) {
    const without = await openLists(store)
    await without.follow(feed)
    await without.keep()
    expect(without.unreadable()).toHaveLength(1)
  }
  tornKey = null
  for (let i = 0; i < 2; i++) {
    const again = await openLists(store)
    await again.follow(feed)
    await again.keep()
    expect(again.record(record.recordId, floor.state().atMs)?.life.tries).toMatchObject([{ result: 'invalid' }])
    expect(again.record(other.recordId, floor.state().atMs)?.record.person).toBe('forgotten')
    expect((await inner.keys()).filter((key) => key.startsWith('behind/'))).toEqual([])
  }
})
