// Values of the floor's own tables; those of the rooms are in the rooms.

import type { AgentId, AttemptId, CallbackId, CallId, CampaignId, MessageId, QueueId, WorkId } from '@/core/ids'
import type { EpochMs } from '@/core/time'
import type { Box, Greeting } from '@/core/voicemail'
import type { Work } from '@/core/work'

interface Dated {
  readonly atMs: EpochMs
  /** Counts on: what is due at once happens in the order it was set in. */
  readonly no: number
}
export type Due =
  | ({ readonly kind: 'call'; readonly callId: CallId } & Dated)
  | ({ readonly kind: 'note'; readonly agentId: AgentId } & Dated)
  | ({ readonly kind: 'desk'; readonly agentId: AgentId } & Dated)
  | ({ readonly kind: 'wrapUp'; readonly agentId: AgentId; readonly callId: CallId } & Dated)
  | ({ readonly kind: 'callback'; readonly callbackId: CallbackId } & Dated)
  | ({ readonly kind: 'attempt'; readonly attemptId: AttemptId } & Dated)
  | ({ readonly kind: 'preview'; readonly agentId: AgentId } & Dated)
  | ({ readonly kind: 'thread'; readonly threadId: WorkId } & Dated)
  | ({ readonly kind: 'message'; readonly messageId: MessageId } & Dated)

export interface Greets {
  readonly box: Box
  readonly greeting: Greeting
}

export interface Struck {
  readonly number: string
  readonly person: string
  readonly callId: CallId
  readonly byAgentId: AgentId
}

export interface Coded {
  readonly callId: CallId
  readonly agentId: AgentId
  readonly queueId: QueueId | null
  readonly campaignId: CampaignId | null
  readonly dialled: boolean
  readonly code: string
}

export interface Lately {
  readonly agentId: AgentId
  readonly work: Work
  readonly savedAtMs: EpochMs
  /** It was wrapped up; otherwise it was only owed. */
  readonly inWrapUp: boolean
}
