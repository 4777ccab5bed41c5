// Everything a stand-in may mean to do. Plain data, so that an agenda can be looked at.
import type { Failure } from '@/core/calls'
import type { AgentId, CallId, DeviceId, QueueId } from '@/core/ids'
import type { RingWish } from './persona'

export type Act =
  | { readonly kind: 'arrive'; readonly queueId: QueueId; readonly dayNo: number }
  | { readonly kind: 'ring'; readonly wish: RingWish; readonly ringsAt: AgentId | null }
  | { readonly kind: 'giveUp'; readonly callId: CallId }
  | { readonly kind: 'keepPlace'; readonly callId: CallId }
  | { readonly kind: 'note'; readonly agentId: AgentId; readonly untilMs: number }
  | { readonly kind: 'fedUp'; readonly callId: CallId; readonly heldSinceMs: number }
  | { readonly kind: 'say'; readonly callId: CallId; readonly turn: number }
  | { readonly kind: 'leave'; readonly callId: CallId; readonly deviceId?: DeviceId }
  /** Words of anybody but the caller: a colleague who is consulted, a place that was dialled, a mailbox. */
  | { readonly kind: 'remark'; readonly callId: CallId; readonly deviceId: DeviceId; readonly text: string }
  | { readonly kind: 'heardDigits'; readonly callId: CallId; readonly deviceId: DeviceId; readonly digits: string }
  | { readonly kind: 'farEnd'; readonly callId: CallId; readonly deviceId?: DeviceId; readonly report: 'ringing' | 'answered' | Failure }
  | { readonly kind: 'clockOn'; readonly agentId: AgentId }
  | { readonly kind: 'clockOff'; readonly agentId: AgentId }
  | { readonly kind: 'goReady'; readonly agentId: AgentId }
  | { readonly kind: 'answer'; readonly agentId: AgentId; readonly callId: CallId }
  | { readonly kind: 'hold' | 'retrieve'; readonly agentId: AgentId; readonly callId: CallId }
  | { readonly kind: 'readOn'; readonly agentId: AgentId; readonly callId: CallId; readonly step: number }
  | { readonly kind: 'finish'; readonly agentId: AgentId; readonly callId: CallId }
  | { readonly kind: 'code'; readonly agentId: AgentId; readonly callId: CallId }
