// The outcome of a call in its record: that of whoever had it last, corrected by whoever may. Of a call of an earlier ledger there is no record here:
// whoever keeps that one brings them together.
import type { AgentId, CallId } from '@/core/ids'
import { outcomeSetFor, type SetUp } from '@/core/set-up'
import type { EpochMs } from '@/core/time'
import { behalfOf } from '@/core/work'
import type { FloorEvent } from './entry'
import type { Correction, FolderState, OpenCall } from './folder-state'
import { cameLater } from './legs'

type OutcomesEvent = Extract<FloorEvent, { readonly kind: 'outcomeSaved' | 'outcomeTakenBack' | 'outcomeCorrected' }>

/** What of the folder it stands on. */
interface Of {
  readonly known: () => SetUp
  readonly nameOf: (id: AgentId) => string
  /** Throws when the call is not there. */
  readonly existing: (id: CallId) => OpenCall
  readonly calls: ReadonlyMap<CallId, OpenCall>
  readonly owedBefore: FolderState['owedBefore']
  readonly corrections: Map<CallId, Correction>
  /** Of the entry that is being folded. */
  readonly seq: () => number
}

export function createCallOutcomes({ known, nameOf, existing, calls, owedBefore, corrections, seq }: Of) {
  /** The code of a call is that of whoever had it last; until they have given it, anybody's is better than none. */
  const countsForCall = (callId: CallId, agentId: AgentId): boolean => {
    const { handledBy = null, owedBy = [] } = owedBefore.get(callId) ?? {}
    if (handledBy === null || handledBy === agentId) return true
    return owedBy.includes(handledBy) && corrections.get(callId)?.byId !== handledBy
  }

  return (event: OutcomesEvent, atMs: EpochMs): void => {
    switch (event.kind) {
      case 'outcomeSaved': {
        if (owedBefore.has(event.callId)) {
          if (countsForCall(event.callId, event.agentId))
            corrections.set(event.callId, { seq: seq(), code: event.code, atMs, byId: event.agentId, by: nameOf(event.agentId), notes: event.notes })
          return
        }
        const open = existing(event.callId)
        const { record, legs } = open
        open.owedBy = open.owedBy.filter((id) => id !== event.agentId)
        // The final code is that of the agent who had the call last, even when somebody before them codes later.
        const { codedBy } = open
        if (codedBy !== null && cameLater(legs, codedBy, event.agentId)) return
        open.codedBy = event.agentId
        const code = outcomeSetFor(known(), behalfOf(open)).codes.find((c) => c.code === event.code)
        Object.assign(record, {
          outcome: code?.code ?? event.code,
          outcomeAtMs: atMs,
          outcomeById: event.agentId,
          outcomeBy: nameOf(event.agentId),
          notes: event.notes,
        })
        return
      }
      case 'outcomeTakenBack': {
        if (owedBefore.has(event.callId)) {
          if (corrections.get(event.callId)?.byId === event.agentId) corrections.delete(event.callId)
          return
        }
        const open = existing(event.callId)
        if (open.codedBy !== event.agentId) return
        open.codedBy = null
        Object.assign(open.record, { outcome: null, outcomeAtMs: null, outcomeById: null, outcomeBy: null })
        return
      }
      case 'outcomeCorrected': {
        // Of a call of an earlier ledger there is no record here: whoever keeps that one brings them together.
        const record = calls.get(event.callId)?.record
        if (record === undefined)
          corrections.set(event.callId, { seq: seq(), code: event.code, atMs, byId: event.byAgentId, by: nameOf(event.byAgentId), notes: null })
        else Object.assign(record, { outcome: event.code, outcomeAtMs: atMs, outcomeById: event.byAgentId, outcomeBy: nameOf(event.byAgentId) })
        return
      }
    }
  }
}
