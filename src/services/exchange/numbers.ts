// Telephone numbers are read and written by the floor's worker: what knows every country's is large, and a tab has no need of it. What was asked
// once is remembered here; what is asked for in one go goes in one message.
import type { NumberReading } from '@/core/directory'
import type { NumbersSaid, TabMessage } from './protocol'

type Write = (e164: string) => string
export type NumbersAsked = Omit<Extract<TabMessage, { kind: 'numbers' }>, 'requestId'>
/** Asks the floor; resolves with a refusal rather than rejecting. */
type Ask = (asked: NumbersAsked) => Promise<{ readonly ok: true; readonly text: string | null } | { readonly ok: false }>

/** Longer text is no number, and need not travel. */
const LONGEST = 300
const REMEMBERED = 500

export function createNumbers() {
  let ask: Ask | null = null
  let isAsking = false
  const written = new Map<string, string>()
  const readings = new Map<string, NumberReading>()
  const toWrite = new Set<string>()
  const toRead = new Map<string, { readonly typed: string; readonly homeCountry: string; readonly short: boolean }>()
  const listeners = new Set<() => void>()

  const write: Write = (e164) => {
    const known = written.get(e164)
    if (known !== undefined) return known
    toWrite.add(e164)
    soon()
    return e164
  }
  /** Another function whenever more is known, so that what is shown by it is shown anew. */
  let writer: Write = (e164) => write(e164)

  const soon = () => {
    if (isAsking || ask === null) return
    isAsking = true
    queueMicrotask(() => void flush())
  }
  const flush = async (): Promise<void> => {
    const asked = { write: [...toWrite], read: [...toRead] }
    toWrite.clear()
    toRead.clear()
    const reply = await ask?.({ kind: 'numbers', write: asked.write, read: asked.read.map(([, r]) => r) })
    isAsking = false
    // A floor that does not answer is asked again by whoever is drawn next.
    if (reply?.ok && reply.text !== null) take(asked, JSON.parse(reply.text) as NumbersSaid)
    if (toWrite.size + toRead.size > 0) soon()
  }
  const take = (asked: { readonly write: readonly string[]; readonly read: readonly (readonly [key: string, unknown])[] }, said: NumbersSaid) => {
    for (const [i, e164] of asked.write.entries()) written.set(e164, said.written[i] ?? e164)
    if (readings.size > REMEMBERED) readings.clear()
    for (const [i, [key]] of asked.read.entries()) {
      const reading = said.read[i]
      if (reading !== undefined) readings.set(key, reading)
    }
    writer = (e164) => write(e164)
    for (const tell of listeners) tell()
  }
  const keyOf = (typed: string, homeCountry: string, short = false) => `${homeCountry} ${short} ${typed}`

  return {
    /** Whom to ask from now on. */
    answerBy(floor: Ask) {
      ask = floor
      if (toWrite.size + toRead.size > 0) soon()
    },
    /** Writes a number as its country does; as it is kept until that is known. */
    writer: (): Write => writer,
    /** How what was typed is read, `short` ones as well where it is to be dialled; undefined until that is known. */
    read(typed: string, homeCountry: string, short = false): NumberReading | undefined {
      const key = keyOf(typed, homeCountry, short)
      const known = readings.get(key)
      if (known === undefined) {
        toRead.set(key, { typed: typed.slice(0, LONGEST), homeCountry, short })
        soon()
      }
      return known
    },
    /** The same once it is known; undefined when nobody answers. */
    async reading(typed: string, homeCountry: string): Promise<NumberReading | undefined> {
      const known = readings.get(keyOf(typed, homeCountry))
      if (known !== undefined || ask === null) return known
      const reply = await ask({ kind: 'numbers', write: [], read: [{ typed: typed.slice(0, LONGEST), homeCountry }] })
      return reply.ok && reply.text !== null ? (JSON.parse(reply.text) as NumbersSaid).read[0] : undefined
    },
    subscribe(listener: () => void): () => void {
      listeners.add(listener)
      return () => listeners.delete(listener)
    },
  }
}

/** Those of this tab. */
export const numbers = createNumbers()
