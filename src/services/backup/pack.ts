// Puts everything a centre keeps into one file: a zip (APPNOTE 6.3) of parts with what they are in its manifest, sealed with a passphrase in the age format
// (age-encryption.org/v1, scrypt and ChaCha20-Poly1305), or open where that is wanted.
import { TextReader, Uint8ArrayReader, ZipWriter } from '@zip.js/zip.js'
import { Encrypter } from 'age-encryption'
import type { KeyValue } from '@/services/storage'
import { BACKUP_VERSION, MANIFEST, type Manifest, type Part, STORES, type StoreName, sha256 } from './parts'
import { toBytes } from './values'

export interface PackAsked {
  readonly stores: Readonly<Record<StoreName, KeyValue>>
  readonly centre: string
  readonly madeAtMs: number
  /** null for an open file. */
  readonly passphrase: string | null
  /** Of age: whoever holds its identity opens the file, and no passphrase does. */
  readonly recipient?: string | null
  /** Of scrypt, as a power of two; the library's own where it is not given. */
  readonly workFactor?: number
  readonly onProgress: (done: number, of: number) => void
}

/** A stream of the file; it fails with the store's words when one cannot be read. */
export async function pack({ stores, centre, madeAtMs, passphrase, recipient = null, workFactor, onProgress }: PackAsked): Promise<ReadableStream<Uint8Array>> {
  const { readable, writable } = new TransformStream<Uint8Array, Uint8Array>()
  void write(writable, stores, { centre, madeAtMs }, onProgress).catch((error: unknown) => writable.abort(error).catch(() => {}))
  if (passphrase === null && recipient === null) return readable
  const encrypter = new Encrypter()
  if (recipient !== null) encrypter.addRecipient(recipient)
  else if (passphrase !== null) encrypter.setPassphrase(passphrase)
  if (workFactor !== undefined) encrypter.setScryptWorkFactor(workFactor)
  return encrypter.encrypt(readable)
}

async function write(
  to: WritableStream<Uint8Array>,
  stores: PackAsked['stores'],
  about: Pick<Manifest, 'centre' | 'madeAtMs'>,
  onProgress: PackAsked['onProgress'],
) {
  const zip = new ZipWriter(to, { useWebWorkers: false, level: 6, zip64: true })
  const keys = await Promise.all(STORES.map(async (store) => [store, (await stores[store].keys()).toSorted()] as const))
  const of = keys.reduce((sum, [, its]) => sum + its.length, 0)
  const parts: Part[] = []
  for (const [store, its] of keys) {
    for (const key of its) {
      const value = await stores[store].get(key)
      onProgress(parts.length, of)
      // It was joined with others since the keys were asked for; what it held is in those.
      if (value === null) continue
      const bytes = await toBytes(value)
      const file = `parts/${String(parts.length).padStart(7, '0')}.cbor`
      await zip.add(file, new Uint8ArrayReader(bytes))
      parts.push({ file, store, key, bytes: bytes.length, sha256: await sha256(bytes) })
    }
  }
  const manifest: Manifest = { format: 'loyal-switchboard-backup', version: BACKUP_VERSION, ...about, parts }
  await zip.add(MANIFEST, new TextReader(JSON.stringify(manifest)))
  await zip.close()
  onProgress(of, of)
}
