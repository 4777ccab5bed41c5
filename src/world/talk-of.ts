// What a piece that somebody writes is about.
import type { QueueId, WorkId } from '@/core/ids'
import { chanceOfCall } from './chance-of-call'
import type { Stage, Talk } from './stage'

export const talkOf = ({ talks }: Stage, seed: number, id: WorkId, queueId: QueueId): Talk => {
  const fitting = talks.filter((t) => t.of === queueId)
  return chanceOfCall(seed, id, 'writes').pick(fitting.length === 0 ? talks : fitting)
}
