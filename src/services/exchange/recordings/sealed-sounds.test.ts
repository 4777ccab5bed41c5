// Sounds sealed where they lie: by whoever records, opened by the passphrase and nothing else.
import { expect, test } from 'vitest'
import { resealAll } from './client'
import { isSealed } from './is-sealed'
import { newSoundSeal, openedSeal, openPiece, SoundSealSchema, sealPiece, withPassphrase } from './sealed-sounds'

/** Of scrypt: the library's own takes seconds. */
const QUICK = 4
const PASSPHRASE = 'the 18:45 leaves at seven'
const sound = new Blob([Uint8Array.from({ length: 4_000 }, (_, i) => i % 256)], { type: 'audio/webm;codecs=opus' })
const bytesOf = async (blob: Blob) => new Uint8Array(await blob.arrayBuffer())

test('a piece is sealed by what anybody may know, and comes back with the passphrase, its kind with it', async () => {
  const { seal } = await newSoundSeal(PASSPHRASE, QUICK)
  expect(SoundSealSchema.parse(structuredClone(seal))).toEqual(seal)
  const sealed = await sealPiece(sound, seal)
  expect([isSealed(sound), isSealed(sealed)]).toEqual([false, true])
  const bytes = await bytesOf(sealed)
  expect(Buffer.from(bytes).includes(Buffer.from(await bytesOf(sound)).subarray(0, 32))).toBe(false)
  const identity = await openedSeal(seal, PASSPHRASE)
  const opened = await openPiece(sealed, identity ?? '')
  expect(opened.type).toBe(sound.type)
  expect(await bytesOf(opened)).toEqual(await bytesOf(sound))
})

test('another passphrase opens nothing, nor does what opens the sounds of another browser; a changed byte is found', async () => {
  const [{ seal }, { identity: other }] = [await newSoundSeal(PASSPHRASE, QUICK), await newSoundSeal(PASSPHRASE, QUICK)]
  expect(await openedSeal(seal, `${PASSPHRASE}.`)).toBeNull()
  const sealed = await sealPiece(sound, seal)
  await expect(openPiece(sealed, other)).rejects.toThrow()
  const bytes = await bytesOf(sealed)
  bytes[bytes.length - 9] = (bytes[bytes.length - 9] ?? 0) ^ 1
  await expect(openPiece(new Blob([bytes], { type: sealed.type }), (await openedSeal(seal, PASSPHRASE)) ?? '')).rejects.toThrow()
})

test('under another passphrase they are the same sounds', async () => {
  const { seal, identity } = await newSoundSeal(PASSPHRASE, QUICK)
  const again = await withPassphrase(identity, 'four other words at least', QUICK)
  expect(again.recipient).toBe(seal.recipient)
  expect(await openedSeal(again, PASSPHRASE)).toBeNull()
  expect(await openedSeal(again, 'four other words at least')).toBe(identity)
})

test('sealing all of them, and opening all again, may break off at any piece: each is whole, and what was begun is gone on with', async () => {
  const { seal, identity } = await newSoundSeal(PASSPHRASE, QUICK)
  const keys = ['rec_1/000/000', 'rec_1/000/001', 'rec_message_2/000/000', 'rec_greeting_3/000/000']
  const said = (i: number) => `what was said in ${i}`
  for (const kind of ['seal', 'open'] as const)
    for (let last = 0; last <= 3; last++) {
      const disk = new Map<string, unknown>([['seal', seal]])
      for (const [i, key] of keys.entries()) {
        const piece = new Blob([said(i)], { type: 'audio/webm' })
        disk.set(key, kind === 'open' && i < 3 ? await sealPiece(piece, seal) : piece)
      }
      let writes = 0
      const pieces = (dies: boolean) => ({
        keys: async () => [...disk.keys()],
        getItem: async <T>(key: string) => (disk.get(key) ?? null) as T | null,
        setItem: async <T>(key: string, value: T) => {
          if (dies && ++writes > last) throw new Error('the page is gone')
          disk.set(key, value)
          return value
        },
      })
      const how = kind === 'seal' ? seal : { identity }
      const first = resealAll(how, () => {}, pieces(true))
      if (last < 3) await expect(first).rejects.toThrow('the page is gone')
      else await first
      const read = async () =>
        Promise.all(
          keys.map(async (key) => {
            const piece = disk.get(key) as Blob
            return (isSealed(piece) ? await openPiece(piece, identity) : piece).text()
          }),
        )
      expect(await read(), `${kind} ${last}`).toEqual(keys.map((_, i) => said(i)))
      await resealAll(how, () => {}, pieces(false))
      expect(await read()).toEqual(keys.map((_, i) => said(i)))
      // Greetings are heard without a passphrase.
      expect(keys.map((key) => isSealed(disk.get(key) as Blob))).toEqual(kind === 'seal' ? [true, true, true, false] : [false, false, false, false])
      expect(disk.get('seal')).toBe(seal)
    }
})
