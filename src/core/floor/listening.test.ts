import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { type Call, type CallDecision, evolveCalls, onLine, services, whoHearsWhom } from '@/core/calls'
import { type AgentId, type CallId, type DeviceId, deviceOfAgent, toCallId } from '@/core/ids'
import { createLedgerFolder, type FloorEvent } from '@/core/ledger'
import { beginDraft, emit } from '@/core/state'
import { get, values } from '@/core/table'
import { ANN, aCrowdedFloor, aReadyFloor, arrives, BO, CY, FIRST, MANY, steps, type TestFloor, toCommand } from '@/core/testing'
import { broken as brokenOn } from './invariants'

const CALL = toCallId('call_test_1')
type Role = 'talks' | 'listens' | 'whispers'
const joins = (callId: CallId, agentId: AgentId, role: Role): Extract<FloorEvent, { kind: 'roleTaken' }> => ({
  kind: 'roleTaken',
  callId,
  deviceId: deviceOfAgent(agentId),
  party: { kind: 'agent', agentId },
  role,
  whispersTo: role === 'whispers' ? deviceOfAgent(ANN) : null,
  beside: null,
})

/** Somebody comes in, as their right will let them. */
function takeRole(floor: TestFloor, agentId: AgentId, role: Role): void {
  const draft = beginDraft(floor.state(), floor.state().atMs + 1000)
  emit(draft, null, joins(CALL, agentId, role))
  floor.entries.push(...draft.entries)
}

/** Ann talks with a caller; `also` have stepped in beside her. */
function aTalk(also: readonly AgentId[] = []): TestFloor {
  const floor = aReadyFloor([ANN])
  floor.give({ kind: 'startShift', agentId: BO, queueIds: [FIRST], seat: 'desk' })
  floor.give({ kind: 'startShift', agentId: CY, queueIds: [FIRST], seat: 'desk' })
  floor.give(arrives())
  floor.give({ kind: 'answer', agentId: ANN, callId: CALL })
  for (const agentId of also) takeRole(floor, agentId, 'talks')
  return floor
}

const broken = (floor: TestFloor) => brokenOn(floor.state())
const leave = { kind: 'hangUp', callId: CALL } as const

describe.each(['listens', 'whispers'] as const)('who %s', (role) => {
  test('does not keep a call alive: the caller hangs up and it is over, owed by the agent alone', () => {
    const floor = aTalk()
    takeRole(floor, BO, role)
    expect(broken(floor)).toEqual([])
    floor.give({ kind: 'callerHangsUp', callId: CALL })
    expect(get(floor.state().calls, CALL)).toBeUndefined()
    expect(get(floor.state().work, CALL)?.owedBy).toEqual([ANN])
    expect(get(floor.state().agents, BO)).toMatchObject({ wrapUps: [], owed: [], engagements: [] })
    expect(broken(floor)).toEqual([])
  })

  test('inherits nothing: whoever talks on has the call, though the listener was there first', () => {
    const floor = aTalk()
    takeRole(floor, BO, role)
    takeRole(floor, CY, 'talks')
    floor.give({ ...leave, agentId: ANN })
    floor.give({ kind: 'endNow', agentId: ANN, callId: CALL })
    expect(get(floor.state().work, CALL)).toMatchObject({ handledBy: CY, owedBy: [ANN] })
    expect(broken(floor)).toEqual([])
  })

  test('leaves without anybody noticing, and cannot act on the call', () => {
    const floor = aTalk()
    takeRole(floor, BO, role)
    for (const kind of ['hold', 'endForEveryone'] as const) expect(floor.give({ kind, agentId: BO, callId: CALL })).toBe('notOnCall')
    floor.give({ ...leave, agentId: BO })
    floor.give({ kind: 'endNow', agentId: BO, callId: CALL })
    expect(get(floor.state().calls, CALL)?.connections.map((c) => c.party.kind)).toEqual(['outside', 'agent'])
    expect(get(floor.state().agents, BO)).toMatchObject({ wrapUps: [], owed: [], engagements: [] })
    expect(get(floor.state().work, CALL)).toMatchObject({ handledBy: ANN, owedBy: [] })
  })

  test('has no part in the record until they step in, which makes them one who joined', () => {
    const legs = (floor: TestFloor) => {
      const folder = createLedgerFolder()
      for (const entry of floor.entries) folder.add(entry)
      return folder.underWay(floor.state().atMs)[0]?.agents.map(({ agentId, role }) => [agentId, role])
    }
    const floor = aTalk()
    takeRole(floor, BO, role)
    expect(legs(floor)).toEqual([[ANN, 'handled']])
    takeRole(floor, BO, 'talks')
    expect(legs(floor)).toEqual([
      [ANN, 'handled'],
      [BO, 'joined'],
    ])
  })
})

describe('on any call', () => {
  const nobody = () => false
  /** Every service an agent on the line or the network may ask for. */
  const asked = (on: Call, me: AgentId, devices: readonly DeviceId[]): CallDecision[] => [
    services.answer(on, me),
    services.hold(on, me),
    services.retrieve(on, me),
    services.leave(on, me, true),
    services.leave(on, me, false),
    services.endForEveryone(on, me),
    services.sendDigits(on, me, '12'),
    ...devices.flatMap((deviceId) => [
      services.clearConnection(on, deviceId, 'hungUp'),
      services.removeParty(on, me, deviceId),
      services.muteParty(on, me, deviceId, true),
      services.startAside(on, me, deviceId, 'music'),
    ]),
  ]

  test('a listener changes nothing of what may be done, of what comes of it, and of what the others hear', () => {
    let [met, ended] = [0, 0]
    fc.assert(
      fc.property(steps(80), fc.constantFrom('listens' as const, 'whispers' as const), (sequence, role) => {
        const floor = aCrowdedFloor()
        for (const [wanted, inMs] of sequence) {
          floor.give(toCommand(floor, wanted), inMs)
          for (const before of values(floor.state().calls)) {
            const stranger = MANY.find((id) => !before.connections.some((c) => c.deviceId === deviceOfAgent(id)))
            if (stranger === undefined || onLine(before).length < 2) continue
            met++
            const mine = deviceOfAgent(stranger)
            const after = evolveCalls(() => before, { ...joins(before.id, stranger, role), whispersTo: null }, floor.state().atMs)[0]?.after as Call
            const ears = whoHearsWhom(after, nobody)
            expect(ears.filter((e) => e.listener !== mine && e.speaker !== mine)).toEqual(whoHearsWhom(before, nobody))
            expect(ears.filter((e) => e.speaker === mine && e.hears !== 'silence')).toEqual([])
            // Whoever listens in overhears nobody who is not talked to.
            const heard = new Set(ears.filter((e) => e.listener !== mine && e.hears === 'voice').map((e) => e.speaker))
            expect(ears.filter((e) => e.listener === mine && e.hears === 'voice' && !heard.has(e.speaker))).toEqual([])
            const devices = before.connections.map((c) => c.deviceId)
            const others = (d: CallDecision) => (d.ok ? d.events.filter((e) => !('deviceId' in e) || e.deviceId !== mine) : d.refusal)
            for (const me of MANY.filter((id) => id !== stranger)) {
              const withThem = asked(after, me, devices)
              expect(withThem.map(others)).toEqual(asked(before, me, devices).map(others))
              for (const decision of withThem) {
                if (!decision.ok) continue
                // A call that ends sends the listener away as well, and nothing else does.
                const over = decision.events.some((e) => e.kind === 'callCleared')
                expect(decision.events.some((e) => 'deviceId' in e && e.deviceId === mine)).toBe(over)
                if (over) ended++
              }
            }
          }
        }
      }),
      { numRuns: 18, seed: 4 },
    )
    expect(met).toBeGreaterThan(300)
    expect(ended).toBeGreaterThan(300)
  })

  test('a whisper is heard by the agent it is for and nobody else; listener and whisperer hear every voice', () => {
    const floor = aTalk([CY])
    takeRole(floor, BO, 'whispers')
    const on = get(floor.state().calls, CALL) as Call
    const heard = whoHearsWhom(on, nobody)
    const voices = (e: { hears: string }) => e.hears === 'voice'
    expect(
      heard
        .filter((e) => e.speaker === deviceOfAgent(BO))
        .filter(voices)
        .map((e) => e.listener),
    ).toEqual([deviceOfAgent(ANN)])
    expect(heard.filter((e) => e.listener === deviceOfAgent(BO)).every(voices)).toBe(true)
    expect(
      whoHearsWhom(on, (id) => id === BO)
        .filter((e) => e.speaker === deviceOfAgent(BO))
        .some(voices),
    ).toBe(false)
  })
})
