// What holds on every floor at every moment, whatever was asked of it. Property tests hunt for a counterexample.
import { agentStateName } from '@/core/agents'
import { whoHearsWhom } from '@/core/calls'
import { deviceOfAgent } from '@/core/ids'
import { count, get, values } from '@/core/table'
import type { FloorState } from './state'

export type Invariant = readonly [name: string, holds: (state: FloorState) => boolean]

const agents = (s: FloorState) => values(s.agents)
const calls = (s: FloorState) => values(s.calls)

export const INVARIANTS: readonly Invariant[] = [
  [
    'an agent hears at most one call that is not held',
    (s) => agents(s).every((a) => a.engagements.filter((e) => e.state === 'connected' || e.state === 'initiated').length <= 1),
  ],
  ['an agent is rung by at most one call', (s) => agents(s).every((a) => a.engagements.filter((e) => e.state === 'alerting').length <= 1)],
  [
    'an agent’s engagements are the connections of calls that exist, in the same state',
    (s) =>
      agents(s).every((a) =>
        a.engagements.every((e) => get(s.calls, e.callId)?.connections.some((c) => c.deviceId === deviceOfAgent(a.id) && c.state === e.state)),
      ) &&
      calls(s).every((c) =>
        c.connections.every(({ party }) => party.kind !== 'agent' || get(s.agents, party.agentId)?.engagements.some((e) => e.callId === c.id)),
      ),
  ],
  ['a call that exists has a party', (s) => calls(s).every((c) => c.connections.some((x) => x.party.kind !== 'queue'))],
  ['nobody talks to themselves alone on a call that was answered', (s) => calls(s).every((c) => c.answeredAtMs === null || c.connections.length >= 2)],
  [
    'nobody hears a party that is held, and a held party hears nobody',
    (s) =>
      calls(s).every((call) => {
        const held = new Set(call.connections.filter((c) => c.state === 'held').map((c) => c.deviceId))
        const ears = whoHearsWhom(call, () => false)
        return ears.every((e) => e.hears !== 'voice' || (!held.has(e.listener) && !held.has(e.speaker)))
      }),
  ],
  [
    'a muted agent is heard by nobody',
    (s) =>
      calls(s).every((call) => {
        const isMuted = (id: Parameters<Parameters<typeof whoHearsWhom>[1]>[0]) => get(s.agents, id)?.muted ?? false
        return whoHearsWhom(call, isMuted).every((e) => {
          const speaker = call.connections.find((c) => c.deviceId === e.speaker)?.party
          return e.hears !== 'voice' || speaker?.kind !== 'agent' || !isMuted(speaker.agentId)
        })
      }),
  ],
  ['every call has its contact', (s) => calls(s).every((c) => get(s.contacts, c.id) !== undefined)],
  [
    'every ended contact that was handled owes exactly one outcome, to the agent in wrap-up for it',
    (s) =>
      values(s.contacts)
        .filter((c) => c.endedAtMs !== null)
        .every((c) => c.outcome === null && agents(s).filter((a) => a.wrapUp?.callId === c.callId).length === 1),
  ],
  ['wrap-up is for a contact that is still kept', (s) => agents(s).every((a) => a.wrapUp === null || get(s.contacts, a.wrapUp.callId) !== undefined)],
  ['the state shown is the state the axes amount to', (s) => agents(s).every((a) => a.state.name === agentStateName(a))],
  [
    'a call waits in exactly its own queue while it is queued and rings nowhere, and in none otherwise',
    (s) => {
      const listed = Object.values(s.waiting).flat()
      const queued = calls(s).filter((c) => c.connections.some((x) => x.state === 'queued') && !c.connections.some((x) => x.state === 'alerting'))
      return listed.length === queued.length && queued.every((c) => c.queueId !== null && s.waiting[c.queueId]?.includes(c.id))
    },
  ],
  [
    'a queue is served in the order calls entered it',
    (s) => Object.values(s.waiting).every((line) => line.every((id, i) => i === 0 || offered(s, line[i - 1] as string) <= offered(s, id))),
  ],
  ['who is off shift has no call and no wrap-up', (s) => agents(s).every((a) => a.shift !== null || (a.engagements.length === 0 && a.wrapUp === null))],
  ['a call is never lost: what is kept is at most what came', (s) => count(s.contacts) <= s.callCount],
]

const offered = (s: FloorState, id: string): number => get(s.calls, id)?.offeredAtMs ?? Number.NaN
