// Fennholm Line's contact centre as a set-up document. Its queues have no hours, because the live world has no night.

import type * as z from 'zod'
import type { Written } from '@/core/channels'
import { toOutcomeSetId, toScriptId } from '@/core/ids'
import { DESK_LOST, MISSED_RING, OUTCOME_OWED, SetUpSchema, SOUND_LOST } from '@/core/set-up'
import { HOUR, MINUTE, SECOND } from '@/core/time'
import { CAMPAIGNS } from './campaigns'
import { OUTCOME_SETS } from './outcomes'
import { AGENTS, ASSISTANCE, DISRUPTION, FREIGHT, SAILINGS, SKILL_CARE, SKILL_FREIGHT, SKILL_REBOOKING, SKILLS } from './people'
import { CONFERENCE_NUMBER, QUEUE_NUMBERS } from './places'
import { REVIEW_SHEETS } from './review-sheets'
import { SCRIPTS } from './scripts'

type QueueInput = z.input<typeof SetUpSchema>['queues'][number]

const queue = (
  id: typeof SAILINGS,
  name: string,
  seconds: { answer: number; wrapUp: number },
  paths: readonly string[],
  more: Partial<QueueInput>,
): QueueInput => ({
  id,
  name,
  serviceLevelMs: seconds.answer * SECOND,
  recommendedWrapUpMs: seconds.wrapUp * SECOND,
  scriptId: toScriptId(`script_${name.toLowerCase()}`),
  number: QUEUE_NUMBERS.get(id) ?? '',
  outcomeSetId: toOutcomeSetId(`outcomes_${name.toLowerCase()}`),
  paths: [...paths],
  ...more,
})

/** How soon somebody is to answer what is written. */
const ANSWERED_WITHIN: Readonly<Record<Written, number>> = { chat: MINUTE, mail: 4 * HOUR, text: 15 * MINUTE }
const writes = (...channels: readonly Written[]) => channels.map((channel) => ({ channel, serviceLevelMs: ANSWERED_WITHIN[channel] }))

const PASS_HOLDERS = { group: 'Islander with a pass', headStartMs: MINUTE }

export const FENNHOLM = SetUpSchema.parse({
  centre: 'Fennholm Line',
  homeCountry: 'GB',
  timeZone: 'Europe/London',
  ringLimitMs: 20 * SECOND,
  holdLimitMs: 60 * SECOND,
  takeBackMs: 4 * SECOND,
  parkLimitMs: 120 * SECOND,
  outsidersMayStay: false,
  conferenceNumber: CONFERENCE_NUMBER,
  mostOwed: 2,
  // Whoever talks can keep two chats going beside it, and mails wait until it is quiet.
  carries: [
    { call: 1, chat: 2, mail: 3, text: 2 },
    { call: 0, chat: 3, mail: 3, text: 3 },
  ],
  notReadyReasons: [
    { name: 'Break', paid: true, plannedMs: 15 * MINUTE },
    { name: 'Lunch', paid: false, plannedMs: 30 * MINUTE },
    { name: 'Training', paid: true, plannedMs: 25 * MINUTE },
    { name: 'Team talk', paid: true, plannedMs: 10 * MINUTE },
    { name: 'Paperwork', paid: true, plannedMs: 10 * MINUTE },
    { name: 'Technical trouble', paid: true, plannedMs: null },
    { name: MISSED_RING, paid: true, plannedMs: null, givenByFloor: true },
    { name: SOUND_LOST, paid: true, plannedMs: null, givenByFloor: true },
    { name: DESK_LOST, paid: true, plannedMs: null, givenByFloor: true },
    { name: OUTCOME_OWED, paid: true, plannedMs: null, givenByFloor: true },
  ],
  reviewSheets: [...REVIEW_SHEETS],
  skills: [...SKILLS],
  agents: [...AGENTS],
  queues: [
    queue(SAILINGS, 'Sailings', { answer: 20, wrapUp: 45 }, ['Change a booking', 'Book a sailing', 'Something else'], {
      writes: writes('chat', 'mail', 'text'),
      goesFirst: [PASS_HOLDERS],
      tellsWait: true,
      keepsPlaces: true,
      takesMessages: true,
      wrapUpLimit: { afterMs: 3 * MINUTE, andThen: 'notReady', extensionMs: 60 * SECOND },
    }),
    queue(FREIGHT, 'Freight', { answer: 30, wrapUp: 60 }, ['Freight', 'Livestock and horses'], {
      writes: writes('chat', 'mail'),
      needs: [{ skillId: SKILL_FREIGHT, level: 2 }],
      overflow: [{ afterMs: 25 * SECOND, to: 'anyLevel' }],
      takesMessages: true,
      // What is agreed about freight is kept: weights, papers, and who said so.
      records: true,
    }),
    queue(DISRUPTION, 'Disruption', { answer: 20, wrapUp: 30 }, ['Is my boat running'], {
      writes: writes('chat', 'text'),
      headStartMs: 2 * MINUTE,
      goesFirst: [PASS_HOLDERS],
      needs: [{ skillId: SKILL_REBOOKING, level: 2 }],
      overflow: [
        { afterMs: 30 * SECOND, to: 'anyLevel' },
        { afterMs: 120 * SECOND, to: SAILINGS },
      ],
      tellsWait: true,
      keepsPlaces: true,
      overWrapUpMs: 30 * SECOND,
      wrapUpLimit: { afterMs: 2 * MINUTE, andThen: 'ready', extensionMs: 30 * SECOND },
      storm: {
        announcement: 'A gale has closed the routes to Skarvey and Oskerry. They open again when the wind allows; every booking on them stays good.',
        headStartMs: 10 * MINUTE,
        overflow: [
          { afterMs: 0, to: 'anyLevel' },
          { afterMs: 20 * SECOND, to: SAILINGS },
          { afterMs: 60 * SECOND, to: FREIGHT },
        ],
      },
    }),
    queue(ASSISTANCE, 'Assistance', { answer: 10, wrapUp: 60 }, ['Help boarding'], {
      writes: writes('mail', 'text'),
      headStartMs: 15 * MINUTE,
      needs: [{ skillId: SKILL_CARE, level: 2 }],
      overflow: [
        { afterMs: 5 * SECOND, to: 'anyLevel' },
        { afterMs: 45 * SECOND, to: SAILINGS },
      ],
    }),
  ],
  quickTexts: [
    { name: 'Good day', text: 'Good day {caller.firstName|}, this is {agent.firstName} of Fennholm Line. How can I help?' },
    { name: 'One moment', text: 'Thank you. Let me look at that, it takes about a minute.' },
    { name: 'Dogs travel free', queueId: SAILINGS, text: 'Dogs travel free of charge, on a lead, on the deck that is set aside for them.' },
    {
      name: 'Boat cancelled',
      queueId: DISRUPTION,
      text: 'I am sorry: that boat is cancelled because of the wind. I can put you on the next one, or pay back your ticket.',
    },
    { name: 'Good-bye', text: 'Thank you for writing to us. Have a good crossing.' },
  ],
  campaigns: [...CAMPAIGNS],
  scripts: [...SCRIPTS],
  outcomeSets: [...OUTCOME_SETS],
  outsideOutcomeSetId: toOutcomeSetId('outcomes_outside'),
} satisfies z.input<typeof SetUpSchema>)
