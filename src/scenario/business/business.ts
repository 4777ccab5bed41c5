// What is wanted of each queue.
import type { QueueId } from '@/core/ids'
import { ASSISTANCE, DISRUPTION, FREIGHT, SAILINGS } from '@/scenario/people'
import type { Business } from '@/world'
import { SPEAKING } from './any'
import { assistance } from './assistance'
import { disruption } from './disruption'
import { freight } from './freight'
import { sailings } from './sailings'

export const BUSINESS: ReadonlyMap<QueueId, Business> = new Map([
  [SAILINGS, sailings],
  [FREIGHT, freight],
  [DISRUPTION, disruption],
  [ASSISTANCE, assistance],
])

/** Of a queue somebody has added: they only want to know something. */
export const OTHER_BUSINESS: Business = {
  medianMs: sailings.medianMs,
  intents: [{ wants: 'ask', weight: 1, paths: null, answers: SPEAKING, code: 'information' }],
  lines: sailings.lines,
  instead: {},
}
