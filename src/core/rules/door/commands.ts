// What callers do at the door of a queue.
import type { Customer } from '@/core/calls'
import type { AgentId, CallId, QueueId } from '@/core/ids'
import type { OfCampaign } from '@/core/work'

export type DoorCommand =
  | {
      readonly kind: 'callArrives'
      readonly queueId: QueueId
      readonly number: string | null
      readonly customer: Customer | null
      /** Everybody the number belongs to, where it is more than one. */
      readonly matches?: readonly Customer[]
      readonly path: string | null
      /** They rang a campaign's number back: whose, and who of its lists they are. */
      readonly rungBack?: Pick<OfCampaign, 'campaignId' | 'record'>
      /** It rings at this agent first, if they are ready; declined or missed, it waits like any other. */
      readonly ringsAt?: AgentId
    }
  /** A waiting caller would rather hang up and be called back. */
  | { readonly kind: 'keepPlace'; readonly callId: CallId }
  /** A waiting caller would rather say what it is about. */
  | { readonly kind: 'leaveMessage'; readonly callId: CallId }
