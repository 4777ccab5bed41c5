// How the rows that several kinds of event touch are changed: with what is due by them, and gone when nobody needs them any more.
import type { Agent } from '@/core/agents'
import type { AgentId, WorkId } from '@/core/ids'
import { get, must } from '@/core/table'
import { isClosed, type Work } from '@/core/work'
import { setWrapUpsDue } from './due'
import { type Place, put, remove } from './journal'

export function changeAgent(place: Place, id: AgentId, change: (agent: Agent) => Agent): void {
  const before = must(place.state.agents, id)
  const after = change(before)
  put(place, 'agents', id, after)
  if (after.wrapUps !== before.wrapUps) setWrapUpsDue(place, id, before.wrapUps, after.wrapUps)
}

export function changeWork(place: Place, callId: WorkId, change: (work: Work) => Work): void {
  const work = get(place.state.work, callId)
  if (work === undefined) throw new Error(`no work for ${callId}`)
  put(place, 'work', callId, change(work))
  dropClosed(place, callId)
}

export function dropClosed(place: Place, callId: WorkId): void {
  const work = get(place.state.work, callId)
  if (work === undefined || !isClosed(work)) return
  remove(place, 'work', callId)
  // What was said is looked at until it is coded.
  remove(place, 'threads', callId)
}
