// What goes over ports: how much of it, by whom, and unheard by whoever hands the port on.
import { afterEach, describe, expect, test } from 'vitest'
import * as z from 'zod'
import { memoryStore } from '@/services/storage'
import { callSealed, type Doors, guarded, houseKey, newHouseKey, newKeyPair, serveSealed, tooMuch } from '.'

describe('the size of a message', () => {
  const nested = (deep: number): unknown => (deep === 0 ? 1 : { in: nested(deep - 1) })
  test.each([
    ['a usual command', { kind: 'command', command: { kind: 'hangUp', callId: 'call_1' } }, null],
    ['a long text', { text: 'a'.repeat(1_000_000) }, null],
    ['a longer text', { text: 'a'.repeat(1_000_001) }, /text of 1000001/],
    ['a key of that length', { ['a'.repeat(1_000_001)]: 1 }, /text of 1000001/],
    ['two million values', Array.from({ length: 2_000_000 }, () => 0), /values/],
    ['deep, and no deeper than it may be', nested(60), null],
    ['deeper', nested(65), /levels/],
    ['sound', { samples: new Float32Array(8 * 1024 * 1024) }, null],
    ['more sound', { samples: new Float32Array(8 * 1024 * 1024 + 1) }, /bytes/],
    ['a file, which is handed over and not read', { file: new Blob(['a'.repeat(500_000)]) }, null],
    ['nothing', null, null],
  ])('%s', (_, data, says) => (says === null ? expect(tooMuch(data)).toBeNull() : expect(tooMuch(data)).toMatch(says)))
})

describe('a guarded end', () => {
  const end = { open: async () => 'open', mine: async () => 'mine', all: async (of: string) => `all${of}` }
  const doors: Doors<typeof end> = {
    open: { right: 'anybody', asked: z.tuple([]) },
    mine: { right: 'account', asked: z.tuple([]) },
    all: { right: 'floor', asked: z.tuple([z.string().max(5)]) },
  }
  const as = (account: { everybody: boolean } | null) => guarded(end, doors, async () => account)
  const ask = (to: typeof end, method: keyof typeof end) => (method === 'all' ? to.all('') : to[method]())
  test.each([
    { who: 'a stranger', account: null, may: ['open'] },
    { who: 'an agent', account: { everybody: false }, may: ['open', 'mine'] },
    { who: 'who answers for the floor', account: { everybody: true }, may: ['open', 'mine', 'all'] },
  ])('$who is answered $may', async ({ account, may }) => {
    for (const method of ['open', 'mine', 'all'] as const)
      if (may.includes(method)) expect(await ask(as(account), method)).toBe(method)
      else await expect(ask(as(account), method)).rejects.toThrow(/signed in|for those/)
  })
  test.each([[[]], [['a day of it']], [[7]], [['', 'and more']]])('is not asked with %j', async (args) => {
    const all = as({ everybody: true }).all as (...args: readonly unknown[]) => Promise<unknown>
    await expect(all(...args)).rejects.toThrow('all was asked with what it does not take')
  })
  test('what is too much reaches nobody', async () => {
    await expect(as({ everybody: true }).all('a'.repeat(1_000_001))).rejects.toThrow('more than is taken at once')
  })
})

interface Ledger {
  read(after: number): Promise<string>
  watch(tell: () => void): Promise<void>
  fails(): Promise<void>
  secret(): Promise<string>
}
const METHODS = ['read', 'watch', 'fails'] as const
const OPEN: MessagePort[] = []
afterEach(() => {
  for (const port of OPEN.splice(0)) port.close()
})

/** Two workers with a page between them that hands on what they say, and keeps a copy. */
async function throughAPage({ theirKey = null as CryptoKey | null } = {}) {
  const key = await newHouseKey()
  const [asks, answers] = [new MessageChannel(), new MessageChannel()]
  OPEN.push(asks.port1, asks.port2, answers.port1, answers.port2)
  const heard: unknown[] = []
  let tell: () => void = () => {}
  asks.port2.onmessage = ({ data }) => {
    heard.push(data)
    answers.port1.postMessage(data)
  }
  answers.port1.onmessage = ({ data }) => {
    heard.push(data)
    asks.port2.postMessage(data)
  }
  let reads = 0
  const ledger: Ledger = {
    read: async (after) => `Ida Holm, 01632 960140, after ${after}, read ${++reads}`,
    watch: async (told) => {
      tell = told
    },
    fails: async () => {
      throw new Error('the disk says no')
    },
    secret: async () => 'not for the line',
  }
  serveSealed(answers.port2, key, ledger, METHODS)
  const end = callSealed<Ledger>(asks.port1, theirKey ?? key, [...METHODS, 'secret'])
  return { end, heard, toServer: answers.port1, reads: () => reads, tell: () => tell() }
}

describe('a sealed line', () => {
  test('answers, tells, and says in its words what went wrong, while the page that handed its ports on reads none of it', async () => {
    const { end, heard, tell } = await throughAPage()
    expect(await end.read(7)).toBe('Ida Holm, 01632 960140, after 7, read 1')
    let told = 0
    await end.watch(() => void told++)
    tell()
    await expect.poll(() => told).toBe(1)
    await expect(end.fails()).rejects.toThrow('the disk says no')
    await expect(end.secret()).rejects.toThrow('nothing called secret')
    const read = heard
      .map((data) => new TextDecoder().decode(Object.values(data as object).reduce((bytes, v) => (v instanceof ArrayBuffer ? v : bytes), new ArrayBuffer(0))))
      .join()
    expect(heard.length).toBeGreaterThan(6)
    expect(read).not.toContain('Ida')
    expect(read).not.toContain('read')
  })

  test('is deaf to what was said before, to what was changed on the way, and to what it never said', async () => {
    const { end, heard, toServer, reads } = await throughAPage()
    await end.read(1)
    const said = heard.slice()
    for (const data of said) toServer.postMessage(data)
    const [box] = said.filter((d): d is { iv: Uint8Array; box: ArrayBuffer } => typeof d === 'object' && d !== null && 'box' in d)
    const changed = new Uint8Array(box?.box.slice(0) ?? new ArrayBuffer(0))
    changed[3] = (changed[3] ?? 0) ^ 1
    toServer.postMessage({ iv: box?.iv, box: changed.buffer })
    for (const odd of [null, 'read', { ask: 1, method: 'read', args: [] }, { iv: 1, box: 2 }, { nonce: 7 }]) toServer.postMessage(odd)
    expect(await end.read(2)).toContain('read 2')
    expect(reads()).toBe(2)
  })

  test('answers nobody who has another key', async () => {
    const { end, reads, heard } = await throughAPage({ theirKey: await newHouseKey() })
    const answered = end.read(1).then(() => 'answered')
    await expect.poll(() => heard.length).toBeGreaterThanOrEqual(3)
    // Whatever was said before it has been looked at by the time a message of a third line has gone there and back.
    const other = await throughAPage()
    await other.end.read(1)
    expect(await Promise.race([answered, Promise.resolve('nothing')])).toBe('nothing')
    expect(reads()).toBe(0)
  })

  test('has one key, whoever asks for it first', async () => {
    const store = memoryStore()
    let last: Promise<unknown> = Promise.resolve()
    const alone = <T>(act: () => Promise<T>): Promise<T> => {
      const next = last.then(act)
      last = next
      return next
    }
    const [first, second] = await Promise.all([houseKey(store, alone), houseKey(store, alone)])
    const iv = new Uint8Array(12)
    const box = await crypto.subtle.encrypt({ name: 'AES-GCM', iv }, first, new TextEncoder().encode('the same'))
    expect(new TextDecoder().decode(await crypto.subtle.decrypt({ name: 'AES-GCM', iv }, second, box))).toBe('the same')
    await expect(crypto.subtle.exportKey('raw', first)).rejects.toThrow()
  })
})

test('two ends know what they say to each other, sound included; a third knows none of it, and cannot say it', async () => {
  const [mine, theirs, others] = await Promise.all([newKeyPair(), newKeyPair(), newKeyPair()])
  const said = { kind: 'signIn', pin: '3108', samples: new Float32Array([0.5, -0.25]) }
  const box = await (await mine.lineWith(theirs.publicKey)).seal(said)
  expect(await (await theirs.lineWith(mine.publicKey)).open(box)).toEqual(said)
  expect(new TextDecoder('latin1').decode(box.box)).not.toContain('3108')
  for (const public_ of [mine.publicKey, theirs.publicKey]) expect(await (await others.lineWith(public_)).open(box)).toBeNull()
})
