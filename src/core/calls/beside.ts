// Whoever answers for the floor comes to a call that an agent is on: to listen, to whisper to the agent, to step in, to go on with it instead
// (ECMA-269, 17.1.18, Join Call, which knows silent and active participation). As the services of decide.ts, on one call alone.
import { type AgentId, deviceOfAgent } from '@/core/ids'
import { agentConnection, type Call, onLine } from './call'
import { type Connection, isOnLine, type Role, takesPart } from './connection'
import { type CallDecision, leaves } from './decide'
import type { CallRefusal } from './refusal'

const refuse = (reason: Exclude<CallRefusal['reason'], 'notDigits'>): CallDecision => ({ ok: false, refusal: { reason } })

/** Who came to the call beside an agent and may change how, or leave it unnoticed: a listener, a whisperer, or one who has stepped in. */
export const besideOn = (call: Call, agentId: AgentId): Connection | undefined => {
  const mine = agentConnection(call, agentId)
  return mine !== undefined && mine.state === 'connected' && mine.beside !== null ? mine : undefined
}

/**
 * Comes to the call beside an agent who is on the line, or changes from one role to another there. Refused: agentNotOnCall, beingCleared, alreadyThere
 * where they are a party in their own right, roleUnchanged, asideUnderWay while they talk apart with somebody.
 */
export function takeRole(call: Call, byAgentId: AgentId, besideId: AgentId, role: Role): CallDecision {
  const theirs = agentConnection(call, besideId)
  if (theirs === undefined || !isOnLine(theirs) || besideId === byAgentId) return refuse('agentNotOnCall')
  if (call.clearing !== null && (call.clearing.what === 'endForEveryone' || leaves(call, theirs))) return refuse('beingCleared')
  const mine = agentConnection(call, byAgentId)
  if (mine !== undefined && besideOn(call, byAgentId) === undefined) return refuse('alreadyParty')
  if (mine?.role === role && mine.beside === theirs.deviceId) return refuse('roleUnchanged')
  const apart = call.aside !== null && mine !== undefined && [call.aside.deviceId, deviceOfAgent(call.aside.byAgentId)].includes(mine.deviceId)
  if (apart && role !== 'talks') return refuse('asideUnderWay')
  return {
    ok: true,
    events: [
      {
        kind: 'roleTaken',
        callId: call.id,
        deviceId: deviceOfAgent(byAgentId),
        party: { kind: 'agent', agentId: byAgentId },
        role,
        whispersTo: role === 'whispers' ? theirs.deviceId : null,
        beside: theirs.deviceId,
      },
    ],
  }
}

/**
 * Goes on with the call instead of the agent, who leaves it as after a transfer. A caller who was on hold is talked to at once. Refused: as taking a role
 * is, nobodyToTakeOver where nobody else is on the line.
 */
export function takeOver(call: Call, byAgentId: AgentId, fromAgentId: AgentId): CallDecision {
  const steps = takeRole(call, byAgentId, fromAgentId, 'talks')
  if (!steps.ok && steps.refusal.reason !== 'roleUnchanged') return steps
  if (call.clearing !== null) return refuse('beingCleared')
  const from = deviceOfAgent(fromAgentId)
  if (!onLine(call).some((c) => c.deviceId !== from && c.party.kind !== 'agent')) return refuse('nobodyToTakeOver')
  const at = { callId: call.id }
  return {
    ok: true,
    events: [
      ...(steps.ok ? steps.events : []),
      ...(call.aside === null ? [] : [{ kind: 'asideEnded', ...at, byAgentId: call.aside.byAgentId } as const]),
      { kind: 'callTakenOver', ...at, byAgentId, fromAgentId },
      { kind: 'connectionCleared', ...at, deviceId: from, cause: 'transferred' },
    ],
  }
}

/** Leaves unnoticed. Refused: notOnCall of who takes part: they hang up. */
export function stopListening(call: Call, agentId: AgentId): CallDecision {
  const mine = agentConnection(call, agentId)
  if (mine === undefined || takesPart(mine)) return refuse('notOnCall')
  return { ok: true, events: [{ kind: 'connectionCleared', callId: call.id, deviceId: mine.deviceId, cause: 'hungUp' }] }
}
