// What showing costs: a command decided, kept and shown on a floor with many tabs, and how much is sent to all of them for it.
import { toAgentId, toCallId } from '@/core/ids'
import { SetUpSchema } from '@/core/set-up'
import { makePinSecret, openAccounts } from '@/services/exchange/accounts'
import { createExchange } from '@/services/exchange/exchange'
import { openPeople } from '@/services/exchange/people'
import type { FloorMessage } from '@/services/exchange/protocol'
import { NOTHING_RESTORED } from '@/services/exchange/store'
import { memoryStore } from '@/services/storage'
import { FENNHOLM_LINE, SAILINGS } from '@/world/scenario'
import { keep } from './keep'
import { median, print } from './statistics'

const PIN = '2417'
const COMMANDS = 400

export async function showing(): Promise<void> {
  for (const [agents, tabs, aim] of [
    [60, 3, 0.3],
    [60, 60, 1],
    [1_000, 3, 1],
  ] as const) {
    const { ms, bytes } = await aCommandShown(agents, tabs)
    print(`a command decided, kept and shown: ${agents} agents, ${tabs} tabs`, `${ms.toFixed(2)} ms, ${Math.round(bytes)} bytes to all tabs`, `${aim} ms`)
    keep(`views.msPerCommand.${agents}x${tabs}`, ms, 'ms', aim)
    keep(`views.bytesPerEvent.${agents}x${tabs}`, bytes, 'bytes')
  }
}

/** Medians of a command of one agent's: hold and retrieve. Of those who have a tab every other one talks. */
async function aCommandShown(agentCount: number, tabCount: number) {
  const ids = Array.from({ length: agentCount }, (_, i) => toAgentId(`agent_bench_${i}`))
  const setUp = SetUpSchema.parse({
    ...FENNHOLM_LINE.setUp,
    takeBackMs: 0,
    agents: ids.map((id, i) => ({ id, name: `Agent ${i}`, role: 'agent', queueIds: [SAILINGS], playable: false })),
  })
  const secret = await makePinSecret(PIN, 10)
  const store = memoryStore()
  let nowMs = Date.UTC(2026, 10, 24, 9)
  const exchange = createExchange({
    clocks: { wall: () => nowMs, elapsed: () => nowMs },
    wakeAt: () => {},
    later: () => {},
    scenario: { ...FENNHOLM_LINE, setUp },
    isShared: true,
    builtAtMs: 0,
    forgetSounds: async () => {},
    isOtherServed: async () => false,
    replacement: { problem: async () => null, go: async () => {} },
    store,
    restored: NOTHING_RESTORED,
    accounts: await openAccounts({ store, now: () => nowMs, initial: new Map(ids.map((id) => [id, secret])), found: new Map(), isNew: true }),
    people: await openPeople(memoryStore()),
    storageRefused: null,
    floorId: 'bench',
    seed: 7,
    end: () => {},
    drafts: { store: memoryStore(), loaded: new Map() },
    fetchLeft: async () => null,
  })
  let bytes = 0
  const aTab = () => {
    const waiting = new Map<string, (message: Extract<FloorMessage, { kind: 'reply' }>) => void>()
    const port = exchange.attach({
      postMessage: (message) => {
        if (message.kind === 'reply') waiting.get(message.requestId)?.(message)
        else bytes += JSON.stringify(message).length
      },
    })
    let last = 0
    const ask = async (request: object) => {
      nowMs += 1
      const requestId = `r${++last}`
      const reply = new Promise<Extract<FloorMessage, { kind: 'reply' }>>((resolve) => waiting.set(requestId, resolve))
      port.receive({ ...request, requestId })
      const answer = await reply
      if (!answer.ok) throw new Error(`the bench was refused ${JSON.stringify(request)}: ${answer.refusal.says}`)
    }
    return { ask, close: port.detach }
  }
  const asks: ((request: object) => Promise<void>)[] = []
  for (const [i, agentId] of ids.entries()) {
    const { ask, close } = aTab()
    await ask({ kind: 'hello', key: null, world: { pace: 'quiet', seed: 7 } })
    await ask({ kind: 'signIn', agentId, pin: PIN })
    await ask({ kind: 'command', command: { kind: 'startShift', queueIds: [SAILINGS], seat: 'desk' } })
    if (i < tabCount) asks.push(ask)
    else close()
    if (i % 2 > 0 || i >= tabCount) continue
    await ask({ kind: 'command', command: { kind: 'goReady' } })
    await ask({ kind: 'ringMe', queueId: SAILINGS, customerId: null, patienceMs: 3_600_000, staysMs: 3_600_000 })
    const callId = toCallId(`call_bench_${exchange.state().callCount}`)
    await ask({ kind: 'command', command: { kind: 'answer', callId } })
  }
  const talks = asks[0]
  if (talks === undefined) throw new Error('the bench has no tab')
  const spent: number[] = []
  bytes = 0
  for (let n = 0; n < COMMANDS; n++) {
    const begunAt = performance.now()
    await talks({ kind: 'command', command: { kind: n % 2 === 0 ? 'hold' : 'retrieve', callId: toCallId('call_bench_1') } })
    spent.push(performance.now() - begunAt)
  }
  return { ms: median(spent), bytes: bytes / COMMANDS }
}
