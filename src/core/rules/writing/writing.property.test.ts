import fc from 'fast-check'
import { expect, test } from 'vitest'
import { CHANNELS, hasRoomFor, type Load } from '@/core/channels'
import type { Command } from '@/core/floor'
import type { AgentId } from '@/core/ids'
import { createLedgerFolder } from '@/core/ledger'
import { evolve, floorOf, inHandOf, loadsOf, roomOf } from '@/core/state'
import { must, values } from '@/core/table'
import { aCrowdedFloor, CROWDED, MANY, type TestFloor, toCommand, writtenSteps } from '@/core/testing'
import { takesRoomAs } from '@/core/threads'

const play = (sequence: ReturnType<typeof writtenSteps> extends fc.Arbitrary<infer S> ? S : never): TestFloor => {
  const floor = aCrowdedFloor()
  for (const [wanted, inMs] of sequence) floor.give(toCommand(floor, wanted), inMs)
  return floor
}

test('room is never negative, mails stand in nobody’s way but behind a call, and one more is never more than a load allows', () => {
  const load: fc.Arbitrary<Load> = fc.record({ call: fc.nat(1), chat: fc.nat(4), mail: fc.nat(4), text: fc.nat(4) })
  fc.assert(
    fc.property(fc.array(load, { minLength: 1, maxLength: 3 }), load, fc.constantFrom(...CHANNELS), (loads, inHand, channel) => {
      if (!hasRoomFor(loads, inHand, channel)) return
      const after = { ...inHand, [channel]: inHand[channel] + 1 }
      const fits = (l: Load) => CHANNELS.every((c) => (c === 'mail' && channel !== 'mail') || after[c] <= l[c])
      expect(loads.some(fits)).toBe(true)
      expect(channel === 'mail' && inHand.call > 0).toBe(false)
    }),
    { numRuns: 2_000, seed: 3 },
  )
})

test('nothing is offered that is more than an agent may carry, whether it is written or rings', () => {
  let offers = 0
  fc.assert(
    fc.property(writtenSteps(140), (sequence) => {
      const { entries } = play(sequence)
      const state = floorOf(entries[0] as (typeof entries)[number])
      for (const { event, atMs } of entries.slice(1)) {
        // What a colleague hands on by name was asked of the floor as well: it is refused without room.
        if (event.kind === 'threadOffered') {
          const thread = must(state.threads, event.threadId)
          expect(roomOf(state, must(state.agents, event.agentId), takesRoomAs(thread))).toBeGreaterThan(0)
          offers++
        }
        evolve(state, event, atMs)
        if (event.kind !== 'threadOffered') continue
        // A mail an agent began by themselves may be one too many: it stands in nobody’s way.
        const channel = takesRoomAs(must(state.threads, event.threadId))
        const hands = inHandOf(state, must(state.agents, event.agentId))
        expect(loadsOf(state.setUp, event.agentId).some((l) => CHANNELS.every((c) => (c === 'mail' && channel !== 'mail') || hands[c] <= l[c]))).toBe(true)
      }
    }),
    { numRuns: 40, seed: 5, endOnFailure: true },
  )
  expect(offers).toBeGreaterThan(400)
})

test('nobody is starved: with everybody at their desk and nothing new, all that was written is taken and closed', () => {
  fc.assert(
    fc.property(writtenSteps(120), (sequence) => {
      const floor = play(sequence)
      const give = (command: Command) => floor.give(command, 500)
      for (let round = 0; round < 60; round++) {
        for (const agentId of MANY) {
          const agent = must(floor.state().agents, agentId)
          if (agent.shift === null)
            give({ kind: 'startShift', agentId, queueIds: [...(CROWDED.agents.find((a) => a.id === agentId)?.queueIds ?? [])], seat: 'desk' })
          for (const { callId } of [...agent.wrapUps, ...agent.owed]) give(save(agentId, callId))
          for (const e of agent.engagements) give({ kind: e.state === 'alerting' ? 'decline' : 'hangUp', agentId, callId: e.callId })
          give({ kind: 'goReady', agentId })
          for (const { threadId, state } of must(floor.state().agents, agentId).threads) {
            for (const { no, sent } of must(floor.state().threads, threadId).lines)
              if (sent?.state === 'sending') give({ kind: 'lineSent', threadId, no, failure: null })
            give(state === 'offered' ? { kind: 'takeThread', agentId, threadId } : { kind: 'endThread', agentId, threadId })
          }
        }
        floor.give({ kind: 'passTime' }, 3_000)
      }
      expect(
        values(floor.state().threads)
          .filter((t) => t.state !== 'parked')
          .map((t) => [t.id, t.state, t.queueId]),
      ).toEqual([])
    }),
    { numRuns: 25, seed: 9, endOnFailure: true },
  )
})

const save = (agentId: AgentId, callId: string): Command =>
  ({ kind: 'saveOutcome', agentId, callId, code: 'done', notes: 'n', followUp: '', andThen: { state: 'ready' } }) as Command

test('every piece ends with an outcome or is owed, and the shares of an agent’s clock add up to it', () => {
  let [ended, shares] = [0, 0]
  fc.assert(
    fc.property(writtenSteps(160), (sequence) => {
      const floor = play(sequence)
      const folder = createLedgerFolder()
      for (const entry of floor.entries) folder.add(entry)
      const state = floor.state()
      for (const record of folder.written()) {
        if (record.endedAtMs === null || record.agents.length === 0) continue
        ended++
        const owes = values(state.agents).some((a) => [...a.wrapUps, ...a.owed].some((w) => w.callId === record.workId))
        expect(record.outcome !== null || owes || record.calledAs !== null, JSON.stringify(record)).toBe(true)
      }
      // While nobody is on a call, all that is in hand is written: the shares of it are the time in which an agent wrote or wrapped up.
      const called = new Set(folder.intervals(state.atMs).flatMap((i) => (i.state === 'onCall' || i.state === 'dialling' ? [i.agentId] : [])))
      for (const id of MANY.filter((agentId) => !called.has(agentId))) {
        const shared = folder
          .written()
          .flatMap((r) => r.agents.filter((l) => l.agentId === id))
          .reduce((sum, l) => sum + l.handleMs, 0)
        shares += Number(shared > 0)
        // What is on at this moment has not been shared out yet.
        const since = folder.state().sharing?.get(id)?.sinceMs ?? state.atMs
        const wrote = folder.intervals(state.atMs).filter((i) => i.agentId === id && (i.state === 'writing' || i.state === 'wrapUp'))
        expect(shared + state.atMs - since).toBeCloseTo(
          wrote.reduce((sum, i) => sum + i.toMs - i.fromMs, 0),
          3,
        )
      }
    }),
    { numRuns: 50, seed: 6, endOnFailure: true },
  )
  expect(ended).toBeGreaterThan(150)
  expect(shares).toBeGreaterThan(40)
})
