// Sounds sealed where they lie, as a choice: each piece for a recipient of age (age-encryption.org/v1, X25519), so that any desk records, and what opens them
// lies there sealed with a passphrase. What is open of it while the browser runs is the floor's to hand out.
import { Decrypter, Encrypter, generateIdentity, identityToRecipient } from 'age-encryption'
import * as z from 'zod'
import { SEALED } from './is-sealed'

export const SoundSealSchema = z.object({
  recipient: z.string().startsWith('age1'),
  /** What opens them, sealed with the passphrase. */
  identity: z.instanceof(Uint8Array),
  /** New ones are sealed. */
  isOn: z.boolean(),
  /** Those that were there are not all sealed yet, or not all opened: whoever did it went away in the middle. */
  rest: z.enum(['toSeal', 'toOpen']).nullable(),
})
export type SoundSeal = z.infer<typeof SoundSealSchema>

/** `workFactor` of scrypt, as a power of two; the library's own where it is not given. */
export async function newSoundSeal(passphrase: string, workFactor?: number): Promise<{ readonly seal: SoundSeal; readonly identity: string }> {
  const identity = await generateIdentity()
  return { seal: await withPassphrase(identity, passphrase, workFactor), identity }
}

/** The same sounds under another passphrase. */
export async function withPassphrase(identity: string, passphrase: string, workFactor?: number): Promise<SoundSeal> {
  const encrypter = new Encrypter()
  encrypter.setPassphrase(passphrase)
  if (workFactor !== undefined) encrypter.setScryptWorkFactor(workFactor)
  return { recipient: await identityToRecipient(identity), identity: Uint8Array.from(await encrypter.encrypt(identity)), isOn: true, rest: 'toSeal' }
}

/** What opens the sounds; null where the passphrase does not. */
export async function openedSeal({ identity }: SoundSeal, passphrase: string): Promise<string | null> {
  const decrypter = new Decrypter()
  decrypter.addPassphrase(passphrase)
  try {
    return await decrypter.decrypt(identity, 'text')
  } catch {
    // The library throws its own words on what does not fit.
    return null
  }
}

export async function sealPiece(piece: Blob, { recipient }: Pick<SoundSeal, 'recipient'>): Promise<Blob> {
  const encrypter = new Encrypter()
  encrypter.addRecipient(recipient)
  const sealed = await encrypter.encrypt(new Uint8Array(await piece.arrayBuffer()))
  return new Blob([sealed as Uint8Array<ArrayBuffer>], { type: SEALED + piece.type })
}

/** Rejects where it was sealed for another, or is not as it was sealed. */
export async function openPiece(piece: Blob, identity: string): Promise<Blob> {
  const decrypter = new Decrypter()
  decrypter.addIdentity(identity)
  const open = await decrypter.decrypt(new Uint8Array(await piece.arrayBuffer()))
  return new Blob([open as Uint8Array<ArrayBuffer>], { type: piece.type.slice(SEALED.length) })
}
