// A colleague who asks somebody about a call: another colleague who is free, or the port office; then they go on, or hand the call over.
import { type Call, isOnLine } from '@/core/calls'
import type { AgentCommand } from '@/core/floor'
import { type AgentId, type CallId, deviceOfAgent } from '@/core/ids'
import type { FloorState } from '@/core/state'
import { get, values } from '@/core/table'
import { chanceIn, type Scene } from './scene'

const HANDS_OVER_OFTEN = 0.3
const ASKS_PORT_OFTEN = 0.3

export function ask(scene: Scene, state: FloorState, agentId: AgentId, callId: CallId): AgentCommand[] {
  const chance = chanceIn(scene, callId, 'ask')
  const { plays } = scene.memory
  const free = values(state.agents).filter((a) => plays.has(a.id) && a.id !== agentId && a.state.name === 'ready' && a.engagements.length === 0)
  const [port] = scene.stage.places
  if (free.length > 0 && chance.next() > ASKS_PORT_OFTEN)
    return [{ kind: 'consult', agentId, callId, target: { kind: 'agent', agentId: chance.pick(free).id } }]
  return port === undefined ? [] : [{ kind: 'consult', agentId, callId, target: { kind: 'number', typed: port.number, name: port.name } }]
}

/** Back to the caller; or, of a colleague who is on the line, on to them. */
export function askedEnough(scene: Scene, state: FloorState, agentId: AgentId, callId: CallId): readonly [AgentCommand, 'handedOver' | 'back'] {
  const consult = get(state.agents, agentId)
    ?.engagements.map((e) => get(state.calls, e.callId))
    .find((c) => c?.consultFor === callId)
  if (consult === undefined) return [{ kind: 'retrieve', agentId, callId }, 'back']
  const hands = hasColleague(consult, agentId) && chanceIn(scene, callId, 'hand over').next() < HANDS_OVER_OFTEN
  return hands ? [{ kind: 'completeTransfer', agentId, callId: consult.id }, 'handedOver'] : [{ kind: 'endConsult', agentId, callId: consult.id }, 'back']
}

const hasColleague = (consult: Call, agentId: AgentId): boolean =>
  consult.connections.some((c) => c.party.kind === 'agent' && c.deviceId !== deviceOfAgent(agentId) && isOnLine(c))
