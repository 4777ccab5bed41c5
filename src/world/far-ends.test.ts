import { describe, expect, test } from 'vitest'
import { type Command, decide, openFloor } from '@/core/floor'
import { toAgentId, toCallId } from '@/core/ids'
import { floorOf } from '@/core/state'
import { get, must, values } from '@/core/table'
import { dtmfSamples } from '@/core/tones'
import { advance, createWorld } from '@/world'
import { FENNHOLM, FENNHOLM_STAGE, SAILINGS } from '@/world/scenario'

const ELUNED = toAgentId('agent_eluned-tarnow')
const BEVAN = toAgentId('agent_bevan-skarrow')
const call = (n: number) => toCallId(`call_w_${n}`)
const START_MS = Date.UTC(2026, 10, 24, 9)

/** A quiet floor with Eluned at a desk and Bevan played by the stand-ins. */
function aWorld() {
  const opened = openFloor('w', { ...FENNHOLM, takeBackMs: 0 }, START_MS)
  const state = floorOf(opened)
  let atMs = START_MS
  const world = createWorld(FENNHOLM_STAGE, { seed: 7, pace: 'quiet', plays: [BEVAN], day: { kind: 'live' } })
  world.begin(state, atMs)
  const give = (command: Command) => {
    const decision = decide(state, command, { atMs })
    if (!decision.ok) throw new Error(`${JSON.stringify(command)}: ${decision.refusal.reason}`)
    world.observe(decision.entries, state)
  }
  const pass = (ms: number) => {
    atMs += ms
    advance(state, world, atMs, () => {})
  }
  const on = (kind: string, n: number, more: object = {}) => give({ kind, agentId: ELUNED, callId: call(n), ...more } as Command)
  give({ kind: 'startShift', agentId: ELUNED, queueIds: [SAILINGS], seat: 'desk' })
  give({ kind: 'goReady', agentId: ELUNED })
  give({ kind: 'startShift', agentId: BEVAN, queueIds: [SAILINGS], seat: 'standIn' })
  pass(2_000)
  return { world, give, on, pass, state: () => state, now: () => atMs, said: (n: number) => must(state.calls, call(n)).connections.map((c) => c.said) }
}

function talking() {
  const floor = aWorld()
  floor.world.ring({ queueId: SAILINGS, customerId: 'customer_2', patienceMs: null, staysMs: null, keepsPlaceMs: null }, null, floor.now())
  floor.pass(1_000)
  floor.on('answer', 1)
  return floor
}

describe('the far ends', () => {
  test('the port office hears keypad tones and does what its menu says; silence and speech it lets be', () => {
    const floor = aWorld()
    floor.give({ kind: 'makeCall', agentId: ELUNED, typed: '01632 960900', customer: null })
    floor.pass(6_000)
    expect(floor.said(1)).toContain('Port office, Arnmoor. Press 1 for berths, 2 for livestock.')
    floor.world.hear(call(1), ELUNED, new Float32Array(8_000), floor.state(), floor.now())
    floor.pass(2_000)
    expect(must(floor.state().calls, call(1)).connections.map((c) => c.received)).toEqual(['', ''])
    floor.world.hear(call(1), ELUNED, dtmfSamples('2'), floor.state(), floor.now())
    floor.pass(2_000)
    expect(must(floor.state().calls, call(1)).connections.map((c) => c.received)).toContain('2')
    expect(floor.said(1)).toContain('Livestock. The pens open at five; have the papers ready.')
    floor.world.hear(call(1), ELUNED, dtmfSamples('7'), floor.state(), floor.now())
    floor.pass(2_000)
    expect(floor.said(1)).toContain('That is not on offer.')
  })

  test('tones on a line that is held reach nobody', () => {
    const floor = aWorld()
    floor.give({ kind: 'makeCall', agentId: ELUNED, typed: '01632 960900', customer: null })
    floor.pass(6_000)
    floor.on('hold', 1)
    floor.world.hear(call(1), ELUNED, dtmfSamples('2'), floor.state(), floor.now())
    floor.pass(2_000)
    expect(must(floor.state().calls, call(1)).connections.map((c) => c.received)).toEqual(['', ''])
  })

  test('a colleague played by the stand-ins answers a consult, takes the call over, and sees it to its outcome', () => {
    const floor = talking()
    floor.on('consult', 1, { target: { kind: 'agent', agentId: BEVAN } })
    floor.pass(8_000)
    expect(must(floor.state().agents, BEVAN).engagements).toEqual([{ callId: call(2), state: 'connected', internal: false, listens: false }])
    expect(floor.said(2).some((words) => words !== null)).toBe(true)
    floor.on('completeTransfer', 2)
    expect(get(floor.state().work, call(1))?.handledBy).toBe(BEVAN)
    floor.on('saveOutcome', 1, { code: 'passed-on', notes: 'Seen to.', followUp: '', andThen: { state: 'ready' } })
    floor.pass(30 * 60_000)
    expect(get(floor.state().calls, call(1))).toBeUndefined()
    expect(get(floor.state().work, call(1))).toBeUndefined()
    expect(must(floor.state().agents, BEVAN).codedCount).toBe(1)
  })

  test('a mailbox greets, the caller speaks after the tone and goes', () => {
    const floor = talking()
    floor.on('transfer', 1, { target: { kind: 'voicemail', agentId: BEVAN } })
    floor.pass(8_000)
    expect(floor.said(1)).toContain('This is the voicemail of Bevan Skarrow. Please speak after the tone.')
    floor.pass(12_000)
    expect(get(floor.state().calls, call(1))).toBeUndefined()
    const [message] = values(floor.state().messages)
    expect(FENNHOLM_STAGE.words.messages.map((m) => m.says)).toContainEqual(message?.words.map((w) => w.text))
  })

  test('of twelve who are brought to a call each answers for themselves, and says words of their own', () => {
    const floor = talking()
    for (let n = 0; n < 12; n++) floor.on('addParty', 1, { target: { kind: 'number', typed: `01632 9605${String(n).padStart(2, '0')}`, name: null } })
    floor.pass(10_000)
    const brought = must(floor.state().calls, call(1)).connections.slice(2)
    expect(brought).toHaveLength(12)
    expect(new Set(brought.map((c) => c.state)).size).toBeGreaterThan(1)
    expect(brought.filter((c) => c.state === 'connected').length).toBeGreaterThan(3)
    expect(new Set(brought.flatMap((c) => c.said ?? [])).size).toBeGreaterThan(1)
  })

  test.each(['busy', 'noAnswer', 'refused', 'machine'] as const)('a number that was told to be %s is, and only the next one', (as) => {
    const floor = talking()
    floor.world.setNextAnswer(as)
    floor.on('consult', 1, { target: { kind: 'number', typed: '01632 960901', name: null } })
    floor.pass(30_000)
    expect(must(floor.state().calls, call(2)).connections.find((c) => c.state === 'failed')?.failure).toBe(as)
    floor.on('consult', 1, { target: { kind: 'number', typed: '01632 960901', name: null } })
    floor.pass(8_000)
    expect(must(floor.state().calls, call(3)).connections.every((c) => c.state === 'connected')).toBe(true)
  })
})
