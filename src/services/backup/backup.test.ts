// Everything a centre keeps goes into one file and comes back the same; what was cut or changed on the way is found, and nothing is put in place by halves.
import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { type KeyValue, memoryStore } from '@/services/storage'
import { pack } from './pack'
import { holdings, STORES, type StoreName } from './parts'
import { clearLeftOver, go, isReady, laid, layBeside, putInPlace } from './put-in-place'
import { type Backup, unpack } from './unpack'
import { fromBytes, toBytes } from './values'

type Stores = Record<StoreName, KeyValue>
const emptyStores = (): Stores => Object.fromEntries(STORES.map((s) => [s, memoryStore()])) as Stores

/** What stores really hold: texts with checksums, compressed days, typed columns, sound, numbers. */
async function aCentre(): Promise<Stores> {
  const stores = emptyStores()
  await stores.floor.set('chunk/1-3', { fromSeq: 1, toSeq: 3, text: 'Ida Holm\n'.repeat(50), checksum: 4_077_001_994 })
  await stores.floor.set('day/2026-11-30', { bytes: Uint8Array.from({ length: 300 }, (_, i) => (i * 7) % 256), entries: 12 })
  await stores.floor.set('alive', 1_796_130_540_936)
  await stores.floor.set('secrets', { pins: { agent_ida: { salt: 'aa', hash: 'bb', rounds: 600_000 } }, keys: [], tries: {} })
  await stores.lists.set('rows/list_x/1/0', {
    text: '["K1","Ida"]',
    zones: Uint16Array.from([0, 1, 65_535]),
    priorities: Int16Array.from([-3, 0, 9]),
    checksum: 1,
  })
  await stores.history.set('block/1', {
    columns: { wait: Float64Array.from([1.5, Number.NaN, -0]), ids: Uint32Array.from([1, 2 ** 32 - 1]) },
    none: null,
    when: [1, [2, []]],
  })
  await stores.people.set('people', [{ name: 'Åse “Ø” Brønn', numbers: ['+441632960112'] }])
  await stores.recordings.set('rec_1/000/000', new Blob([Uint8Array.from([26, 69, 223, 163])], { type: 'audio/webm;codecs=opus' }))
  return stores
}
async function everythingOf(stores: Stores): Promise<unknown> {
  const all: [string, unknown][] = []
  for (const store of STORES)
    for (const key of (await stores[store].keys()).toSorted()) {
      const value = await stores[store].get(key)
      all.push([`${store}/${key}`, value instanceof Blob ? { type: value.type, bytes: [...new Uint8Array(await value.arrayBuffer())] } : value])
    }
  return all
}
const saved = async (stores: Stores, passphrase: string | null = null): Promise<Blob> => {
  const stream = await pack({ stores, centre: 'Fennholm Line', madeAtMs: 1_796_130_540_936, passphrase, workFactor: 4, onProgress: () => {} })
  return new Response(stream as ReadableStream<Uint8Array<ArrayBuffer>>).blob()
}
const opened = async (file: Blob, passphrase: string | null = null): Promise<Backup> => {
  const reading = await unpack(file, passphrase)
  if (!reading.ok) throw new Error(reading.why)
  return reading.backup
}

test('any value a store can hold comes back as it was, but for the sign of a zero', () =>
  fc.assert(
    fc.asyncProperty(
      fc.anything({
        maxDepth: 4,
        withTypedArray: true,
        withNullPrototype: false,
        withObjectString: false,
        values: [fc.boolean(), fc.double().filter((n) => !Object.is(n, -0)), fc.string({ unit: 'grapheme' }), fc.constant(null)],
      }),
      async (value) => {
        expect(fromBytes(await toBytes({ value }))).toEqual({ value: structuredClone(value) })
      },
    ),
    { numRuns: 200 },
  ))

describe.each([null, 'the 18:45 leaves at seven'])('with the passphrase %s', (passphrase) => {
  test('what was saved and put in place elsewhere is the same, down to the last byte', async () => {
    const stores = await aCentre()
    const backup = await opened(await saved(stores, passphrase), passphrase)
    expect(backup.manifest).toMatchObject({ centre: 'Fennholm Line', madeAtMs: 1_796_130_540_936 })
    expect(backup.holds.map(({ store, parts }) => [store, parts])).toEqual([
      ['lists', 1],
      ['history', 1],
      ['people', 1],
      ['recordings', 1],
      ['drafts of scripts', 0],
      ['floor', 4],
    ])
    expect(await backup.check(() => {})).toEqual([])
    const [there, beside] = [emptyStores(), memoryStore()]
    await there.floor.set('chunk/1-9', 'of another centre')
    await layBeside(beside, backup, () => {})
    expect(await isReady(beside)).toBe(true)
    await go(beside)
    expect(await putInPlace(beside, there)).toBe(true)
    expect(await everythingOf(there)).toEqual(await everythingOf(stores))
    expect(await beside.keys()).toEqual([])
  })

  test('cut at any place, or with any byte changed, it is refused or its part is named; otherwise nothing of what it holds is other than it was', async () => {
    const file = await saved(await aCentre(), passphrase)
    const bytes = new Uint8Array(await file.arrayBuffer())
    const whole = await opened(file, passphrase)
    const values = async (backup: Backup) => Promise.all(backup.manifest.parts.map(async (p) => toBytes(await backup.value(p))))
    const was = await values(whole)
    const lookAt = async (blob: Blob) => {
      const reading = await unpack(blob, passphrase)
      if (!reading.ok) return reading.why
      const damaged = await reading.backup.check(() => {})
      if (damaged.length > 0) return damaged.map(({ part, why }) => `${part.store}/${part.key}: ${why}`)
      expect(reading.backup.manifest).toEqual(whole.manifest)
      expect(await values(reading.backup)).toEqual(was)
      return 'the same'
    }
    const step = Math.max(1, Math.floor(bytes.length / 60))
    for (let at = 0; at < bytes.length; at += step) expect(['the same', true]).not.toContain(await lookAt(new Blob([bytes.slice(0, at)])))
    const said = new Set<string>()
    for (let at = 1; at < bytes.length; at += step) {
      const changed = bytes.slice()
      changed[at] = (changed[at] ?? 0) ^ 0x40
      const found = await lookAt(new Blob([changed]))
      for (const what of [found].flat()) said.add(what)
      if (passphrase !== null) expect(found).toBeOneOf(['wrongPassphrase', 'cutOrChanged', 'notABackup', 'needsPassphrase'])
    }
    if (passphrase === null) expect([...said].some((s) => s.includes('floor/chunk/1-3: it '))).toBe(true)
  })
})

test.each([
  ['a sealed file without its passphrase', async () => ({ file: await saved(await aCentre(), 'right'), passphrase: null }), 'needsPassphrase'],
  ['with another one', async () => ({ file: await saved(await aCentre(), 'right'), passphrase: 'wrong' }), 'wrongPassphrase'],
  ['a picture', async () => ({ file: new Blob(['\x89PNG something else']), passphrase: null }), 'notABackup'],
  ['nothing', async () => ({ file: new Blob([]), passphrase: null }), 'notABackup'],
])('%s is refused', async (_, made, why) => {
  const { file, passphrase } = await made()
  expect(await unpack(file, passphrase)).toEqual({ ok: false, why })
})

describe('putting in place', () => {
  /** A centre beside which another one was laid. */
  async function aboutTo() {
    const [from, there, beside] = [await aCentre(), emptyStores(), memoryStore()]
    await there.floor.set('chunk/1-9', 'of another centre')
    await there.people.set('people', [])
    const backup = await opened(await saved(from))
    return { from, there, beside, backup, before: await everythingOf(there) }
  }

  test('a store that refuses while it is laid beside changes nothing', async () => {
    const { there, beside, backup, before } = await aboutTo()
    let writes = 0
    const full: KeyValue = { ...beside, set: (key, value) => (++writes > 3 ? Promise.reject(new Error('the disk is full')) : beside.set(key, value)) }
    await expect(layBeside(full, backup, () => {})).rejects.toThrow('the disk is full')
    expect(await beside.keys()).toEqual([])
    await go(beside)
    expect([await isReady(beside), await putInPlace(beside, there)]).toEqual([false, false])
    expect(await everythingOf(there)).toEqual(before)
  })

  test('what is there and not said to count is left beside', async () => {
    const { there, beside, backup, before } = await aboutTo()
    await layBeside(beside, backup, () => {})
    expect(await putInPlace(beside, there)).toBe(false)
    expect(await everythingOf(there)).toEqual(before)
  })

  test('a browser that dies at any write of it goes on when it is opened again, until all of it is there', async () => {
    const { from, backup } = await aboutTo()
    for (let dies = 0; dies < 40; dies++) {
      const { there, beside } = await aboutTo()
      await layBeside(beside, backup, () => {})
      await go(beside)
      let acts = 0
      const dying = (store: KeyValue): KeyValue => {
        const act = async (does: () => Promise<void>) => (acts++ >= dies ? Promise.reject(new Error('gone')) : does())
        return { ...store, set: (key, value) => act(() => store.set(key, value)), remove: (key) => act(() => store.remove(key)) }
      }
      const mortal = Object.fromEntries(STORES.map((s) => [s, dying(there[s])])) as Stores
      const wasWhole = await putInPlace(dying(beside), mortal).catch(() => false)
      if (!wasWhole) await putInPlace(beside, there)
      expect(await everythingOf(there)).toEqual(await everythingOf(from))
      if (wasWhole) return
    }
    throw new Error('it never came to its end')
  })

  test('what was left in the middle is cleared away, and what is whole is not', async () => {
    const { beside, backup } = await aboutTo()
    await layBeside(beside, backup, () => {})
    const whole = (await beside.keys()).length
    await clearLeftOver(beside)
    expect(await beside.keys()).toHaveLength(whole)
    expect(await laid(beside, 'floor', 'alive')).toBe(1_796_130_540_936)
    await beside.remove('ready')
    await clearLeftOver(beside)
    expect(await beside.keys()).toEqual([])
  })
})

test('a store that cannot be read makes no file', async () => {
  const stores = await aCentre()
  stores.history.get = () => Promise.reject(new Error('the disk says no'))
  await expect(saved(stores)).rejects.toThrow('the disk says no')
})

test('what a file holds is told store by store', async () => {
  expect(holdings({ parts: [] }).map((h) => h.store)).toEqual([...STORES])
})
