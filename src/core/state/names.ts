// What parties and calls are called in a sentence.
import { type Party, takesPart } from '@/core/calls'
import { callerLabel, withExtension, writeNumber } from '@/core/directory'
import { type AgentId, type CallId, deviceOfAgent } from '@/core/ids'
import { agentName, queueSetUp } from '@/core/set-up'
import { get } from '@/core/table'
import type { FloorState } from './floor-state'

export function partyName(state: Pick<FloorState, 'setUp'>, party: Party): string {
  switch (party.kind) {
    case 'agent':
      return agentName(state.setUp, party.agentId)
    case 'queue':
      return queueSetUp(state.setUp, party.queueId).name
    case 'voicemail':
      return `the voicemail of ${agentName(state.setUp, party.agentId)}`
    case 'queueVoicemail':
      return `the mailbox of ${queueSetUp(state.setUp, party.queueId).name}`
    case 'conferenceLine':
      return 'the conference line'
    case 'park':
      return `parking slot ${party.slot}`
    case 'outside':
      return withExtension(party.name ?? (party.number === null ? 'a withheld number' : writeNumber(party.number)), party.extension)
  }
}

/** Who a call is with for an agent: its caller, or of a call without work whoever else is on it. */
export function partyOfCall(state: FloorState, callId: CallId, agentId: AgentId): string {
  const work = get(state.work, callId)
  if (work !== undefined) return callerLabel(work)
  const other = get(state.calls, callId)?.connections.findLast((c) => c.deviceId !== deviceOfAgent(agentId) && takesPart(c))?.party
  return other === undefined ? 'a caller' : partyName(state, other)
}
