import { type Call, type CallDecision, services } from '@/core/calls'
import { type AgentId, deviceOfAgent } from '@/core/ids'
import { unentitled } from '@/core/rules/rights'
import { onCall, onShift, type Rules, take } from '@/core/rules/rule'
import { recordingIdFor } from '@/core/state'
import { identifyCaller, silence } from './caller'
import { clear, endNow, takeBack } from './clearing'
import type { Of, TalkCommand } from './commands'
import { callEmergency } from './emergency'
import { callerHangsUp, callerSays, digitsHeard, farEnd, lineMeasured } from './far-end'
import { divert, park, pickUp, transfer } from './handover'
import { addParty, alternate, completeTransfer, conference, consult, endConsult, heardBesides } from './lines'
import { makeCall } from './make-call'
import type { RulingRefusal } from './refusals'

interface OfCall {
  readonly agentId: AgentId
  readonly callId: Call['id']
}

/** A service of call control and nothing else. */
const service = <C extends OfCall>(decided: (call: Call, agentId: AgentId, command: C) => CallDecision) =>
  onCall<C, RulingRefusal>((draft, agent, call, command) => take(draft, decided(call, agent.id, command)))

/** What would let another call be heard beside the one heard now is refused first. */
const alone = <C extends OfCall>(decided: (call: Call, agentId: AgentId) => CallDecision) =>
  onCall<C, RulingRefusal>((draft, agent, call) => heardBesides(draft, agent, [call.id]) ?? take(draft, decided(call, agent.id)))

const ends = <C extends OfCall>(what: 'decline' | 'hangUp' | 'endForEveryone') =>
  onCall<C, RulingRefusal>((draft, agent, call) => clear(draft, agent, call, what, deviceOfAgent(agent.id)))

export const TALK_RULES: Rules<TalkCommand, RulingRefusal> = {
  makeCall: onShift(makeCall),
  callEmergency,
  answer: alone(services.answer),
  decline: ends('decline'),
  silence: onCall(silence),
  divert: onCall(divert),
  identifyCaller: onCall(identifyCaller),
  hold: service(services.hold),
  retrieve: alone(services.retrieve),
  alternate: onCall(alternate),
  hangUp: ends('hangUp'),
  endForEveryone: ends('endForEveryone'),
  removeParty: onCall((draft, agent, call, { deviceId }) => clear(draft, agent, call, 'remove', deviceId)),
  takeBack: onCall(takeBack),
  endNow: onCall(endNow),
  sendDigits: service((call, agentId, { digits }) => services.sendDigits(call, agentId, digits)),
  moveCall: service((call, agentId, { endpoint }) => services.moveTo(call, agentId, endpoint)),
  record: onCall<Of<'record'>, RulingRefusal>(
    (draft, agent, call, { to }) =>
      unentitled(draft.state, agent.id, 'recording') ?? take(draft, services.changeRecording(call, agent.id, to, recordingIdFor(draft.state, call.id))),
  ),
  consult: onCall(consult),
  endConsult: onCall(endConsult),
  completeTransfer: onCall(completeTransfer),
  transfer: onCall(transfer),
  conference: onCall(conference),
  addParty: onCall(addParty),
  muteParty: service((call, agentId, { deviceId, muted }) => services.muteParty(call, agentId, deviceId, muted)),
  startAside: service((call, agentId, { deviceId, othersHear }) => services.startAside(call, agentId, deviceId, othersHear)),
  endAside: service(services.endAside),
  park: onCall(park),
  pickUp: onCall(pickUp),
  farEnd,
  callerHangsUp,
  callerSays,
  lineMeasured,
  digitsHeard,
}
