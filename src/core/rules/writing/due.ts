// What time does to what is written: offers nobody took go on, mails come back from where they were put aside, waiting pieces are offered further.
import { MISSED_RING } from '@/core/set-up'
import { type Draft, emit, roomOf } from '@/core/state'
import { get } from '@/core/table'
import type { Thread } from '@/core/threads'
import { overflowThread } from './offer'

export function threadDue(draft: Draft, { threadId }: { readonly threadId: Thread['id'] }): void {
  const thread = get(draft.state.threads, threadId)
  if (thread === undefined) return
  if (thread.state === 'parked') return unpark(draft, thread, 'due')
  if (thread.state === 'offered' && thread.agentId !== null) return missed(draft, thread, thread.agentId)
  overflowThread(draft, threadId)
}

/** It stands in its line again, and goes to whoever put it aside, if they have room. */
export function unpark(draft: Draft, { id: threadId, agentId, channel }: Thread, because: 'due' | 'asked' | 'written'): void {
  emit(draft, null, { kind: 'threadUnparked', threadId, because })
  const agent = agentId === null ? undefined : get(draft.state.agents, agentId)
  if (agent !== undefined && roomOf(draft.state, agent, channel) > 0) emit(draft, draft.state.seq, { kind: 'threadOffered', threadId, agentId: agent.id })
}

/** Whoever has something else in hand has missed nothing but this; who sits idle and does not take it is not there. */
function missed(draft: Draft, { id: threadId }: Thread, agentId: NonNullable<Thread['agentId']>): void {
  emit(draft, null, { kind: 'threadPassed', threadId, agentId, because: 'missed' })
  if (get(draft.state.agents, agentId)?.state.name === 'ready') emit(draft, draft.state.seq, { kind: 'agentNotReady', agentId, reason: MISSED_RING })
}
