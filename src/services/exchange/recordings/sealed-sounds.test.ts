// Sounds sealed where they lie: by whoever records, opened by the passphrase and nothing else.
import { expect, test } from 'vitest'
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
