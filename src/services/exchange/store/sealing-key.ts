// What seals what is personal in entries of the ledger (ChaCha20-Poly1305, RFC 8439), and how one thing is forgotten of an entry that is about many.
import { chacha20, chacha20poly1305 } from '@noble/ciphers/chacha.js'
import * as z from 'zod'

/** Of one thing, whatever entries are about it. */
interface OfThing {
  readonly about: string
  readonly key: Uint8Array
}

/** Of one entry that is about several things. What they say lies one after the other, each as long as it is said here in bytes. */
interface OfEntry {
  readonly seq: number
  readonly key: Uint8Array
  readonly parts: readonly { readonly about: string; readonly length: number }[]
}

/**
 * What is left of the key of an entry once some of its things were forgotten: of the others the stretches of the cipher's stream that opens them. The cipher
 * adds its stream to what it seals, byte by byte, so a stretch opens its place and no other; the key, which would give the whole stream, is gone.
 */
interface Stretches {
  readonly stretches: readonly { readonly about: string; readonly stream: Uint8Array }[]
  /** How long each place is, those of what was forgotten too. */
  readonly places: readonly { readonly length: number; readonly stretch: number | null }[]
}

export type SealingKey = OfThing | OfEntry | Stretches

const BytesSchema = z.instanceof(Uint8Array)
export const SealingKeySchema: z.ZodType<SealingKey> = z.union([
  z.object({ about: z.string(), key: BytesSchema }),
  z.object({ seq: z.number(), key: BytesSchema, parts: z.array(z.object({ about: z.string(), length: z.number() })) }),
  z.object({
    stretches: z.array(z.object({ about: z.string(), stream: BytesSchema })),
    places: z.array(z.object({ length: z.number(), stretch: z.number().nullable() })),
  }),
])

const KEY_BYTES = 32
const newKey = (): Uint8Array => crypto.getRandomValues(new Uint8Array(KEY_BYTES))
export const keyOfThing = (about: string): OfThing => ({ about, key: newKey() })
export const keyOfEntry = (seq: number, parts: OfEntry['parts']): OfEntry => ({ seq, key: newKey(), parts })

/** No two entries a key is used for have one number: it is the nonce. */
function nonceOf(seq: number): Uint8Array {
  const nonce = new Uint8Array(12)
  new DataView(nonce.buffer).setBigUint64(4, BigInt(seq))
  return nonce
}

export const aboutOf = (key: SealingKey): readonly string[] =>
  'about' in key ? [key.about] : ('parts' in key ? key.parts : key.stretches).map(({ about }) => about)

/** `bytes` of the entry `seq`, and the tag behind them by which a change is found. */
export const sealedBy = ({ key }: OfThing | OfEntry, seq: number, bytes: Uint8Array): Uint8Array => chacha20poly1305(key, nonceOf(seq)).encrypt(bytes)

/**
 * What was sealed, each thing by itself, without those that were forgotten. Throws when it is not as it was sealed; where some were forgotten a change is
 * found by the checksum of its chunk alone.
 */
export function openedBy(key: SealingKey, seq: number, sealed: Uint8Array): Uint8Array[] {
  if ('stretches' in key) return unmasked(key, sealed)
  const bytes = chacha20poly1305(key.key, nonceOf(seq)).decrypt(sealed)
  return 'about' in key ? [bytes] : inTurn(bytes, key.parts)
}

const unmasked = ({ stretches, places }: Stretches, sealed: Uint8Array): Uint8Array[] =>
  inTurn(sealed, places).flatMap((bytes, i) => {
    const { stream } = stretches[places[i]?.stretch ?? -1] ?? {}
    return stream === undefined ? [] : [bytes.map((byte, at) => byte ^ (stream[at] ?? 0))]
  })

/** Bytes that lie one after the other, a copy of each: a view would be stored with all of them behind it. */
function inTurn(bytes: Uint8Array, parts: readonly { readonly length: number }[]): Uint8Array[] {
  let to = 0
  return parts.map(({ length }) => {
    to += length
    return bytes.slice(to - length, to)
  })
}

/** The key without what is meant; null when nothing is left to open, and the key itself when nothing is meant. */
export function withoutThings(key: SealingKey, isMeant: (about: string) => boolean): SealingKey | null {
  const about = aboutOf(key)
  if (!about.some(isMeant)) return key
  if (about.every(isMeant)) return null
  // Of one thing all or nothing was meant.
  if ('about' in key) return null
  const { stretches, places } = 'stretches' in key ? key : stretchesOf(key)
  const left = stretches.flatMap((stretch, i) => (isMeant(stretch.about) ? [] : [{ stretch, i }]))
  const placeNow = new Map(left.map(({ i }, now) => [i, now]))
  return {
    stretches: left.map(({ stretch }) => stretch),
    places: places.map(({ length, stretch }) => ({ length, stretch: stretch === null ? null : (placeNow.get(stretch) ?? null) })),
  }
}

/** RFC 8439, 2.8: what is sealed begins with the second block of the stream; the first makes the tag's key. */
function stretchesOf({ seq, key, parts }: OfEntry): Stretches {
  const length = parts.reduce((sum, part) => sum + part.length, 0)
  const streams = inTurn(chacha20(key, nonceOf(seq), new Uint8Array(length), undefined, 1), parts)
  return {
    stretches: parts.map(({ about }, i) => ({ about, stream: streams[i] as Uint8Array })),
    places: parts.map(({ length }, i) => ({ length, stretch: i })),
  }
}
