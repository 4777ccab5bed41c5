// What became of a call, and how its record begins.
import type { Call, CallEvent, ClearCause, Party } from '@/core/calls'
import { agentName, queueSetUp, type SetUp } from '@/core/set-up'
import type { EpochMs } from '@/core/time'
import type { CallRecord, CallResult, Missed, MissedHow } from './record'

export const blankRecord = (setUp: SetUp, call: Call): CallRecord => ({
  callId: call.id,
  direction: call.direction,
  queueId: call.queueId,
  queue: call.queueId === null ? null : queueSetUp(setUp, call.queueId).name,
  campaign: null,
  campaignId: null,
  path: call.path,
  number: call.number,
  customer: call.customer?.name ?? null,
  offeredAtMs: call.offeredAtMs,
  answeredAtMs: null,
  endedAtMs: call.offeredAtMs,
  // Until something better is known: nobody has answered a caller, nobody has been reached by a dialled number, a message is what it is.
  result: call.direction === 'inbound' ? 'abandoned' : call.direction === 'message' ? 'voicemail' : 'noAnswer',
  shortAbandon: false,
  liveAnswerAtMs: null,
  agents: [],
  missedBy: [],
  outcome: null,
  outcomeAtMs: null,
  outcomeById: null,
  outcomeBy: null,
  notes: '',
  script: null,
  scriptVersion: null,
  answers: {},
  transfers: [],
  recordings: [],
  sound: [],
})

/** What a record of an internal call says otherwise once somebody from outside is on it. */
export const dialledNow = ({ direction, number, customer }: Call): Pick<CallRecord, 'direction' | 'number' | 'customer'> => ({
  direction,
  number,
  customer: customer?.name ?? null,
})

/** Takes down what an event says about the result, while the call is still on. */
export function noteResult(record: CallRecord, event: CallEvent, before: Call | undefined, after: Call | null): void {
  if (after !== null) record.answeredAtMs = after.answeredAtMs
  if (record.answeredAtMs !== null) return
  // A caller who kept their place is dialled like anybody.
  const dialled = record.direction !== 'inbound' || before?.keptFor != null
  if (event.kind === 'connectionFailed' && event.party.kind === 'outside' && dialled)
    record.result = event.failure === 'unreachable' ? 'invalid' : event.failure
  if (event.kind !== 'connectionEstablished') return
  const kind = before?.connections.find((c) => c.deviceId === event.deviceId)?.party.kind
  if (kind === 'voicemail' || kind === 'queueVoicemail') record.result = 'voicemail'
  if (kind === 'conferenceLine') record.result = 'diverted'
  if (kind === 'outside' && record.direction === 'inbound') record.result = 'diverted'
}

/** Whom an event lets a call pass by, and how; null for every other event. `before` is the call it rang with: the record's own, or a consult about it. */
export function missedIn(event: CallEvent, before: Call | undefined): Pick<Missed, 'agentId' | 'how'> | null {
  if (before === undefined || (event.kind !== 'connectionCleared' && event.kind !== 'connectionFailed' && event.kind !== 'connectionEstablished')) return null
  const party = event.kind === 'connectionFailed' ? event.party : before.connections.find((c) => c.deviceId === event.deviceId)?.party
  const how = party === undefined ? null : howMissed(event, before, party)
  return how === null || (party?.kind !== 'agent' && party?.kind !== 'voicemail') ? null : { agentId: party.agentId, how }
}

function howMissed(
  event: Extract<CallEvent, { kind: 'connectionCleared' | 'connectionFailed' | 'connectionEstablished' }>,
  before: Call,
  party: Party,
): MissedHow | null {
  if (event.kind === 'connectionEstablished') return party.kind === 'voicemail' ? 'voicemail' : null
  if (party.kind !== 'agent') return null
  if (event.kind === 'connectionFailed')
    return ({ busy: 'busy', noAnswer: 'noAnswer', refused: 'declined' }[event.failure as string] as MissedHow | undefined) ?? null
  if (before.connections.find((c) => c.deviceId === event.deviceId)?.state !== 'alerting') return null
  return CLEARED_HOW[event.cause] ?? null
}

const CLEARED_HOW: Readonly<Partial<Record<ClearCause, MissedHow>>> = {
  noAnswer: 'noAnswer',
  declined: 'declined',
  diverted: 'diverted',
  answeredElsewhere: 'takenElsewhere',
  hungUp: 'hungUp',
  lastParty: 'hungUp',
  abandoned: 'hungUp',
  endedForEveryone: 'hungUp',
  removed: 'hungUp',
}

export const resultOf = (record: CallRecord): CallResult => (record.answeredAtMs === null ? record.result : 'handled')

export function transferOf(setUp: SetUp, event: Extract<CallEvent, { kind: 'callTransferred' }>, atMs: EpochMs): CallRecord['transfers'][number] {
  return { kind: event.how, from: agentName(setUp, event.byAgentId), to: labelOf(setUp, event.to), atMs }
}

function labelOf(setUp: SetUp, party: Extract<CallEvent, { kind: 'callTransferred' }>['to']): string {
  switch (party.kind) {
    case 'agent':
      return agentName(setUp, party.agentId)
    case 'queue':
      return queueSetUp(setUp, party.queueId).name
    case 'voicemail':
      return `Voicemail of ${agentName(setUp, party.agentId)}`
    case 'queueVoicemail':
      return `Mailbox of ${queueSetUp(setUp, party.queueId).name}`
    case 'conferenceLine':
      return 'Conference line'
    case 'park':
      return `Slot ${party.slot}`
    case 'outside':
      return party.name ?? party.number ?? 'Withheld number'
  }
}
