// A line between two workers whose ports went through the hands of a page. Everything said on it is sealed with a key that workers of this browser
// share and no page is given (AES-GCM, NIST SP 800-38D, by the platform): who only holds the port can neither read what goes over it, nor say anything in
// the name of one of them, nor say anything again.

import { toHex } from '@/services/storage'
import { type Box, seal, unseal } from './box'

/** Methods of an end, as they are called across the line. */
type Methods<T> = { readonly [K in keyof T]: T[K] extends (...args: infer A) => infer R ? (...args: A) => Promise<Awaited<R>> : never }
type Ends = object

/** What crosses in the open: a number of this line that is used once, then boxes. */
type Frame = { readonly nonce: string } | Box

interface Ask {
  readonly no: number
  readonly ask: number
  readonly method: string
  readonly args: readonly unknown[]
}
type Said =
  | Ask
  | { readonly no: number; readonly answer: number; readonly value?: unknown; readonly problem?: string }
  | { readonly no: number; readonly tell: number }

/** A function is called at the other end under a number; it is given nothing. */
interface Told {
  readonly tells: number
}
const isTold = (arg: unknown): arg is Told => typeof arg === 'object' && arg !== null && 'tells' in arg && typeof arg.tells === 'number'

/** Answers for `end` on a port: `methods` of it and no others. */
export function serveSealed<T extends Ends>(port: MessagePort, key: CryptoKey, end: T, methods: readonly (keyof T & string)[]): void {
  const line = openLine(port, key, 'answers', async (said) => {
    if (!('ask' in said)) return
    const { ask, method, args } = said
    try {
      if (!(methods as readonly string[]).includes(method)) throw new Error(`nothing called ${method} is answered on this line`)
      const given = args.map((arg) => (isTold(arg) ? () => line.say({ tell: arg.tells }) : arg))
      const called = end[method as keyof T] as (...args: readonly unknown[]) => unknown
      line.say({ answer: ask, value: await called.apply(end, given) })
    } catch (error) {
      line.say({ answer: ask, problem: error instanceof Error ? error.message : String(error) })
    }
  })
}

/** The end at the other side of a port. A problem over there is thrown here, in its words. */
export function callSealed<T extends Ends>(port: MessagePort, key: CryptoKey, methods: readonly (keyof T & string)[]): Methods<T> {
  const waiting = new Map<number, { readonly resolve: (value: unknown) => void; readonly reject: (why: Error) => void }>()
  const tells: (() => void)[] = []
  let asked = 0
  const line = openLine(port, key, 'asks', (said) => {
    if ('tell' in said) tells[said.tell]?.()
    if (!('answer' in said)) return
    const asker = waiting.get(said.answer)
    waiting.delete(said.answer)
    if (said.problem !== undefined) asker?.reject(new Error(said.problem))
    else asker?.resolve(said.value)
  })
  const call =
    (method: string) =>
    (...args: readonly unknown[]) =>
      new Promise<unknown>((resolve, reject) => {
        const ask = ++asked
        waiting.set(ask, { resolve, reject })
        const given = args.map((arg) => (typeof arg === 'function' ? { tells: tells.push(arg as () => void) - 1 } : arg))
        line.say({ ask, method, args: given })
      })
  return Object.fromEntries(methods.map((method) => [method, call(method)])) as unknown as Methods<T>
}

type Side = 'asks' | 'answers'
const otherOf = { asks: 'answers', answers: 'asks' } as const

/** One side of the line. What cannot be opened, was opened before, or comes from another line is not for us. */
function openLine(port: MessagePort, key: CryptoKey, side: Side, hear: (said: Said) => void | Promise<void>) {
  const mine = newNonce()
  let known: (theirs: string) => void = () => {}
  const theirs = new Promise<string>((resolve) => {
    known = resolve
  })
  /** Said with what is sealed: by which side, on which line. */
  const about = async (by: Side): Promise<Uint8Array<ArrayBuffer>> => {
    const nonces = { [side]: mine, [otherOf[side]]: await theirs }
    return new TextEncoder().encode(`${by} ${nonces.asks} ${nonces.answers}`)
  }
  let [sent, heard] = [0, 0]
  // One after the other, in the order in which they were said and came.
  let saying: Promise<void> = Promise.resolve()
  let hearing: Promise<void> = Promise.resolve()
  port.onmessage = ({ data }: MessageEvent<Frame>) => {
    if (typeof data !== 'object' || data === null) return
    if ('nonce' in data) known(String(data.nonce))
    else if ('iv' in data)
      hearing = hearing.then(async () => {
        const said = (await unseal(key, data, await about(otherOf[side]))) as Said | null
        if (said === null || said.no <= heard) return
        heard = said.no
        void hear(said)
      })
  }
  port.start()
  port.postMessage({ nonce: mine } satisfies Frame)
  return {
    say(what: Said extends infer S ? (S extends Said ? Omit<S, 'no'> : never) : never): void {
      const said = { ...what, no: ++sent }
      saying = saying.then(async () => {
        const sealed = await seal(key, said, await about(side))
        port.postMessage(sealed, [sealed.box])
      })
    },
  }
}

const newNonce = (): string => toHex(crypto.getRandomValues(new Uint8Array(16)))
