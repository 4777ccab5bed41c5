// What a browser says to the first write decides whether there is a store: a full disk is one, a browser that keeps nothing is none.
import { expect, test } from 'vitest'
import { opened } from './browser'

const disk = { says: null as Error | null, kept: new Map<string, unknown>([['mark', 16]]) }
const open = () =>
  opened(() => ({
    ready: async () => {},
    setItem: async (key, value) => {
      if (disk.says !== null) throw disk.says
      disk.kept.set(key, value)
      return value
    },
    removeItem: async (key) => void disk.kept.delete(key),
    getItem: async <T>(key: string) => (disk.kept.get(key) ?? null) as T | null,
    keys: async () => [...disk.kept.keys()],
  }))

test('on a full disk what is there is opened, and a write says that it is full', async () => {
  disk.says = new DOMException('no room', 'QuotaExceededError')
  const opening = await open()
  if (!opening.ok) throw new Error(opening.reason)
  expect([await opening.store.get('mark'), await opening.store.keys()]).toEqual([16, ['mark']])
  await expect(opening.store.set('chunk/1', 'x')).rejects.toThrow('no room')
})

test('a browser that keeps nothing says so in its words', async () => {
  disk.says = new DOMException('not in private mode', 'InvalidStateError')
  expect(await open()).toEqual({ ok: false, reason: 'not in private mode' })
  disk.says = null
  expect((await open()).ok).toBe(true)
  expect([...disk.kept.keys()]).toEqual(['mark'])
})
