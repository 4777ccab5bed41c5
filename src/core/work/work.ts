// Work is what an agent is given and closes: who it is with, what was said, the script's run, the notes and the outcome. A call is one
// channel of it; work outlives its call until the outcome is saved, so that wrap-up still has the record in front of it.
import type { AgentEvent } from '@/core/agents'
import type { CallbackEvent } from '@/core/callbacks'
import { type Call, type CallDirection, type CallEvent, type Customer, isOnLine } from '@/core/calls'
import type { Channel } from '@/core/channels'
import type { AgentId, CallbackId, MessageId, QueueId, WorkId } from '@/core/ids'
import type { OutcomeCorrected, OutcomeEvent } from '@/core/outcomes'
import { evolveRun, type ScriptEvent, type ScriptRun } from '@/core/scripts'
import type { Behalf } from '@/core/set-up'
import type { SoundCause } from '@/core/sound-quality'
import type { Thread } from '@/core/threads'
import type { EpochMs } from '@/core/time'
import type { OfCampaign, WorkEvent } from './event'

export interface Caption {
  readonly atMs: EpochMs
  readonly turn: number
  readonly text: string
}

/** How often they have been called, with this call, unless it is they who rang. */
export const triesOf = ({ record, attemptId }: Pick<OfCampaign, 'record' | 'attemptId'>): number => record.tries + (attemptId === null ? 0 : 1)

export interface Work {
  /** What carries it, a call or a thread, has the same id. */
  readonly id: WorkId
  readonly channel: Channel
  readonly direction: CallDirection
  /** The queue it came through, or was handed on to last. */
  readonly queueId: QueueId | null
  /** The campaign it is a call of, and whom of its list; null for every other call. */
  readonly campaign: OfCampaign | null
  readonly number: string | null
  readonly customer: Customer | null
  readonly path: string | null
  readonly offeredAtMs: EpochMs
  readonly endedAtMs: EpochMs | null
  /** We dialled the person: a call of our own, or a caller who kept their place and is called back. */
  readonly dialled: boolean
  /** From which queue each agent took it: their part is coded and wrapped up by its rules. */
  readonly takenFrom: readonly { readonly agentId: AgentId; readonly queueId: QueueId | null }[]
  /** The agent who handles it, or did last; null while nobody has answered. */
  readonly handledBy: AgentId | null
  readonly handledSinceMs: EpochMs | null
  readonly run: ScriptRun | null
  readonly notes: string
  readonly followUp: string
  /** How it sounded to whom, the last each has said. */
  readonly sound: readonly { readonly agentId: AgentId; readonly cause: SoundCause | null }[]
  readonly captions: readonly Caption[]
  /** The last thing they were told while they waited. */
  readonly told: { readonly text: string; readonly expectedWaitMs: number | null } | null
  readonly ringSilenced: boolean
  /** Agents who have left it and not coded it yet. */
  readonly owedBy: readonly AgentId[]
  /** Agents who have coded their part of it since they last took it. */
  readonly codedBy: readonly AgentId[]
  /** It came back from where it was sent; until somebody answers. */
  readonly returned: Pick<Extract<CallEvent, { kind: 'callReturned' }>, 'from' | 'failure'> | null
  readonly outcome: OutcomeEvent | null
  /** The callback it was dialled for. */
  readonly fromCallbackId: CallbackId | null
  /** Which try of that callback it is; 0 for none. */
  readonly tries: number
  /** What was written before they were rung instead: the call goes on with it. */
  readonly fromThread: Pick<Thread, 'id' | 'channel' | 'lines'> | null
  /** The message it is about: left with the queue, and to be called back. */
  readonly messageId: MessageId | null
}

/** Of a call, or of what is known of one that is over. */
export const createWork = (
  call: Pick<Call, 'id' | 'direction' | 'queueId' | 'number' | 'customer' | 'path' | 'offeredAtMs'> & { readonly messageId?: MessageId | null },
): Work => ({
  id: call.id,
  channel: 'call',
  direction: call.direction,
  queueId: call.queueId,
  campaign: null,
  number: call.number,
  customer: call.customer,
  path: call.path,
  offeredAtMs: call.offeredAtMs,
  endedAtMs: null,
  dialled: call.direction !== 'inbound',
  takenFrom: [],
  handledBy: null,
  handledSinceMs: null,
  run: null,
  notes: '',
  followUp: '',
  sound: [],
  captions: [],
  told: null,
  ringSilenced: false,
  owedBy: [],
  codedBy: [],
  returned: null,
  outcome: null,
  fromCallbackId: null,
  tries: 0,
  messageId: call.messageId ?? null,
  fromThread: null,
})

/** Work is closed when its call is over and nobody owes an outcome for it. */
export const isClosed = ({ endedAtMs, owedBy, handledBy, codedBy }: Work): boolean =>
  endedAtMs !== null && owedBy.length === 0 && (handledBy === null || codedBy.includes(handledBy))

/** Whose codes and times hold for this agent's part of it. */
export function behalfOfPart({ takenFrom, queueId, campaign }: Pick<Work, 'takenFrom' | 'queueId' | 'campaign'>, agentId: AgentId): Behalf {
  const part = takenFrom.find((t) => t.agentId === agentId)
  return behalf(part === undefined ? queueId : part.queueId, campaign)
}

/** On whose business it is now. */
export const behalfOf = ({ queueId, campaign }: Pick<Work, 'queueId' | 'campaign'>): Behalf => behalf(queueId, campaign)

const behalf = (queueId: QueueId | null, campaign: OfCampaign | null): Behalf => ({
  queueId,
  campaignId: campaign !== null && (queueId === null || queueId === campaign.rangBackTo) ? campaign.campaignId : null,
})

/** Who may write notes and the outcome: who handles it, and who owes. */
export const mayWrite = (work: Work, agentId: AgentId): boolean => work.handledBy === agentId || work.owedBy.includes(agentId)

/**
 * The work after its call changed. It is handled by the agent who answered it first, or while whoever handled it is away;
 * when the handler leaves others behind, `contactTaken` says who goes on. Until then it is still theirs: somebody always
 * answers for it.
 */
export function followCall(work: Work, before: Call | undefined, after: Call | null, atMs: EpochMs): Work {
  if (after === null) return { ...work, endedAtMs: atMs }
  const moved =
    work.queueId === after.queueId && work.dialled === isDialled(work, after) ? work : { ...work, queueId: after.queueId, dialled: isDialled(work, after) }
  return followHandler(moved, before, after, atMs)
}

/** Of what somebody writes; `isOurs`: an agent wrote first. */
export const createWritten = ({ id, channel, queueId, number, customer, path, beganAtMs }: Thread, isOurs: boolean): Work => ({
  ...createWork({ id, direction: isOurs ? 'outbound' : 'inbound', queueId, number, customer, path, offeredAtMs: beganAtMs }),
  channel,
})

/** The work after its thread changed: whoever takes it handles it, and goes on to answer for it until somebody else does. */
export function followThread(work: Work, before: Thread | undefined, after: Thread, atMs: EpochMs): Work {
  const moved = work.queueId === after.queueId ? work : { ...work, queueId: after.queueId }
  const takes = after.state === 'open' && (before?.state !== 'open' || before.agentId !== after.agentId) ? after.agentId : null
  const held = takes === null ? moved : taken(moved, takes, atMs)
  return after.state === 'ended' && held.endedAtMs === null ? { ...held, endedAtMs: atMs } : held
}

const isDialled = ({ dialled }: Work, { keptFor }: Call): boolean => dialled || keptFor !== null

function followHandler(work: Work, before: Call | undefined, after: Call, atMs: EpochMs): Work {
  const has = (call: Call | undefined, agentId: AgentId) =>
    call?.connections.some((c) => c.party.kind === 'agent' && c.party.agentId === agentId && (isOnLine(c) || c.state === 'initiated')) ?? false
  if (work.handledBy !== null && has(after, work.handledBy)) {
    // Whoever takes it again begins a new part of it.
    const again = work.codedBy.includes(work.handledBy) && !has(before, work.handledBy)
    return again ? taken(work, work.handledBy, work.handledSinceMs ?? atMs) : work
  }
  const next = after.connections.find((c) => c.party.kind === 'agent' && has(after, c.party.agentId) && !has(before, c.party.agentId))?.party
  return next?.kind === 'agent' ? taken(work, next.agentId, atMs) : work
}

const taken = (work: Work, agentId: AgentId, atMs: EpochMs): Work => ({
  ...work,
  handledBy: agentId,
  handledSinceMs: atMs,
  takenFrom: [...work.takenFrom.filter((t) => t.agentId !== agentId), { agentId, queueId: work.queueId }],
  returned: null,
  codedBy: work.codedBy.filter((id) => id !== agentId),
})

type Followed =
  | WorkEvent
  | ScriptEvent
  | OutcomeEvent
  | OutcomeCorrected
  | Extract<AgentEvent, { kind: 'wrapUpStarted' | 'wrapUpEnded' | 'outcomeOwed' }>
  | Extract<CallbackEvent, { kind: 'callbackDialled' }>

export function evolveWork(work: Work, event: Followed, atMs: EpochMs): Work {
  switch (event.kind) {
    case 'wrapUpStarted':
      return { ...work, owedBy: [...work.owedBy, event.agentId] }
    case 'outcomeOwed':
      return work.owedBy.includes(event.agentId) ? work : { ...work, owedBy: [...work.owedBy, event.agentId] }
    case 'callbackDialled':
      return { ...work, fromCallbackId: event.callbackId, tries: event.attempt }
    case 'wrapUpEnded':
      return { ...work, owedBy: work.owedBy.filter((id) => id !== event.agentId) }
    case 'notesDrafted':
      return { ...work, notes: event.text, followUp: event.followUp }
    case 'captionSpoken':
      return { ...work, captions: [...work.captions, { atMs, turn: event.turn, text: event.text }] }
    case 'callerTold':
      return { ...work, told: { text: event.text, expectedWaitMs: event.expectedWaitMs } }
    case 'soundRated':
      return { ...work, sound: [...work.sound.filter((s) => s.agentId !== event.agentId), { agentId: event.agentId, cause: event.cause }] }
    case 'ringSilenced':
      return { ...work, ringSilenced: true }
    case 'contactTaken':
      return taken(work, event.agentId, atMs)
    case 'outcomeSaved':
      return saved(work, event)
    case 'outcomeCorrected':
      return work.outcome === null ? work : { ...work, outcome: { ...work.outcome, code: event.code, agentId: event.byAgentId } }
    case 'scriptStarted':
    case 'scriptPageShown':
    case 'scriptAnswered':
      return { ...work, run: evolveRun(work.run, event, atMs) }
  }
}

/** What somebody writes about their part does not overwrite the notes of whoever has the call now. */
function saved(work: Work, event: OutcomeEvent): Work {
  const codedBy = [...work.codedBy.filter((id) => id !== event.agentId), event.agentId]
  const owedBy = work.owedBy.filter((id) => id !== event.agentId)
  const isLatest = work.handledBy === event.agentId || work.handledBy === null
  const coded = { ...work, codedBy, owedBy }
  return isLatest ? { ...coded, outcome: event, notes: event.notes, followUp: event.followUp } : coded
}
