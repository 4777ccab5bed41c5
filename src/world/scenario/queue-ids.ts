// The queues of Fennholm Line by their ids.
import { toQueueId } from '@/core/ids'

export const SAILINGS = toQueueId('queue_sailings')
export const FREIGHT = toQueueId('queue_freight')
export const DISRUPTION = toQueueId('queue_disruption')
export const ASSISTANCE = toQueueId('queue_assistance')
