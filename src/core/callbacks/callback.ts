// A callback that is open, folded from its events. One that is done is in the ledger and nowhere else.
import type { Customer } from '@/core/calls'
import type { CalledRecord } from '@/core/campaigns'
import type { AgentId, CallbackId, CallId, CampaignId, QueueId } from '@/core/ids'
import type { EpochMs } from '@/core/time'
import type { CallbackEvent } from './event'

export interface Callback {
  readonly id: CallbackId
  readonly callId: CallId
  readonly why: 'agreed' | 'retry'
  readonly number: string
  readonly customer: Customer | null
  readonly queueId: QueueId | null
  readonly ofCampaign: { readonly campaignId: CampaignId; readonly record: CalledRecord } | null
  readonly dueAtMs: EpochMs
  readonly timeZone: string
  /** null: anybody's. */
  readonly ownerId: AgentId | null
  readonly attempt: number
  readonly atMost: number | null
  readonly note: string
  readonly agreedBy: AgentId
  readonly agreedAtMs: EpochMs
  readonly escalatedAtMs: EpochMs | null
  /** The call that was made for it, until that one is coded. */
  readonly dialled: { readonly callId: CallId; readonly byAgentId: AgentId } | null
}

/** null once it is closed. Throws when the event speaks of a callback that is not there: damage, never a person's mistake. */
export function evolveCallback(callback: Callback | undefined, event: CallbackEvent, atMs: EpochMs): Callback | null {
  if (event.kind === 'callbackAgreed') {
    const { callbackId, callId, why, number, customer, queueId, ofCampaign, dueAtMs, timeZone, ownerId, attempt, atMost, note, byAgentId } = event
    const promise = { callId, why, number, customer, queueId, ofCampaign, dueAtMs, timeZone, ownerId, attempt, atMost, note }
    return { id: callbackId, ...promise, agreedBy: byAgentId, agreedAtMs: atMs, escalatedAtMs: null, dialled: null }
  }
  if (callback === undefined) throw new Error(`${event.kind} of ${event.callbackId}, which is not open`)
  switch (event.kind) {
    case 'callbackMoved':
      return { ...callback, dueAtMs: event.dueAtMs, timeZone: event.timeZone, escalatedAtMs: null }
    case 'callbackHandedOver':
      return { ...callback, ownerId: event.ownerId }
    case 'callbackDialled':
      return { ...callback, dialled: { callId: event.callId, byAgentId: event.byAgentId } }
    case 'callbackEscalated':
      return { ...callback, ownerId: null, escalatedAtMs: atMs }
    case 'callbackClosed':
      return null
  }
}

/** When nobody has called by then, it is missed and escalates; null when it has escalated already, or is being called. */
export const escalationDueAtMs = (callback: Callback, missedAfterMs: number): EpochMs | null =>
  callback.escalatedAtMs !== null || callback.dialled !== null ? null : callback.dueAtMs + missedAfterMs
