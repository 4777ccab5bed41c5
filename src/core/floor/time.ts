// What time itself does: everything whose time has come.
import { attemptDue, previewDue } from '@/core/rules/campaign'
import { endAtLimit } from '@/core/rules/closing'
import { deskDue } from '@/core/rules/desk'
import { overflow } from '@/core/rules/door'
import type { Rules } from '@/core/rules/rule'
import { carryOutClearing, returnCall, ringOut } from '@/core/rules/talk'
import { messageOver } from '@/core/rules/voicemail'
import { threadDue } from '@/core/rules/writing'
import { type Draft, type Due, dueBy, emit } from '@/core/state'
import { get } from '@/core/table'

/** Time has passed. Due whenever `nextDueAtMs` says so. */
export interface PassTime {
  readonly kind: 'passTime'
}

const WHEN_DUE: { readonly [K in Due['kind']]: (draft: Draft, due: Extract<Due, { readonly kind: K }>) => void } = {
  desk: deskDue,
  note: (draft, { agentId }) => emit(draft, null, { kind: 'noteCleared', agentId, because: 'overdue' }),
  wrapUp: (draft, { agentId, callId }) => endAtLimit(draft, agentId, callId),
  callback: (draft, { callbackId }) => emit(draft, null, { kind: 'callbackEscalated', callbackId }),
  attempt: attemptDue,
  preview: previewDue,
  message: (draft, { messageId }) => emit(draft, null, { kind: 'messagePurged', messageId }),
  thread: threadDue,
  call: callDue,
}

function passTime(draft: Draft): null {
  for (const due of dueBy(draft.state, draft.atMs)) (WHEN_DUE[due.kind] as (draft: Draft, due: Due) => void)(draft, due)
  return null
}

/** Ends reach the network, parked calls ring back, calls that wait long are offered further, rings over their limit move on. */
function callDue(draft: Draft, { callId }: Extract<Due, { kind: 'call' }>): void {
  const call = get(draft.state.calls, callId)
  if (call === undefined) return
  if (call.clearing !== null && call.clearing.dueAtMs <= draft.atMs) carryOutClearing(draft, call)
  // The slot gives the call up by itself: that is the event all else follows from.
  else if (messageOver(draft, call)) return
  else if (call.handover?.dueAtMs != null && call.handover.dueAtMs <= draft.atMs) returnCall(draft, call, 'noAnswer', null)
  else {
    overflow(draft, call)
    ringOut(draft, call)
  }
}

export const TIME_RULES: Rules<PassTime, never> = { passTime }
