// Make Call (ECMA-269, 17.1.20): by a number, or for a callback with its number, its record and the business of its queue. The
// network reports what becomes of the far end.
import type { Agent } from '@/core/agents'
import type { Callback } from '@/core/callbacks'
import { readDialled, readNumber } from '@/core/directory'
import { dialConferenceLine } from '@/core/rules/conferences'
import { checkWaiver, forbidden } from '@/core/rules/do-not-call'
import { openCallback } from '@/core/rules/promises'
import { unentitledToDial } from '@/core/rules/rights'
import { refuse } from '@/core/rules/rule'
import { busy, deskDialled, queueName } from '@/core/rules/shift'
import { accountDialled, queueWithNumber } from '@/core/set-up'
import { type Draft, emit, type FloorState, nextCallId } from '@/core/state'
import { get } from '@/core/table'
import { triesOf } from '@/core/work'
import { callInside } from './call-inside'
import type { Of, Ruling } from './commands'
import { dialRecord } from './dial-record'
import { dialEmergency } from './emergency'

/** Refused: queueNotServed, what a callback, reading the number, the account and the calls under way refuse; onDoNotCall without a waiver that holds. */
export function makeCall(draft: Draft, agent: Agent, command: Of<'makeCall'>): Ruling {
  const found = command.callbackId === undefined ? null : openCallback(draft, agent, command.callbackId)
  if (found?.ok === false) return found
  const callback = found?.callback ?? null
  const desk = callback === null ? deskDialled(draft.state, command.typed) : null
  if (desk !== null) return callInside(draft, agent, { kind: 'agent', agentId: desk })
  const reading = (callback === null ? readDialled : readNumber)(callback?.number ?? command.typed, draft.state.setUp.homeCountry)
  if (!reading.ok) return refuse(reading.refusal)
  if (reading.number.kind === 'emergency') return dialEmergency(draft, agent, reading.number.e164)
  const ours = queueWithNumber(draft.state.setUp, reading.number.e164)
  if (ours !== null) return refuse({ reason: 'numberIsOurs', queue: ours.name })
  const colleague = callback === null ? accountDialled(draft.state.setUp, reading.number.e164) : null
  if (colleague !== null) return callInside(draft, agent, { kind: 'agent', agentId: colleague.id })
  const refused = unentitledToDial(draft.state, agent.id, reading.number.readAs) ?? busy(draft.state, agent)
  if (refused !== null) return refused
  if (callback === null && reading.number.e164 === draft.state.setUp.conferenceNumber) return dialConferenceLine(draft, agent)
  const { queueId = null } = command
  if (queueId !== null && !agent.shift?.queueIds.includes(queueId)) return refuse({ reason: 'queueNotServed', queue: queueName(draft.state, queueId) })
  const number = reading.number.e164
  const customer = callback === null ? command.customer : callback.customer
  const { waiver } = command
  const listed = forbidden(draft.state, number, customer?.name ?? null)
  const withheld = listed !== null && waiver !== undefined ? checkWaiver(draft, waiver) : listed
  if (withheld !== null) return withheld
  const callId = nextCallId(draft.state)
  const ofCampaign = callback?.ofCampaign ?? recordInHand(draft.state, agent, number)
  if (ofCampaign !== null) dialRecord(draft, agent, ofCampaign.campaignId, { ...ofCampaign.record, number })
  else
    emit(draft, null, {
      kind: 'callOriginated',
      callId,
      agentId: agent.id,
      number,
      customer,
      queueId: callback === null ? queueId : callback.queueId,
      extension: reading.number.extension,
      ofCampaign: false,
    })
  if (listed !== null && waiver !== undefined)
    emit(draft, null, { kind: 'doNotCallWaived', callId, number, agentId: agent.id, byAgentId: waiver.agentId, why: waiver.why.trim() })
  if (callback !== null) emit(draft, null, { kind: 'callbackDialled', callbackId: callback.id, byAgentId: agent.id, callId, attempt: callback.attempt })
  return null
}

/** Whoever of a list the agent has had last, or owes an outcome of: called again by hand it is one more try of theirs. */
function recordInHand({ work, lately }: FloorState, { id, owed }: Agent, number: string): Callback['ofCampaign'] {
  for (const had of [...owed.map((o) => get(work, o.callId)), get(lately, id)?.work])
    if (had?.campaign != null && had.number === number)
      return {
        campaignId: had.campaign.campaignId,
        record: { ...had.campaign.record, tries: triesOf(had.campaign) },
      }
  return null
}
