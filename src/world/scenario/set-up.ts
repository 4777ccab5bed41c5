// Fennholm Line's contact centre as a set-up document.
import { toOutcomeSetId, toScriptId } from '@/core/ids'
import type { SetUp } from '@/core/set-up'
import { SECOND } from '@/core/time'
import { OUTCOME_SETS } from './outcomes'
import { AGENTS, ASSISTANCE, DISRUPTION, FREIGHT, SAILINGS } from './people'
import { SCRIPTS } from './scripts'

const queue = (id: typeof SAILINGS, name: string, priority: number, seconds: { answer: number; wrapUp: number }, paths: readonly string[]) => ({
  id,
  name,
  priority,
  serviceLevelMs: seconds.answer * SECOND,
  recommendedWrapUpMs: seconds.wrapUp * SECOND,
  scriptId: toScriptId(`script_${name.toLowerCase()}`),
  outcomeSetId: toOutcomeSetId(`outcomes_${name.toLowerCase()}`),
  // What is agreed about freight is kept: weights, papers, and who said so.
  records: id === FREIGHT,
  paths,
})

export const FENNHOLM: SetUp = {
  centre: 'Fennholm Line',
  homeCountry: 'GB',
  ringLimitMs: 20 * SECOND,
  holdLimitMs: 60 * SECOND,
  takeBackMs: 4 * SECOND,
  parkLimitMs: 120 * SECOND,
  outsidersMayStay: false,
  notReadyReasons: ['Break', 'Lunch', 'Training', 'Team talk', 'Paperwork', 'Technical trouble', 'Missed ring'],
  agents: AGENTS,
  queues: [
    queue(SAILINGS, 'Sailings', 30, { answer: 20, wrapUp: 45 }, ['Change a booking', 'Book a sailing', 'Something else']),
    queue(FREIGHT, 'Freight', 30, { answer: 30, wrapUp: 60 }, ['Freight', 'Livestock and horses']),
    queue(DISRUPTION, 'Disruption', 20, { answer: 20, wrapUp: 30 }, ['Is my boat running']),
    queue(ASSISTANCE, 'Assistance', 10, { answer: 10, wrapUp: 60 }, ['Help boarding']),
  ],
  scripts: SCRIPTS,
  outcomeSets: OUTCOME_SETS,
  outsideOutcomeSetId: toOutcomeSetId('outcomes_outside'),
}
