// Backups by schedule: when they are due, whole or not there, so many kept, and what went wrong said and tried again.
import { generateIdentity, identityToRecipient } from 'age-encryption'
import fc from 'fast-check'
import { expect, test } from 'vitest'
import { type KeyValue, memoryStore } from '@/services/storage'
import { heldStore } from '@/services/storage/testing'
import { pack } from './pack'
import { STORES, type StoreName } from './parts'
import { dueAtMs, EVERY, EVERY_MS, type Folder, readSchedule, type Schedule, saveWhenDue, TRIES_AGAIN_MS, writeSchedule } from './schedule'
import { unpack } from './unpack'

const NOW = Date.parse('2026-12-02T09:00:00Z')

/** A folder of a computer, with files of others in it. */
function aFolder() {
  const files = new Map<string, Blob | null>([['holiday.jpg', new Blob(['x'])]])
  const disk = { full: false, leave: 'granted' as PermissionState }
  const folder: Folder = {
    name: 'backups',
    async *keys() {
      yield* [...files.keys()]
    },
    async getFileHandle(name) {
      if (!files.has(name)) files.set(name, null)
      return {
        async createWritable() {
          const parts: Uint8Array<ArrayBuffer>[] = []
          return new WritableStream<Uint8Array>({
            write(part) {
              if (disk.full) throw new DOMException('no room is left', 'QuotaExceededError')
              parts.push(part.slice())
            },
            close: () => void files.set(name, new Blob(parts)),
          })
        },
      }
    },
    removeEntry: async (name) => void files.delete(name),
    queryPermission: async () => disk.leave,
  }
  return { folder, files, disk, ours: () => [...files.keys()].filter((name) => name !== 'holiday.jpg').toSorted() }
}

async function scheduled(change: Partial<Schedule> = {}) {
  const on = aFolder()
  const store = heldStore()
  const clock = { ms: NOW }
  await writeSchedule(store, {
    folder: on.folder,
    every: 'day',
    keeps: 3,
    recipient: null,
    centre: 'Fennholm Line',
    lastMs: null,
    lastFile: null,
    trouble: null,
    ...change,
  })
  const stores = Object.fromEntries(STORES.map((s) => [s, memoryStore()])) as Record<StoreName, KeyValue>
  await stores.floor.set('mark', { of: 'this floor' })
  const save = (now = false) =>
    saveWhenDue({
      store,
      now,
      nowMs: () => clock.ms,
      pack: ({ centre, recipient }) => pack({ stores, centre, madeAtMs: clock.ms, passphrase: null, recipient, onProgress: () => {} }),
    })
  return { ...on, store, clock, save }
}

test('one is made when it is due and not before, the last few stay, and nothing else of the folder is touched', async () => {
  const { save, clock, ours, files, store } = await scheduled()
  expect(await save()).toEqual({ is: 'saved', file: 'fennholm-line-by-itself-2026-12-02-09-00-00.zip' })
  clock.ms += EVERY_MS.day - 1
  expect(await save()).toEqual({ is: 'notDue' })
  expect(ours()).toHaveLength(1)
  for (let n = 0; n < 4; n++) {
    clock.ms += 1
    expect(await save(n > 0)).toMatchObject({ is: 'saved' })
    clock.ms += 60_000
  }
  expect(ours()).toHaveLength(3)
  expect(ours().at(-1)).toBe((await readSchedule(store))?.lastFile)
  expect(files.has('holiday.jpg')).toBe(true)
  await writeSchedule(store, null)
  expect(await save(true)).toEqual({ is: 'notDue' })
})

test('what fails leaves no half a file, takes no older one away, is said once, and is tried again', async () => {
  const { save, clock, ours, disk, store } = await scheduled({ keeps: 1 })
  await save()
  const [first] = ours()
  clock.ms += EVERY_MS.day
  disk.full = true
  expect(await save()).toEqual({ is: 'failed', says: 'no room is left', needsLeave: false, isNew: true })
  expect(await save()).toEqual({ is: 'notDue' })
  clock.ms += TRIES_AGAIN_MS
  expect(await save()).toMatchObject({ is: 'failed', isNew: false })
  expect(ours()).toEqual([first])
  expect((await readSchedule(store))?.trouble).toMatchObject({ sinceMs: NOW + EVERY_MS.day, triedMs: NOW + EVERY_MS.day + TRIES_AGAIN_MS })
  disk.full = false
  disk.leave = 'prompt'
  clock.ms += TRIES_AGAIN_MS
  expect(await save()).toMatchObject({ is: 'failed', needsLeave: true, isNew: true })
  disk.leave = 'granted'
  expect(await save(true)).toMatchObject({ is: 'saved' })
  expect(ours()).not.toContain(first)
  expect(ours()).toHaveLength(1)
  expect((await readSchedule(store))?.trouble).toBeNull()
})

test('what was begun when the browser died is taken away with the next one', async () => {
  const { save, clock, ours, files } = await scheduled()
  await save()
  files.set('fennholm-line-by-itself-2026-12-02-10-00-00.zip', new Blob([]))
  clock.ms += EVERY_MS.day
  await save()
  expect(ours()).toEqual(['fennholm-line-by-itself-2026-12-02-09-00-00.zip', 'fennholm-line-by-itself-2026-12-03-09-00-00.zip'])
})

test('its key opens it, as it was given or with what a paste brings; another key and a passphrase do not', async () => {
  const identity = await generateIdentity()
  const { save, files, ours } = await scheduled({ recipient: await identityToRecipient(identity) })
  await save()
  const file = files.get(ours()[0] ?? '') as Blob
  expect(ours()[0]).toMatch(/\.zip\.age$/)
  for (const key of [identity, ` ${identity.toLowerCase()}\n`]) {
    const reading = await unpack(file, key)
    expect(reading.ok && (await reading.backup.check(() => {}))).toEqual([])
  }
  expect(await unpack(file, null)).toEqual({ ok: false, why: 'needsPassphrase' })
  for (const other of [await generateIdentity(), 'the 18:45 leaves at seven', 'AGE-SECRET-KEY-1 that is none'])
    expect(await unpack(file, other)).toEqual({ ok: false, why: 'wrongPassphrase' })
})

test('whatever the clock says, the next one is due within a period, and a failed one is not tried at every look', () => {
  const instant = fc.integer({ min: 0, max: 4e12 })
  fc.assert(
    fc.property(fc.constantFrom(...EVERY), fc.option(instant), fc.option(instant), instant, (every, lastMs, triedMs, nowMs) => {
      const trouble = triedMs === null ? null : { sinceMs: 0, triedMs, says: '', needsLeave: false }
      const due = dueAtMs({ every, lastMs, trouble }, nowMs)
      expect(due).toBeLessThanOrEqual(Math.max(nowMs + EVERY_MS[every], nowMs + TRIES_AGAIN_MS))
      if (lastMs !== null && lastMs <= nowMs) expect(due).toBeGreaterThanOrEqual(lastMs + EVERY_MS[every])
      if (triedMs !== null && triedMs <= nowMs) expect(due).toBeGreaterThanOrEqual(triedMs + TRIES_AGAIN_MS)
    }),
  )
})
