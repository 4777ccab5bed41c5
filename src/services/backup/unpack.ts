// Reads a backup before anything is done with it: what it holds, and whether every part of it is as it was written.
import { BlobReader, type BlobWriter, type Entry, TextWriter, Uint8ArrayWriter, ZipReader } from '@zip.js/zip.js'
import { Decrypter } from 'age-encryption'
import { BACKUP_VERSION, type Holding, holdings, MANIFEST, type Manifest, ManifestSchema, type Part, sha256 } from './parts'
import { fromBytes } from './values'

export interface Backup {
  readonly manifest: Manifest
  readonly holds: readonly Holding[]
  /** A part's value; rejects, naming it, where it is not as it was written. */
  value(part: Part): Promise<unknown>
  /** Every part held against what the manifest says; those that are not so, each with why. */
  check(onProgress: (done: number, of: number) => void): Promise<readonly { readonly part: Part; readonly why: string }[]>
}

export type Reading =
  | { readonly ok: true; readonly backup: Backup }
  | { readonly ok: false; readonly why: 'needsPassphrase' | 'wrongPassphrase' | 'notABackup' | 'newerVersion' | 'cutOrChanged' }

const AGE = 'age-encryption.org/v1'

/** Begins the identity that opens what was sealed for its recipient. */
const IDENTITY = 'AGE-SECRET-KEY-1'

/** `passphrase`: or the key, where the file was sealed for one. */
export async function unpack(file: Blob, passphrase: string | null): Promise<Reading> {
  const begins = await file.slice(0, AGE.length).text()
  if (begins !== AGE) return readZip(file)
  if (passphrase === null) return { ok: false, why: 'needsPassphrase' }
  let open: ReadableStream<Uint8Array>
  try {
    const decrypter = new Decrypter()
    // What is pasted brings spaces and ends of lines with it.
    const key = passphrase.trim().toUpperCase()
    if (key.startsWith(IDENTITY)) decrypter.addIdentity(key)
    else decrypter.addPassphrase(passphrase)
    open = await decrypter.decrypt(file.stream() as ReadableStream<Uint8Array>)
  } catch {
    // The head tells whether the passphrase fits: a changed one fits none.
    return { ok: false, why: 'wrongPassphrase' }
  }
  try {
    return await readZip(await new Response(open as ReadableStream<Uint8Array<ArrayBuffer>>).blob())
  } catch {
    return { ok: false, why: 'cutOrChanged' }
  }
}

async function readZip(file: Blob): Promise<Reading> {
  let entries: Map<string, Entry>
  try {
    const reader = new ZipReader(new BlobReader(file), { useWebWorkers: false, checkSignature: true })
    entries = new Map((await reader.getEntries()).map((e) => [e.filename, e]))
  } catch {
    return { ok: false, why: (await file.slice(0, 2).text()) === 'PK' ? 'cutOrChanged' : 'notABackup' }
  }
  const read = async (name: string, writer: TextWriter | Uint8ArrayWriter | BlobWriter): Promise<unknown> => {
    const entry = entries.get(name)
    if (entry === undefined || entry.directory) throw new Error('it is not in the file')
    return entry.getData(writer)
  }
  let text: unknown
  try {
    text = JSON.parse((await read(MANIFEST, new TextWriter())) as string)
  } catch {
    return { ok: false, why: entries.has(MANIFEST) ? 'cutOrChanged' : 'notABackup' }
  }
  const manifest = ManifestSchema.safeParse(text)
  if (!manifest.success) return { ok: false, why: 'notABackup' }
  if (manifest.data.version > BACKUP_VERSION) return { ok: false, why: 'newerVersion' }
  const bytesOf = async (part: Part): Promise<Uint8Array<ArrayBuffer>> => {
    const bytes = Uint8Array.from((await read(part.file, new Uint8ArrayWriter())) as Uint8Array)
    if (bytes.length !== part.bytes || (await sha256(bytes)) !== part.sha256) throw new Error('it is not as it was written')
    return bytes
  }
  return {
    ok: true,
    backup: {
      manifest: manifest.data,
      holds: holdings(manifest.data),
      async value(part) {
        try {
          return fromBytes(await bytesOf(part))
        } catch (error) {
          throw new Error(`${part.key} of ${part.store}: ${whyOf(error)}`)
        }
      },
      async check(onProgress) {
        const damaged: { part: Part; why: string }[] = []
        for (const [i, part] of manifest.data.parts.entries()) {
          onProgress(i, manifest.data.parts.length)
          try {
            await bytesOf(part)
          } catch (error) {
            damaged.push({ part, why: whyOf(error) })
          }
        }
        return damaged
      },
    },
  }
}

const whyOf = (error: unknown): string => (error instanceof Error && error.message.startsWith('it is') ? error.message : 'it cannot be read')
