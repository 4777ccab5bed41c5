// Reaching somebody: a target named by an agent becomes a party with a device, and the events that call it. Says
// beforehand when there is nobody to reach, so that no caller is sent to an empty chair.
import type { Call, CallEvent, Failure, Party, Target } from '@/core/calls'
import { readDialled } from '@/core/directory'
import { type AgentId, type DeviceId, deviceOfAgent, deviceOfQueue, deviceOutside } from '@/core/ids'
import { isOpenAt } from '@/core/queues'
import { forbidden } from '@/core/rules/do-not-call'
import { unentitledToDial } from '@/core/rules/rights'
import { type Refused, refuse } from '@/core/rules/rule'
import { deskDialled, isAwaited } from '@/core/rules/shift'
import { reachedBy } from '@/core/rules/voicemail'
import { accountDialled, agentName, queueWithNumber } from '@/core/set-up'
import type { Draft, FloorState } from '@/core/state'
import { get } from '@/core/table'
import { type Box, deviceOfBox } from '@/core/voicemail'
import type { RulingRefusal } from './refusals'

export interface Reached {
  readonly party: Party
  readonly deviceId: DeviceId
  /** Why this party cannot be called at the moment although it exists. */
  readonly failure: Failure | null
  /** The events that call it, on the given call. */
  readonly events: (callId: Call['id']) => readonly CallEvent[]
}

export type Reaching = { readonly ok: true; readonly reached: Reached } | Refused<RulingRefusal>

type Joined = Pick<Call, 'id' | 'outsideCount' | 'connections'>

/**
 * `call` is the one the party will join: its outside parties are numbered on. To `talk` with somebody needs a person, to
 * `send` a caller there a mailbox will do. A colleague's diversion and do-not-disturb are followed.
 */
export function reach({ state, atMs }: Pick<Draft, 'state' | 'atMs'>, asking: AgentId, call: Joined, target: Target, use: 'talk' | 'send'): Reaching {
  switch (target.kind) {
    case 'agent':
      return reachAgent(state, asking, call, target.agentId, use)
    case 'queue': {
      const queue = state.setUp.queues.find((q) => q.id === target.queueId && !q.retired)
      if (queue === undefined) return refuse({ reason: 'targetUnknown' })
      if (!isOpenAt(queue, state.doors, state.setUp.timeZone, atMs)) return refuse({ reason: 'queueClosed', name: queue.name })
      const { queueId } = target
      const events = (callId: Call['id']): CallEvent[] => [{ kind: 'connectionQueued', callId, queueId, place: 'tail' }]
      return { ok: true, reached: { party: { kind: 'queue', queueId }, deviceId: deviceOfQueue(queueId), failure: null, events } }
    }
    case 'voicemail':
      return state.setUp.agents.some((a) => a.id === target.agentId)
        ? reachMailbox({ kind: 'agent', agentId: target.agentId })
        : refuse({ reason: 'targetUnknown' })
    case 'queueVoicemail': {
      const queue = state.setUp.queues.find((q) => q.id === target.queueId && !q.retired)
      if (queue === undefined) return refuse({ reason: 'targetUnknown' })
      return queue.takesMessages ? reachMailbox({ kind: 'queue', queueId: queue.id }) : refuse({ reason: 'targetTakesNoMessages', name: queue.name })
    }
    case 'number': {
      const desk = deskDialled(state, target.typed)
      if (desk !== null) return reachAgent(state, asking, call, desk, use)
      const reading = readDialled(target.typed, state.setUp.homeCountry)
      if (!reading.ok) return refuse(reading.refusal)
      const { e164, readAs, kind, extension } = reading.number
      if (kind === 'emergency') return reachOutside(call, e164, target.name)
      // In the house, and not out and in again by the public network.
      const queue = queueWithNumber(state.setUp, e164)
      if (queue !== null) return reach({ state, atMs }, asking, call, { kind: 'queue', queueId: queue.id }, use)
      const colleague = accountDialled(state.setUp, e164)
      if (colleague !== null) return reachAgent(state, asking, call, colleague.id, use)
      // Its code is keyed by whoever dials it: nobody can be sent there.
      if (e164 === state.setUp.conferenceNumber) return refuse({ reason: 'conferenceLineAlone' })
      return unentitledToDial(state, asking, readAs) ?? forbidden(state, e164, target.name) ?? reachOutside(call, e164, target.name, { extension })
    }
  }
}

function reachMailbox(box: Box): Reaching {
  const party = box.kind === 'agent' ? ({ kind: 'voicemail', agentId: box.agentId } as const) : ({ kind: 'queueVoicemail', queueId: box.queueId } as const)
  return { ok: true, reached: { party, deviceId: deviceOfBox(box), failure: null, events: (callId) => reachedBy(box, callId) } }
}

/** `agentId`: whose own telephone it is. `extension`: what was typed behind the number. */
function reachOutside(
  call: Joined,
  number: string,
  name: string | null,
  { agentId, extension = null }: { readonly agentId?: AgentId; readonly extension?: string | null } = {},
): Reaching {
  const party = { kind: 'outside', number, name, ...(agentId === undefined ? {} : { agentId }), ...(extension === null ? {} : { extension }) } as const
  const deviceId = deviceOutside(call.id, call.outsideCount + 1)
  return { ok: true, reached: { party, deviceId, failure: null, events: (callId) => [{ kind: 'connectionInitiated', callId, deviceId, party }] } }
}

/** `meant`: who was asked for, where their calls go on to others. A message is left for them, and not for whoever would have answered. */
function reachAgent(state: FloorState, asking: AgentId, call: Joined, agentId: AgentId, use: 'talk' | 'send', meant: readonly AgentId[] = []): Reaching {
  const [first = agentId] = meant
  if (agentId === asking) return refuse(first === agentId ? { reason: 'targetSelf' } : { reason: 'targetGoesToYou', name: agentName(state.setUp, first) })
  const agent = get(state.agents, agentId)
  if (agent === undefined) return refuse({ reason: 'targetUnknown' })
  const own = agentName(state.setUp, agentId)
  const name = first === agentId ? own : `${own}, to whom calls for ${agentName(state.setUp, first)} go,`
  if (call.connections.some((c) => c.party.kind === 'agent' && c.party.agentId === agentId && c.state !== 'failed'))
    return refuse({ reason: 'targetAlreadyThere', name })
  if (agent.diversion?.kind === 'number') return forbidden(state, agent.diversion.number, null) ?? reachOutside(call, agent.diversion.number, own, { agentId })
  if (agent.diversion?.kind === 'agent' && !meant.includes(agent.diversion.agentId))
    return reachAgent(state, asking, call, agent.diversion.agentId, use, [...meant, agentId])
  if (agent.diversion !== null || (agent.doNotDisturb && agent.shift !== null))
    return use === 'send' ? reachMailbox({ kind: 'agent', agentId: first }) : refuse({ reason: 'targetTakesMessagesOnly', name })
  if (agent.shift === null) return refuse({ reason: 'targetOffShift', name })
  const party = { kind: 'agent', agentId } as const
  const deviceId = deviceOfAgent(agentId)
  // Somebody whom the dialer has on the way to them is not left to a machine for a colleague's call.
  const failure = agent.engagements.length > 0 || isAwaited(state, agent) ? 'busy' : null
  const events = (callId: Call['id']): CallEvent[] =>
    failure === null ? [{ kind: 'connectionDelivered', callId, deviceId, party }] : [{ kind: 'connectionFailed', callId, deviceId, party, failure }]
  return { ok: true, reached: { party, deviceId, failure, events } }
}
