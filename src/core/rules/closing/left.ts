// An agent leaves a call they handled.
import { type CallEvent, isOnLine } from '@/core/calls'
import type { AgentId, WorkId } from '@/core/ids'
import type { OutcomeEvent } from '@/core/outcomes'
import { agentOfDevice, type Draft, emit, rowBefore } from '@/core/state'
import { get } from '@/core/table'
import type { Work } from '@/core/work'
import { carryOut } from './outcome'
import { beginWrapUp } from './wrap-up'

/** The agent who handled a call and leaves it owes its outcome, or has given it and goes on as they chose. */
export function left(draft: Draft, seq: number, { callId, deviceId }: Extract<CallEvent, { kind: 'connectionCleared' }>): void {
  const agentId = agentOfDevice(deviceId)
  // A call between colleagues becomes work when somebody from outside is brought to it, it may be by whoever leaves it to them.
  const work = rowBefore(draft, 'work', callId) ?? get(draft.state.work, callId)
  if (agentId === null || work?.handledBy !== agentId) return
  // A ring in vain at somebody who had left before is not leaving again.
  const was = rowBefore(draft, 'calls', callId)?.connections.find((c) => c.deviceId === deviceId)?.state
  if (was === 'alerting' || was === 'failed' || was === undefined) return
  owesFor(draft, seq, agentId, work)
  const next = get(draft.state.calls, callId)?.connections.find((c) => c.party.kind === 'agent' && isOnLine(c))?.party
  if (next?.kind === 'agent') emit(draft, seq, { kind: 'contactTaken', callId, agentId: next.agentId })
}

/** The agent has nothing more to do with what was written: they owe its outcome, or have given it and go on as they chose. */
export function leaveWork(draft: Draft, seq: number, agentId: AgentId, workId: WorkId): void {
  const work = rowBefore(draft, 'work', workId) ?? get(draft.state.work, workId)
  if (work === undefined || work.owedBy.includes(agentId)) return
  // Whoever put it aside and went home finds it when they come back.
  if (get(draft.state.agents, agentId)?.shift == null && !work.codedBy.includes(agentId))
    emit(draft, seq, { kind: 'outcomeOwed', agentId, callId: workId, because: 'leftForLater' })
  else owesFor(draft, seq, agentId, work)
}

function owesFor(draft: Draft, seq: number, agentId: AgentId, work: Work): void {
  const outcome = outcomeOf(draft, work, agentId)
  if (outcome !== null) carryOut(draft, agentId, outcome.andThen)
  else beginWrapUp(draft, seq, agentId, work)
}

function outcomeOf(draft: Draft, before: Work, agentId: Work['handledBy']): OutcomeEvent | null {
  for (const { event } of draft.entries) if (event.kind === 'outcomeSaved' && event.callId === before.id && event.agentId === agentId) return event
  return agentId !== null && before.codedBy.includes(agentId) ? before.outcome : null
}
