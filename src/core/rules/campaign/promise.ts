// What was promised to somebody of a list comes to whoever promised it, with its notes, before the list goes on: shown like a record that is looked at first.
import type { Callback } from '@/core/callbacks'
import type { Preview } from '@/core/campaigns'
import { refuse } from '@/core/rules/rule'
import { awaitedAgents, idleOf } from '@/core/rules/shift'
import { type Draft, emit, type FloorState } from '@/core/state'
import { get, values } from '@/core/table'
import { mayNotBeCalledNow, notRunning, running } from './attempt'
import type { Of, Ruling } from './commands'

/**
 * To its owner, or where it is anybody's to whoever of the campaign has been idle longest. Refused: targetUnknown when it is nothing of a campaign,
 * campaignNotRunning, agentNotFree, notInThatState when it is not due, being called or shown already, numberBusy, outsideHours.
 */
export function offerPromise(draft: Draft, { callbackId }: Of<'offerPromise'>): Ruling {
  const { state, atMs } = draft
  const callback = get(state.callbacks, callbackId)
  if (callback?.ofCampaign == null) return refuse({ reason: 'targetUnknown' })
  const { campaignId, record } = callback.ofCampaign
  const campaign = running(state, campaignId)
  if (campaign === undefined) return notRunning(state, campaignId)
  if (callback.dialled !== null || callback.dueAtMs > atMs || values(state.previews).some((p) => p.callbackId === callbackId))
    return refuse({ reason: 'notInThatState' })
  const { promised } = awaitedAgents(state)
  // Whoever somebody is on the way to takes them first.
  const agent = idleOf(state, campaignId).find(
    (a) => a.shift?.leaving === null && !promised.has(a.id) && (callback.ownerId === null || callback.ownerId === a.id),
  )
  if (agent === undefined) return refuse({ reason: 'agentNotFree' })
  const called = { ...record, number: callback.number }
  return (
    mayNotBeCalledNow(draft, campaign, called) ??
    emit(draft, null, { kind: 'recordOffered', campaignId, agentId: agent.id, record: called, dueAtMs: null, callbackId })
  )
}

/** Promises of a campaign whose time has come, those that wait longest first. */
export function promisesDue({ callbacks }: FloorState, campaignId: Preview['campaignId'], atMs: number): readonly Callback[] {
  const due: Callback[] = []
  for (const callback of callbacks.values())
    if (callback.ofCampaign?.campaignId === campaignId && callback.dueAtMs <= atMs && callback.dialled === null) due.push(callback)
  return due.sort((a, b) => a.dueAtMs - b.dueAtMs || (a.id < b.id ? -1 : 1))
}

/** Whether what is shown may still be called by whom it is shown to. */
export function stands({ callbacks }: FloorState, { callbackId, agentId }: Preview, atMs: number): boolean {
  if (callbackId === null) return true
  const callback = get(callbacks, callbackId)
  return callback !== undefined && callback.dialled === null && callback.dueAtMs <= atMs && (callback.ownerId === null || callback.ownerId === agentId)
}
