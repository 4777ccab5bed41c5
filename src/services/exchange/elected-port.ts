// Where no worker can be shared, tabs elect the one whose worker the floor is, by a lock; the others speak to that one on a channel. All tabs of the address
// hear the channel, so what crosses it is sealed for the two who speak: a PIN is nobody else's.
import { type Box, newKeyPair, type PrivateLine, type PublicKey } from '@/services/ports'
import type { FloorPort, Outgoing } from './floor-port'
import type { FloorMessage } from './protocol'

const LOCK = 'floor'
const CHANNEL = 'floor'

type Said =
  /** The floor's tab and its public key, to everybody who is there and to whoever asks. */
  | { readonly to: 'everybody'; readonly floor: PublicKey; readonly moved: boolean }
  | { readonly to: 'floor'; readonly asks: true }
  | { readonly to: 'floor'; readonly from: string; readonly key: PublicKey; readonly box: Box }
  | { readonly to: string; readonly box: Box }

/** `onReset` is called when the floor is at another tab than before. `floorUrl` is its worker's. */
export function electedPort(floorUrl: string, onMessage: (message: FloorMessage) => void, onReset: () => void): FloorPort {
  const me = crypto.randomUUID()
  const channel = new BroadcastChannel(CHANNEL)
  const pair = newKeyPair()
  const ports = new Map<string, MessagePort>()
  const lines = new Map<string, PrivateLine>()
  let worker: Worker | null = null
  let release: (() => void) | null = null
  /** With the floor's tab; a new one each time the floor moves. */
  let line: Promise<PrivateLine> | null = null
  let unsaid: Outgoing[] = []
  const say = (said: Said) => channel.postMessage(said)
  // What is sealed and opened one after the other keeps its order.
  let saying: Promise<unknown> = Promise.resolve()
  const inOrder = (act: () => Promise<void>) => {
    saying = saying.then(act)
  }

  /** The floor's port of a tab; `theirs` seals what goes there, null for this tab itself. */
  const portOf = (tab: string, theirs: PrivateLine | null): MessagePort | undefined => {
    const known = ports.get(tab)
    if (known !== undefined || worker === null) return known
    const { port1, port2 } = new MessageChannel()
    port1.onmessage = ({ data }: MessageEvent<FloorMessage>) => {
      if (theirs === null) onMessage(data)
      else inOrder(async () => say({ to: tab, box: await theirs.seal(data) }))
    }
    worker.postMessage({ kind: 'port' }, [port2])
    ports.set(tab, port1)
    return port1
  }
  const toFloor = (tab: string, theirs: PrivateLine | null, message: Outgoing) => {
    portOf(tab, theirs)?.postMessage(message)
    if (message !== 'bye') return
    ports.delete(tab)
    lines.delete(tab)
  }
  const send = (message: Outgoing) => {
    if (line === null) {
      unsaid.push(message)
      return
    }
    const its = line
    inOrder(async () => say({ to: 'floor', from: me, key: (await pair).publicKey, box: await (await its).seal(message) }))
  }
  const meet = (floor: PublicKey) => {
    line = pair.then((mine) => mine.lineWith(floor))
    for (const message of unsaid.splice(0)) send(message)
  }
  const announce = async (moved: boolean) => say({ to: 'everybody', floor: (await pair).publicKey, moved })

  channel.onmessage = ({ data }: MessageEvent<Said>) => {
    if (data.to === 'everybody' && 'floor' in data) {
      if (!data.moved && line !== null) return
      meet(data.floor)
      if (data.moved) onReset()
    } else if (data.to === 'floor' && 'asks' in data) {
      if (worker !== null) void announce(false)
    } else if (data.to === 'floor' && 'from' in data) {
      if (worker === null) return
      const { from, key, box } = data
      inOrder(async () => {
        const theirs = lines.get(from) ?? (await (await pair).lineWith(key))
        lines.set(from, theirs)
        const message = (await theirs.open(box)) as Outgoing | null
        if (message !== null) toFloor(from, theirs, message)
      })
    } else if (data.to === me && 'box' in data) {
      const its = line
      inOrder(async () => {
        const message = (await (await its)?.open(data.box)) as FloorMessage | null | undefined
        if (message != null) onMessage(message)
      })
    }
  }
  say({ to: 'floor', asks: true })
  void navigator.locks.request(LOCK, async () => {
    worker = new Worker(floorUrl, { name: 'floor' })
    unsaid = []
    await announce(true)
    onReset()
    // The lock is held for as long as this tab lives.
    await new Promise<void>((resolve) => {
      release = resolve
    })
  })
  return {
    post: (message) => {
      if (worker !== null) toFloor(me, null, message)
      else send(message)
    },
    // What tabs say to each other on a channel carries no ports.
    introduce: () => false,
    close: () => {
      worker?.terminate()
      channel.close()
      release?.()
    },
  }
}
