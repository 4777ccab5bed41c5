// What is personal in an entry is stored sealed; the rest of the line is the entry as it is read once that is forgotten. Whoever has the keys reads what was
// written; whoever has not reads what figures are made of.
import * as z from 'zod'
import type { IsOffered } from '@/core/forgotten'
import type { LedgerEntry } from '@/core/ledger'
import { type Personal, putTogether, takeApart } from '@/core/personal'
import type { KeyRing } from './key-ring'
import { openedBy, type SealingKey, sealedBy } from './sealing-key'

const SEALED = '"sealed":'
/** Which keys, and what they sealed, as base64. */
const SealsSchema = z.array(z.tuple([z.string(), z.string()]))
const SealedSchema = z.looseObject({ seq: z.number(), event: z.unknown(), sealed: SealsSchema })
type Sealed = z.infer<typeof SealedSchema>

const [encoder, decoder] = [new TextEncoder(), new TextDecoder()]
/** A few thousand at a time: a call takes no more arguments than that. */
const AT_ONCE = 8_192
function toBase64(bytes: Uint8Array): string {
  let text = ''
  for (let at = 0; at < bytes.length; at += AT_ONCE) text += String.fromCharCode(...bytes.subarray(at, at + AT_ONCE))
  return btoa(text)
}
function fromBase64(text: string): Uint8Array {
  const binary = atob(text)
  const bytes = new Uint8Array(binary.length)
  // One by one: made from an iterable they take ten times as long.
  for (let i = 0; i < binary.length; i++) bytes[i] = binary.charCodeAt(i)
  return bytes
}

/** The line of an entry, with what is personal sealed: about one thing by the key of that thing, about several by a key of the entry that can be cut. */
export function sealedLine(entry: LedgerEntry, ring: Pick<KeyRing, 'forThing' | 'forEntry'>, isOffered: IsOffered): string {
  const { bare, parts } = takeApart(entry.event, isOffered)
  const [first, ...others] = [...parts].map(([about, personal]) => ({ about, bytes: encoder.encode(JSON.stringify(personal)) }))
  if (first === undefined) return JSON.stringify(entry)
  const all = [first, ...others]
  const { name, key } =
    others.length === 0
      ? ring.forThing(first.about, entry.atMs)
      : ring.forEntry(
          entry,
          all.map(({ about, bytes }) => ({ about, length: bytes.length })),
        )
  const sealed = sealedBy(key, entry.seq, joined(all.map(({ bytes }) => bytes)))
  return JSON.stringify({ ...entry, event: bare, sealed: [[name, toBase64(sealed)]] })
}

function joined(parts: readonly Uint8Array[]): Uint8Array {
  const whole = new Uint8Array(parts.reduce((sum, { length }) => sum + length, 0))
  let at = 0
  for (const part of parts) {
    whole.set(part, at)
    at += part.length
  }
  return whole
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

const SEQ = /"seq":(\d+)/

/**
 * The lines, opened, of which what is sealed is wanted. What is about nobody is not sealed and is not looked at, and no line is taken apart but those that are
 * found: a million calls are looked through.
 */
export async function linesSealing(lines: readonly string[], ring: Pick<KeyRing, 'find'>, isWanted: (personal: string) => boolean): Promise<readonly string[]> {
  const sealed = lines.flatMap((line) => {
    // The last field of its line, as it is written.
    const at = line.lastIndexOf(SEALED)
    const seals = at < 0 ? null : SealsSchema.safeParse(parsed(line.slice(at + SEALED.length, -1)))
    return seals?.success ? [{ line, seq: Number(SEQ.exec(line)?.[1]), seals: seals.data }] : []
  })
  const keys = await ring.find(new Set(sealed.flatMap(({ seals }) => seals.map(([name]) => name))))
  const found = sealed.flatMap(({ line, seq, seals }) => {
    const isMeant = seals.some(([name, text]) => {
      const key = keys.get(name)
      return key !== undefined && textsOf(key, seq, text).some(isWanted)
    })
    return isMeant ? [line] : []
  })
  return (await openLines(found, ring)).flatMap((line) => line ?? [])
}

function parsed(text: string): unknown {
  try {
    return JSON.parse(text)
  } catch (error) {
    // A torn line is set aside by whoever reads entries.
    if (!(error instanceof SyntaxError)) throw error
    return null
  }
}

function textsOf(key: SealingKey, seq: number, text: string): readonly string[] {
  try {
    return openedBy(key, seq, fromBase64(text)).map((bytes) => decoder.decode(bytes))
  } catch {
    // Not as it was written: whoever reads it sets it aside.
    return []
  }
}

function readSealed(line: string): Sealed | null {
  const stored = parsed(line)
  // As it stands there, field by field: opened, the line is what it was before it was sealed.
  return SealedSchema.safeParse(stored).success ? (stored as Sealed) : null
}

function openLine({ sealed, ...entry }: Sealed, keys: ReadonlyMap<string, SealingKey>): string | null {
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

function opened(key: SealingKey, seq: number, text: string): Personal | null {
  try {
    return openedBy(key, seq, fromBase64(text)).flatMap((bytes) => JSON.parse(decoder.decode(bytes)) as Personal)
  } catch {
    // The cipher, like what reads base64, throws its own words on what is not as it was written.
    return null
  }
}
