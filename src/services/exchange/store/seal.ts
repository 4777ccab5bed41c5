// What is personal in an entry is stored sealed (ChaCha20-Poly1305, RFC 8439), by a key for each thing it is about; the rest of the line is the entry as it is
// read once that is forgotten. Whoever has the keys reads what was written; whoever has not reads what figures are made of.
import { chacha20poly1305 } from '@noble/ciphers/chacha.js'
import * as z from 'zod'
import type { IsOffered } from '@/core/forgotten'
import type { LedgerEntry } from '@/core/ledger'
import { type Personal, putTogether, takeApart } from '@/core/personal'
import type { KeyRing } from './key-ring'

const SEALED = '"sealed":'
/** Which keys, and what they sealed, as base64. */
const SealedSchema = z.looseObject({ seq: z.number(), event: z.unknown(), sealed: z.array(z.tuple([z.string(), z.string()])) })
type Sealed = z.infer<typeof SealedSchema>

/** A key seals one thing of an entry, and no two entries it is used for have one number: it is the nonce. */
function nonceOf(seq: number): Uint8Array {
  const nonce = new Uint8Array(12)
  new DataView(nonce.buffer).setBigUint64(4, BigInt(seq))
  return nonce
}

const [encoder, decoder] = [new TextEncoder(), new TextDecoder()]
/** A few thousand at a time: a call takes no more arguments than that. */
const AT_ONCE = 8_192
function toBase64(bytes: Uint8Array): string {
  let text = ''
  for (let at = 0; at < bytes.length; at += AT_ONCE) text += String.fromCharCode(...bytes.subarray(at, at + AT_ONCE))
  return btoa(text)
}
const fromBase64 = (text: string): Uint8Array => Uint8Array.from(atob(text), (c) => c.charCodeAt(0))

/** The line of an entry, with what is personal sealed. */
export function sealedLine(entry: LedgerEntry, ring: Pick<KeyRing, 'keyFor'>, isOffered: IsOffered): string {
  const { bare, parts } = takeApart(entry.event, isOffered)
  if (parts.size === 0) return JSON.stringify(entry)
  const sealed = [...parts].map(([about, personal]) => {
    const { name, bytes } = ring.keyFor(about, entry.atMs)
    return [name, toBase64(chacha20poly1305(bytes, nonceOf(entry.seq)).encrypt(encoder.encode(JSON.stringify(personal))))]
  })
  return JSON.stringify({ ...entry, event: bare, sealed })
}

/**
 * Lines with what is sealed in its places again, as far as there are keys for it; null for one of which what is sealed is not as it was written. What is no
 * entry stays as it is.
 */
export async function openLines(lines: readonly string[], ring: Pick<KeyRing, 'find'>): Promise<readonly (string | null)[]> {
  const read = lines.map((line) => (line.includes(SEALED) ? readSealed(line) : null))
  const names = new Set(read.flatMap((line) => line?.sealed.map(([name]) => name) ?? []))
  if (names.size === 0) return lines
  const keys = await ring.find(names)
  return lines.map((line, i) => {
    const sealed = read[i]
    return sealed == null ? line : openLine(sealed, keys)
  })
}

function readSealed(line: string): Sealed | null {
  try {
    const stored: unknown = JSON.parse(line)
    // As it stands there, field by field: opened, the line is what it was before it was sealed.
    return SealedSchema.safeParse(stored).success ? (stored as Sealed) : null
  } catch (error) {
    // A torn line is set aside by whoever reads entries.
    if (!(error instanceof SyntaxError)) throw error
    return null
  }
}

function openLine({ sealed, ...entry }: Sealed, keys: ReadonlyMap<string, Uint8Array>): string | null {
  const all: Personal[number][] = []
  for (const [name, text] of sealed) {
    const key = keys.get(name)
    if (key === undefined) continue
    const personal = opened(key, entry.seq, text)
    if (personal === null) return null
    for (const one of personal) all.push(one)
  }
  return JSON.stringify({ ...entry, event: putTogether(entry.event, all) })
}

function opened(key: Uint8Array, seq: number, text: string): Personal | null {
  try {
    return JSON.parse(decoder.decode(chacha20poly1305(key, nonceOf(seq)).decrypt(fromBase64(text)))) as Personal
  } catch {
    // The cipher, like what reads base64, throws its own words on what is not as it was written.
    return null
  }
}
