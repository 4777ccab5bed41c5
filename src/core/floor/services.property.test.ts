import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import type { Agent } from '@/core/agents'
import { type Call, onLine, type Party, takesPart } from '@/core/calls'
import { type AgentCommand, type Command, decide, preview } from '@/core/floor'
import type { CallId } from '@/core/ids'
import { isAwaited } from '@/core/rules/shift'
import { copyOf, type FloorState } from '@/core/state'
import { get, must, values } from '@/core/table'
import { aCrowdedFloor, MANY, type Step, steps, toCommand } from '@/core/testing'

/** Plays a sequence and looks at every state on the way. */
function along(sequence: readonly Step[], look: (state: FloorState, atMs: number) => void): void {
  const floor = aCrowdedFloor()
  for (const [wanted, inMs] of sequence) {
    floor.give(toCommand(floor, wanted), inMs)
    look(floor.state(), floor.state().atMs)
  }
}

/** Another floor, on which the command was given; null when it was refused. */
const given = (state: FloorState, command: Command, atMs: number): FloorState | null => {
  const after = copyOf(state)
  return decide(after, command, { atMs }).ok ? after : null
}
/** Whoever calls them reaches them in person. */
const reachable = (state: FloorState, agent: Agent): boolean =>
  agent.engagements.length === 0 && agent.shift !== null && agent.diversion === null && !agent.doNotDisturb && !isAwaited(state, agent)
const ends = (state: FloorState) => values(state.agents).flatMap((a: Agent) => a.engagements.map((e) => ({ agentId: a.id, ...e })))
const shape = (call: Call | undefined) => call?.connections.map(({ deviceId, state, silenced, endpoint }) => ({ deviceId, state, silenced, endpoint }))
const mutes = (state: FloorState) => MANY.map((id) => must(state.agents, id).muted)
const times = (state: FloorState) => new Map([...state.due].map(([key, { atMs }]) => [key, atMs]))
const name = (party: Party): string => JSON.stringify(party)

/** Runs the property over many floors and proves that its premise was met often enough to mean something. */
function overFloors(seed: number, atLeast: number, look: (state: FloorState, atMs: number) => number): void {
  let met = 0
  fc.assert(
    fc.property(steps(120), (sequence) =>
      along(sequence, (state, atMs) => {
        met += look(state, atMs)
      }),
    ),
    { numRuns: 24, seed, endOnFailure: true },
  )
  expect(met).toBeGreaterThan(atLeast)
}

describe('services of call control', () => {
  test('hold and retrieve are inverse', () =>
    overFloors(1, 250, (state, atMs) => {
      let met = 0
      for (const { agentId, callId } of ends(state)) {
        const held = given(state, { kind: 'hold', agentId, callId }, atMs)
        if (held === null) continue
        const back = given(held, { kind: 'retrieve', agentId, callId }, atMs)
        expect(shape(get(back?.calls ?? state.calls, callId))).toEqual(shape(get(state.calls, callId)))
        expect(back).not.toBeNull()
        met++
      }
      return met
    }))

  test('consult and end consult are inverse: the first line is as it was, whoever was consulted is free', () =>
    overFloors(30, 150, (state, atMs) => {
      let met = 0
      for (const { agentId, callId } of ends(state)) {
        const asked = MANY.find((id) => id !== agentId && reachable(state, must(state.agents, id)))
        const connected = get(state.calls, callId)?.connections.some((c) => c.party.kind === 'agent' && c.party.agentId === agentId && c.state === 'connected')
        const noFormer = !ends(state).some((e) => e.agentId === agentId && get(state.calls, e.callId)?.consultFor === callId)
        if (asked === undefined || !connected || !noFormer) continue
        const consulting = given(state, { kind: 'consult', agentId, callId, target: { kind: 'agent', agentId: asked } }, atMs)
        if (consulting === null) continue
        const consult = ends(consulting).find((e) => e.agentId === asked)?.callId as CallId
        const back = given(consulting, { kind: 'endConsult', agentId, callId: consult }, atMs)
        expect(shape(get((back as FloorState).calls, callId))).toEqual(shape(get(state.calls, callId)))
        expect(must((back as FloorState).agents, asked).engagements.filter((e) => e.callId === consult)).toEqual([])
        met++
      }
      return met
    }))

  test('a transfer conserves parties: the sender goes, the target comes, everybody else stays', () =>
    overFloors(3, 200, (state, atMs) => {
      let met = 0
      for (const { agentId, callId } of ends(state)) {
        const target = MANY.find((id) => id !== agentId && reachable(state, must(state.agents, id)))
        const call = get(state.calls, callId)
        if (target === undefined || call === undefined) continue
        const sent = given(state, { kind: 'transfer', agentId, callId, target: { kind: 'agent', agentId: target } }, atMs)
        if (sent === null) continue
        const people = (c: Call | undefined) => (c?.connections ?? []).filter((x) => x.party.kind !== 'queue' && takesPart(x)).map((x) => name(x.party))
        // Whoever a queue rings is not on the call: that ring stops when it is sent elsewhere.
        const rungByQueue = call.connections.some((c) => c.party.kind === 'queue')
          ? call.connections.flatMap((c) => (c.party.kind === 'agent' && c.state === 'alerting' ? [name(c.party)] : []))
          : []
        const gone = [...rungByQueue, ...[agentId, target].map((id) => name({ kind: 'agent', agentId: id }))]
        const expected = people(call).filter((p) => !gone.includes(p))
        expect(people(get(sent.calls, callId)).sort()).toEqual([...expected, name({ kind: 'agent', agentId: target })].sort())
        met++
      }
      return met
    }))

  test('an attended transfer and a conference keep everybody of both lines', () =>
    overFloors(17, 20, (drawn, atMs) => {
      let met = 0
      for (const { agentId, callId: firstId } of ends(drawn)) {
        // With whoever is free: drawn by chance alone hardly anybody is ever consulted and answers.
        const other = values(drawn.agents).find((a) => a.state.name === 'ready' && a.id !== agentId)
        if (other === undefined) continue
        const asked = given(drawn, { kind: 'consult', agentId, callId: firstId, target: { kind: 'agent', agentId: other.id } }, atMs)
        const callId = values(asked?.calls ?? new Map()).find((c) => c.consultFor === firstId)?.id
        const state = asked === null || callId === undefined ? null : given(asked, { kind: 'answer', agentId: other.id, callId }, atMs)
        if (state === null || callId === undefined) continue
        const [consult, first] = [must(state.calls, callId), must(state.calls, firstId)]
        const joined = given(state, { kind: 'conference', agentId, callId }, atMs)
        const transferred = given(state, { kind: 'completeTransfer', agentId, callId }, atMs)
        if (joined === null || transferred === null) continue
        const both = new Set([...onLine(first), ...onLine(consult)].map((c) => c.deviceId))
        expect(new Set(onLine(must(joined.calls, first.id)).map((c) => c.deviceId))).toEqual(both)
        const left = get(transferred.calls, first.id)
        expect(onLine(left as Call).length).toBe(both.size - 1)
        expect(get(joined.calls, callId)).toBeUndefined()
        met++
      }
      return met
    }))

  test.each(['hangUp', 'decline', 'endForEveryone', 'removeParty'] as const)('%s taken back inside the grace returns the identical state', (kind) =>
    overFloors(5, 20, (state, atMs) => {
      let met = 0
      for (const { agentId, callId } of ends(state)) {
        const call = get(state.calls, callId)
        const deviceId = call?.connections.find((c) => c.party.kind === 'outside')?.deviceId
        const press: AgentCommand | null =
          kind === 'removeParty' ? (deviceId === undefined ? null : { kind, agentId, callId, deviceId }) : { kind, agentId, callId }
        const pressed = press && call?.clearing === null ? given(state, press, atMs) : null
        if (pressed === null || get(pressed.calls, callId)?.clearing == null) continue
        const back = given(pressed, { kind: 'takeBack', agentId, callId }, atMs + 3_999) as FloorState
        // Everything but what counts on and the time is as it was.
        expect({ ...back, seq: 0, atMs: 0, dueCount: 0, due: times(back) }).toEqual({ ...state, seq: 0, atMs: 0, dueCount: 0, due: times(state) })
        met++
      }
      return met
    }),
  )

  test('nothing but the agent’s own hand changes their mute', () => {
    let muted = 0
    fc.assert(
      fc.property(steps(160), (sequence) => {
        const floor = aCrowdedFloor()
        for (const [wanted, inMs] of sequence) {
          const before = mutes(floor.state())
          const asked = toCommand(floor, wanted)
          floor.give(asked, inMs)
          muted += before.filter(Boolean).length
          if (!['setMute', 'endShift', 'endShiftOf'].includes(asked.kind)) expect(mutes(floor.state())).toEqual(before)
        }
      }),
      { numRuns: 30, seed: 6, endOnFailure: true },
    )
    expect(muted).toBeGreaterThan(500)
  })

  test('a preview refuses what deciding refuses, changes nothing, and is right about who will hear whom', () =>
    overFloors(7, 1_000, (state, atMs) => {
      const before = copyOf(state)
      let met = 0
      for (const { agentId, callId } of ends(state))
        for (const kind of ['hold', 'retrieve', 'hangUp', 'park', 'completeTransfer', 'conference', 'endForEveryone'] as const) {
          const seen = preview(state, { kind, agentId, callId }, { atMs })
          const done = given({ ...state, setUp: { ...state.setUp, takeBackMs: 0 } }, { kind, agentId, callId }, atMs)
          expect(seen.ok).toBe(done !== null)
          if (!seen.ok || done === null) continue
          for (const { call } of seen.calls) expect(call.connections).toEqual(get(done.calls, call.id)?.connections ?? [])
          met++
        }
      expect(state).toEqual(before)
      return met
    }))
})

test('somebody is always there for a caller: after any sequence and enough time, no caller waits with nobody', () => {
  fc.assert(
    fc.property(steps(140), (sequence) => {
      const floor = aCrowdedFloor()
      for (const [wanted, inMs] of sequence) floor.give(toCommand(floor, wanted), inMs)
      for (let i = 0; i < 12; i++) floor.give({ kind: 'passTime' }, 10_000)
      // In a conference somebody may wait for the others.
      for (const call of values(floor.state().calls).filter((c) => c.conferenceId === null))
        for (const c of call.connections)
          if (c.party.kind === 'outside' && c.state === 'connected')
            expect(call.connections.filter((x) => x !== c && x.state !== 'failed').length, JSON.stringify(call)).toBeGreaterThan(0)
      const parked = values(floor.state().calls).filter((c) => c.connections.some((x) => x.party.kind === 'park'))
      expect(parked.map((c) => c.id)).toEqual([])
    }),
    { numRuns: 40, seed: 8, endOnFailure: true },
  )
})
