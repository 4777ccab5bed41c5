// Rules of callbacks and tasks that stand: dial one, move it, hand it over, give it up, have it done.
import type { Agent } from '@/core/agents'
import type { Callback } from '@/core/callbacks'
import { type AnyRefusal, type Refused, type Ruling as RulingFor, refuse } from '@/core/rules/rule'
import { agentName } from '@/core/set-up'
import { type Draft, emit } from '@/core/state'
import { get } from '@/core/table'
import { A_YEAR_MS, isTimeZone } from '@/core/time'
import type { PromiseCommand } from './commands'
import type { PromiseRefusal } from './refusals'

type Of<K extends PromiseCommand['kind']> = Extract<PromiseCommand, { kind: K }>
type Ruling = RulingFor<PromiseRefusal | AnyRefusal>

type Found = Refused<PromiseRefusal> | { readonly ok: true; readonly callback: Callback }

/** One that this agent may do something about: theirs or anybody's, and not being called. */
export function openCallback(draft: Draft, agent: Agent, callbackId: Callback['id']): Found {
  const callback = get(draft.state.callbacks, callbackId)
  if (callback === undefined) return refuse({ reason: 'noSuchCallback' })
  const { setUp } = draft.state
  if (callback.ownerId !== null && callback.ownerId !== agent.id) return refuse({ reason: 'callbackOfAnother', name: agentName(setUp, callback.ownerId) })
  if (callback.dialled !== null) return refuse({ reason: 'callbackUnderWay', name: agentName(setUp, callback.dialled.byAgentId) })
  return { ok: true, callback }
}

/** A time somebody can be called at. Refused: callbackInThePast, callbackTooFar beyond a year, timeZoneUnknown. */
export function checkWhen(draft: Draft, { dueAtMs, timeZone }: { readonly dueAtMs: number; readonly timeZone: string }): Refused<PromiseRefusal> | null {
  if (dueAtMs <= draft.atMs) return refuse({ reason: 'callbackInThePast' })
  if (dueAtMs > draft.atMs + A_YEAR_MS) return refuse({ reason: 'callbackTooFar' })
  return isTimeZone(timeZone) ? null : refuse({ reason: 'timeZoneUnknown', timeZone })
}

/** Refused: noSuchCallback, callbackOfAnother, callbackUnderWay, and as `checkWhen` does. */
export function moveCallback(draft: Draft, agent: Agent, { callbackId, dueAtMs, timeZone, why }: Of<'moveCallback'>): Ruling {
  const found = openCallback(draft, agent, callbackId)
  if (!found.ok) return found
  return (
    checkWhen(draft, { dueAtMs, timeZone }) ?? emit(draft, null, { kind: 'callbackMoved', callbackId, byAgentId: agent.id, dueAtMs, timeZone, why: why.trim() })
  )
}

/** To a colleague, or to anybody. Refused: as above; targetUnknown, callbackUnchanged. */
export function handOverCallback(draft: Draft, agent: Agent, { callbackId, ownerId }: Of<'handOverCallback'>): Ruling {
  const found = openCallback(draft, agent, callbackId)
  if (!found.ok) return found
  if (ownerId !== null && !draft.state.setUp.agents.some((a) => a.id === ownerId && !a.retired)) return refuse({ reason: 'targetUnknown' })
  if (found.callback.ownerId === ownerId) return refuse({ reason: 'callbackUnchanged' })
  return emit(draft, null, { kind: 'callbackHandedOver', callbackId, byAgentId: agent.id, ownerId })
}

/** Refused: as above; whyMissing. */
export function dropCallback(draft: Draft, agent: Agent, { callbackId, why }: Of<'dropCallback'>): Ruling {
  const found = openCallback(draft, agent, callbackId)
  if (!found.ok) return found
  if (why.trim() === '') return refuse({ reason: 'whyMissing' })
  emit(draft, null, { kind: 'callbackClosed', callbackId, byAgentId: agent.id, because: 'dropped', why: why.trim() })
  const { ofCampaign } = found.callback
  if (ofCampaign === null) return null
  const { campaignId, record } = ofCampaign
  return emit(draft, draft.state.seq, { kind: 'recordReleased', campaignId, recordId: record.recordId, callbackId })
}

/** Refused: noSuchTask. */
export function closeTask(draft: Draft, agent: Agent, { taskId }: Of<'closeTask'>): Ruling {
  if (get(draft.state.tasks, taskId) === undefined) return refuse({ reason: 'noSuchTask' })
  return emit(draft, null, { kind: 'taskClosed', taskId, byAgentId: agent.id, because: 'done' })
}
