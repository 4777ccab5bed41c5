// What follows from an outcome: another try, a callback, the do-not-call list, a number struck, a task. Checked before anything
// is emitted; withdrawn when the same call gets another outcome.
import type { Agent } from '@/core/agents'
import type { Callback } from '@/core/callbacks'
import type { Becomes } from '@/core/campaigns'
import { isPublic, readNumber } from '@/core/directory'
import { groundsOf, keyOf } from '@/core/do-not-call'
import { toCallbackId, toTaskId } from '@/core/ids'
import { codeOf, type OutcomeCode } from '@/core/outcomes'
import { checkWhen } from '@/core/rules/promises'
import { type Refused, refuse } from '@/core/rules/rule'
import { mergeFields } from '@/core/scripts'
import { agentName, outcomeSetFor } from '@/core/set-up'
import { type Draft, emit, type FloorState } from '@/core/state'
import { get, values } from '@/core/table'
import { A_YEAR_MS } from '@/core/time'
import { behalfOfPart, mergeValuesOf, type OfCampaign, triesOf, type Work } from '@/core/work'
import type { Of } from './commands'
import type { RulingRefusal } from './refusals'

type Save = Of<'saveOutcome'>

/** A callback as it was asked for, with its number read. */
interface Agreed {
  readonly dueAtMs: number
  readonly timeZone: string
  readonly number: string
  readonly owner: 'mine' | 'anyone'
}

export interface Consequence {
  readonly code: OutcomeCode
  readonly agreed: Agreed | null
  /** From when on the person is there, where another try asks for it. */
  readonly untilMs: number | null
  readonly task: Save['task']
}

/** What the code asks the agent for. Refused: callbackTimeMissing, a time nobody can be called at, taskTitleMissing, and what reading the number refuses. */
export function checkConsequence(
  draft: Draft,
  work: Work,
  code: OutcomeCode,
  { callback, task }: Save,
): Refused<RulingRefusal> | { readonly ok: true; readonly value: Consequence } {
  if (code.follows.kind === 'task' && task !== undefined && task.title.trim() === '') return refuse({ reason: 'taskTitleMissing' })
  if (code.follows.kind === 'task' && task !== undefined && task.dueAtMs > draft.atMs + A_YEAR_MS) return refuse({ reason: 'callbackTooFar' })
  if (code.follows.kind === 'retry' && code.follows.asksUntil === true && callback !== undefined) {
    const refused = checkWhen(draft, callback)
    return refused ?? { ok: true, value: { code, agreed: null, untilMs: callback.dueAtMs, task } }
  }
  if (code.follows.kind !== 'callback') return { ok: true, value: { code, agreed: null, untilMs: null, task } }
  if (callback === undefined) return refuse({ reason: 'callbackTimeMissing' })
  const refused = checkWhen(draft, callback)
  if (refused !== null) return refused
  const reading = readNumber(callback.typed.trim() === '' ? (work.number ?? '') : callback.typed, draft.state.setUp.homeCountry)
  if (!reading.ok) return refuse(reading.refusal)
  const { dueAtMs, timeZone, owner } = callback
  return { ok: true, value: { code, task, untilMs: null, agreed: { dueAtMs, timeZone, owner, number: reading.number.e164 } } }
}

/** Emits what follows, caused by the outcome at `seq`. What followed from an earlier outcome of the same call is withdrawn first. */
export function carryOutConsequence(draft: Draft, agent: Agent, work: Work, consequence: Consequence, seq: number): void {
  const { id: callId, number, customer } = work
  const { queueId, campaignId } = behalfOfPart(work, agent.id)
  const campaign = campaignId === null ? null : work.campaign
  const { code, agreed, untilMs, task } = consequence
  const by = { byAgentId: agent.id }
  const tried = work.tries > 0 ? work.tries : (servedBy(draft.state, work)?.attempt ?? 0)
  closeServed(draft, agent, work, code, seq)
  withdraw(draft, agent, work, seq)
  if (campaign !== null && code.follows.kind !== 'callback')
    becomeOfRecord(draft, agent, work, campaign, code, untilMs === null ? null : { kind: 'again', notBeforeMs: untilMs }, seq)
  switch (code.follows.kind) {
    case 'nothing':
      return
    case 'callback':
    case 'retry': {
      const { follows } = code
      const retry = follows.kind === 'retry' ? follows : null
      // Of a record another try is the dialer's.
      if (retry !== null && campaign !== null) return
      const to = agreed?.number ?? number
      const attempt = retry === null ? 1 : tried + 1
      // What is dialled as it is, the emergency services among it, is nobody to be called again.
      if (to === null || !isPublic(to) || (retry !== null && attempt > retry.atMost)) return
      const dueAtMs = agreed?.dueAtMs ?? untilMs ?? draft.atMs + (retry?.afterMs ?? 0)
      const timeZone = agreed?.timeZone ?? draft.state.setUp.timeZone
      const ownerId = agreed?.owner === 'mine' ? agent.id : null
      const promise = { dueAtMs, timeZone, number: to, customer, queueId, ownerId, attempt, atMost: retry?.atMost ?? null, note: work.notes }
      const ofCampaign = campaign === null ? null : { campaignId: campaign.campaignId, record: { ...campaign.record, number: to, tries: triesOf(campaign) } }
      const callbackId = toCallbackId(`callback_${draft.state.floorId}_${draft.state.seq + 1}`)
      emit(draft, seq, { kind: 'callbackAgreed', callbackId, callId, ...by, why: retry === null ? 'agreed' : 'retry', ...promise, ofCampaign })
      if (campaign !== null) becomeOfRecord(draft, agent, work, campaign, code, { kind: 'callback', callbackId, dueAtMs }, seq)
      return
    }
    case 'neverCall': {
      const whom = code.follows.whom === 'person' && customer !== null ? { person: customer.name } : number === null || !isPublic(number) ? null : { number }
      if (whom !== null) emit(draft, seq, { kind: 'doNotCallAdded', entries: [{ whom, why: `Coded “${code.label}”` }], ...by, callId })
      return
    }
    case 'wrongNumber':
      if (number !== null && customer !== null) emit(draft, seq, { kind: 'numberStruck', callId, number, person: customer.name, ...by })
      return
    case 'task': {
      const merge = (text: string) => mergeFields(text, mergeValuesOf(work, agentName(draft.state.setUp, agent.id)))
      const { title = merge(code.follows.title), text = merge(code.follows.text), dueAtMs = draft.atMs + code.follows.dueAfterMs } = task ?? {}
      const assigneeId = (task?.assignee ?? code.follows.assignee) === 'agent' ? agent.id : null
      const taskId = toTaskId(`task_${draft.state.floorId}_${draft.state.seq + 1}`)
      emit(draft, seq, { kind: 'taskFiled', taskId, callId, ...by, customer: customer?.name ?? null, number, title, text, dueAtMs, assigneeId })
      return
    }
  }
}

/** What becomes of somebody of a calling list. */
function becomeOfRecord(
  draft: Draft,
  agent: Agent,
  { id: callId, number }: Work,
  campaign: OfCampaign,
  code: OutcomeCode,
  promised: Becomes | null,
  seq: number,
): void {
  const { campaignId, record } = campaign
  const by = { campaignId, recordId: record.recordId, callId, agentId: agent.id }
  const becomes = promised ?? becomesBy(code, triesOf(campaign), number, draft.atMs)
  emit(draft, seq, { kind: 'recordCoded', ...by, code: code.code, label: code.label, becomes, conversion: code.counts.conversion })
}

function becomesBy({ follows, counts }: OutcomeCode, tries: number, number: string | null, atMs: number): Becomes {
  switch (follows.kind) {
    case 'retry':
      return tries >= follows.atMost ? { kind: 'final' } : { kind: 'again', notBeforeMs: atMs + follows.afterMs }
    case 'neverCall':
      return { kind: 'never' }
    case 'wrongNumber':
      return number === null ? { kind: 'byRule' } : { kind: 'wrongNumber', number }
    default:
      return counts.final ? { kind: 'final' } : { kind: 'byRule' }
  }
}

/**
 * What this call was made for is done with whatever outcome it gets, and so is another try at the same number that was
 * waiting when it was dialled by hand.
 */
function closeServed(draft: Draft, agent: Agent, work: Work, code: OutcomeCode, seq: number): void {
  const callback = servedBy(draft.state, work)
  if (callback === undefined) return
  const noTriesLeft = code.follows.kind === 'retry' && callback.attempt >= code.follows.atMost
  emit(draft, seq, { kind: 'callbackClosed', callbackId: callback.id, byAgentId: agent.id, because: noTriesLeft ? 'noTriesLeft' : 'coded', why: code.label })
}

function servedBy(state: FloorState, { fromCallbackId, id: callId, direction, number }: Work): Callback | undefined {
  const own = fromCallbackId === null ? undefined : get(state.callbacks, fromCallbackId)
  if (own?.dialled?.callId === callId) return own
  if (direction !== 'outbound') return undefined
  return openedFirst(state.callbacks).find((c) => c.why === 'retry' && c.number === number && c.callId !== callId && c.dialled === null)
}

/** What followed from this agent's outcome of the call so far, while it can be: a callback that is being called goes on. */
export function withdraw(draft: Draft, agent: Agent, work: Work, seq: number): void {
  const { id: callId, number, customer, campaign, outcome } = work
  if (campaign !== null && outcome !== null && behalfOfPart(work, agent.id).campaignId !== null) {
    const code = codeOf(outcomeSetFor(draft.state.setUp, behalfOfPart(work, agent.id)), outcome.code)
    const { campaignId, record } = campaign
    emit(draft, seq, { kind: 'recordUncoded', campaignId, recordId: record.recordId, callId, agentId: agent.id, conversion: code?.counts.conversion ?? false })
  }
  const { callbacks, doNotCall, tasks, struck } = draft.state
  const by = { byAgentId: agent.id }
  const why = 'The call got another outcome'
  for (const c of openedFirst(callbacks))
    if (c.callId === callId && c.agreedBy === agent.id && c.dialled === null)
      emit(draft, seq, { kind: 'callbackClosed', callbackId: c.id, ...by, because: 'recoded', why })
  for (const whom of [number === null ? null : { number }, customer === null ? null : { person: customer.name }]) {
    const entry = whom === null ? undefined : get(doNotCall, keyOf(whom))
    if (entry !== undefined && groundsOf(entry).some((g) => g.callId === callId && g.byAgentId === agent.id))
      emit(draft, seq, { kind: 'doNotCallRemoved', whom: entry.whom, ...by, why, callId })
  }
  for (const task of values(tasks).sort((a, b) => a.filedAtMs - b.filedAtMs))
    if (task.callId === callId && task.byAgentId === agent.id) emit(draft, seq, { kind: 'taskClosed', taskId: task.taskId, ...by, because: 'recoded' })
  if (number !== null && customer !== null && struck.some((s) => s.callId === callId && s.byAgentId === agent.id && s.number === number))
    emit(draft, seq, { kind: 'numberRestored', callId, number, person: customer.name, ...by })
}

/** The order of a table says nothing: what is decided goes by when they were agreed. */
const openedFirst = (callbacks: FloorState['callbacks']): Callback[] => values(callbacks).sort((a, b) => a.agreedAtMs - b.agreedAtMs)
