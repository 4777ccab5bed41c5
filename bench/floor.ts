// The floor's figures, without a browser: commands a second, a simulated day, restoring a long ledger.
import { type Call, evolveCalls, whoHearsWhom } from '@/core/calls'
import { openFloor, preview } from '@/core/floor'
import { deviceOutside, toAgentId, toCallId } from '@/core/ids'
import { floorOf } from '@/core/state'
import { get } from '@/core/table'
import { HOUR } from '@/core/time'
import { createWriter, restore } from '@/services/exchange/store'
import { memoryStore } from '@/services/storage'
import { advance, createWorld, simulateDay } from '@/world'
import { FENNHOLM, FENNHOLM_STAGE } from '@/world/scenario'
import { aBusyFloor } from './busy-floor'
import { keep } from './keep'
import { printRates } from './print-rates'
import { privacy } from './privacy'
import { commandRates, foldRates } from './rate'
import { routing } from './routing'
import { scripts } from './scripts'
import { median, print, timed, timedAsync } from './statistics'
import { showing } from './tabs'

function folding(): void {
  const { inPlace, copying } = foldRates()
  keep('floor.eventsPerSecond', inPlace, '/s')
  keep('floor.plainReducerPerSecond', copying, '/s')
  print('events folded in place, 60 agents', `${inPlace} /s`, 'none set')
  print('the same by a plain reducer that copies its tables', `${copying} /s`, 'none set')
}

/** Every ordered pair of a hundred parties. */
function hearing(): void {
  const callId = toCallId('call_bench_1')
  const opened = evolveCalls(
    () => undefined,
    {
      kind: 'callOriginated',
      callId,
      agentId: toAgentId('agent_bench_0'),
      number: '+441632960112',
      customer: null,
      queueId: null,
      extension: null,
      ofCampaign: false,
    },
    1,
  )
  let call = opened[0]?.after as Call
  for (let n = 1; n < 100; n++) {
    const deviceId = deviceOutside(callId, n)
    const party = { kind: 'outside', number: null, name: null } as const
    for (const event of [
      { kind: 'connectionDelivered', callId, deviceId, party },
      { kind: 'connectionEstablished', callId, deviceId },
    ] as const)
      call = evolveCalls(() => call, event, 2)[0]?.after as Call
  }
  whoHearsWhom(call, () => false)
  const spent = timed(200, () => whoHearsWhom(call, () => false))
  print(`who hears whom among ${call.connections.length} parties`, `${median(spent).toFixed(2)} ms`, 'under 1 ms')
}

function previews(): void {
  const { state, atMs } = aBusyFloor()
  const agentId = toAgentId('agent_bench_0')
  const callId = get(state.agents, agentId)?.engagements[0]?.callId ?? toCallId('call_none')
  const spent = timed(200, () => {
    if (!preview(state, { kind: 'hangUp', agentId, callId }, { atMs }).ok) throw new Error('the bench previews what is refused')
  })
  print('a preview, 60 agents and 200 live calls', `${median(spent).toFixed(2)} ms`, 'under 16 ms')
}

function simulatedDay(): void {
  const day = '2026-11-23'
  simulateDay(FENNHOLM_STAGE, { seed: 1, pace: 'ordinary', day })
  let entries = 0
  const spent = timed(3, () => {
    entries = simulateDay(FENNHOLM_STAGE, { seed: 7, pace: 'ordinary', day }).length
  })
  print(`an ordinary day of 14 seats simulated (${entries} events)`, `${Math.round(median(spent))} ms`, 'under 1000 ms')
}

/** Five opening days on end through one floor, written as the browser writes them, then brought back. */
async function restored(): Promise<void> {
  const fromMs = Date.UTC(2026, 10, 23)
  const opened = openFloor('bench', FENNHOLM, fromMs)
  const store = memoryStore()
  const writer = createWriter({ store, storedSeq: 0, snapshotSeq: 0, onStored: () => {}, onTrouble: () => {}, onCleared: () => {}, later: () => {} })
  const state = floorOf(opened)
  writer.append([opened], state)
  const plays = FENNHOLM.agents.filter((a) => a.role === 'agent').map((a) => a.id)
  const world = createWorld(FENNHOLM_STAGE, { seed: 7, pace: 'ordinary', plays, day: { kind: 'live' } })
  world.begin(state, fromMs)
  for (let hour = 1; hour <= 50; hour++) {
    advance(state, world, fromMs + hour * HOUR, (entries) => writer.append(entries, state))
    await writer.flushed()
  }
  const spent = await timedAsync(5, () => restore(store))
  print(`a ledger of five days restored (${state.seq} events, newest snapshot)`, `${median(spent).toFixed(1)} ms`, 'under 300 ms')
  const [newest = ''] = (await store.keys())
    .filter((key) => key.startsWith('snapshot/'))
    .sort()
    .reverse()
  await store.remove(newest)
  keep('restore.fiveDaysMs', median(spent), 'ms', 300)
  const former = await timedAsync(5, () => restore(store))
  print('the same with the newest snapshot lost', `${median(former).toFixed(1)} ms`, 'under 300 ms')
  keep('restore.fiveDaysNoSnapshotMs', median(former), 'ms', 300)
  for (const key of await store.keys()) if (key.startsWith('snapshot/')) await store.remove(key)
  const whole = await timedAsync(3, () => restore(store))
  print('the same with every snapshot lost: folded from its first event', `${Math.round(median(whole))} ms`, 'none set')
}

printRates('under Node', commandRates())
folding()
routing()
scripts()
hearing()
previews()
simulatedDay()
await restored()
await privacy()
await showing()
