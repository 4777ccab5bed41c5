// What is wanted of each queue, and what is said to each campaign.

import type { Business, BusinessId } from '@/world'
import { ISLAND_PASS, WINTER_TIMETABLE } from '@/world/scenario/campaigns'
import { ASSISTANCE, DISRUPTION, FREIGHT, SAILINGS } from '@/world/scenario/people'
import { SPEAKING } from './any'
import { assistance } from './assistance'
import { islandPass, winter } from './campaigns'
import { disruption } from './disruption'
import { freight } from './freight'
import { sailings } from './sailings'

export const BUSINESS: ReadonlyMap<BusinessId, Business> = new Map<BusinessId, Business>([
  [SAILINGS, sailings],
  [FREIGHT, freight],
  [DISRUPTION, disruption],
  [ASSISTANCE, assistance],
  [WINTER_TIMETABLE, winter],
  [ISLAND_PASS, islandPass],
])

/** Of a queue somebody has added: they only want to know something. */
export const OTHER_BUSINESS: Business = {
  medianMs: sailings.medianMs,
  intents: [{ wants: 'ask', weight: 1, paths: null, answers: SPEAKING, code: 'information' }],
  lines: sailings.lines,
  instead: {},
}
