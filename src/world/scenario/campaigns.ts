// The two campaigns of Fennholm Line. They call at any hour, because the live world has no night; what the law asks for is the set-up's own default.
import type * as z from 'zod'
import { toCampaignId, toListId, toOutcomeSetId, toScriptId } from '@/core/ids'
import type { CampaignSetUpSchema } from '@/core/set-up'
import { HOUR, MINUTE, SECOND } from '@/core/time'
import { AGENTS, SAILINGS } from './people'

export const WINTER_TIMETABLE = toCampaignId('campaign_winter-timetable')
export const ISLAND_PASS = toCampaignId('campaign_island-pass')
export const WINTER_LIST = toListId('list_winter-timetable')
export const ISLAND_PASS_LIST = toListId('list_island-pass')

type CampaignInput = z.input<typeof CampaignSetUpSchema>

const AT_ANY_HOUR: CampaignInput['hours'] = [{ days: [1, 2, 3, 4, 5, 6, 7], fromMinute: 0, toMinute: 24 * 60 }]

const everybody = AGENTS.filter((a) => a.role === 'agent').map((a) => a.id)
/** Not everybody sells passes. */
const SELLS = [
  'Eluned Tarnow',
  'Kester Oddersey',
  'Bevan Skarrow',
  'Idony Penhallis',
  'Fenella Eddystane',
  'Torin Kellowick',
  'Yrsa Tidesley',
  'Odhran Saltergate',
]

export const CAMPAIGNS: readonly CampaignInput[] = [
  {
    id: WINTER_TIMETABLE,
    name: 'Winter timetable',
    purpose: 'Their sailing does not run in winter: they are offered another one.',
    scriptId: toScriptId('script_winter'),
    outcomeSetId: toOutcomeSetId('outcomes_winter'),
    callerId: '+441632960020',
    ringBackQueueId: SAILINGS,
    lines: 24,
    agentIds: everybody,
    // Everybody must be reached, and nobody left without an agent.
    manner: 'progressive',
    hours: AT_ANY_HOUR,
    timeZone: 'Europe/London',
    ringLimitMs: 25 * SECOND,
    abandonedMessage: 'This is Fennholm Line on 01632 960020. We are sorry that nobody is free to talk to you just now. We will call again.',
    attempts: {
      perRecord: { inAll: 12, perDay: 3, perSevenDays: 10 },
      perNumber: { inAll: 8, perDay: 2, perSevenDays: 6 },
      gapMs: { busy: 10 * MINUTE, noAnswer: 2 * HOUR, machine: 3 * HOUR, refused: 6 * HOUR },
      nextNumberAfter: 1,
    },
    order: 'priority',
    recommendedWrapUpMs: 25 * SECOND,
    wrapUpLimit: { afterMs: 3 * MINUTE, andThen: 'notReady', extensionMs: MINUTE },
  },
  {
    id: ISLAND_PASS,
    name: 'Island Pass renewal',
    purpose: 'Their pass ends with the year: they are asked whether they want another.',
    scriptId: toScriptId('script_island-pass'),
    outcomeSetId: toOutcomeSetId('outcomes_island-pass'),
    callerId: '+441632960021',
    ringBackQueueId: SAILINGS,
    lines: 30,
    agentIds: everybody.filter((id) => SELLS.some((name) => id === AGENTS.find((a) => a.name === name)?.id)),
    manner: 'predictive',
    hours: AT_ANY_HOUR,
    timeZone: 'Europe/London',
    abandonedMessage:
      'This is Fennholm Line on 01632 960021. We are sorry, nobody is free to talk to you just now. You need do nothing; we will not call again today.',
    attempts: {
      perRecord: { inAll: 6, perDay: 2, perSevenDays: 4 },
      perNumber: { inAll: 6, perDay: 2, perSevenDays: 4 },
      gapMs: { busy: 20 * MINUTE, noAnswer: 4 * HOUR, machine: 4 * HOUR, refused: 24 * HOUR },
      nextNumberAfter: 2,
    },
    order: 'fewestTries',
    recommendedWrapUpMs: 20 * SECOND,
    wrapUpLimit: { afterMs: 2 * MINUTE, andThen: 'ready', extensionMs: 30 * SECOND },
  },
]
