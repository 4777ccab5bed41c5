// What a campaign is: whom it calls when, in which manner, how often, and what becomes of those nobody could take.
import * as z from 'zod'
import { AgentIdSchema, CampaignIdSchema, OutcomeSetIdSchema, QueueIdSchema, ScriptIdSchema } from '@/core/ids'
import { DAY, HOUR, isTimeZone, MINUTE, SECOND } from '@/core/time'
import { OpeningSchema, WrapUpLimitSchema } from './queue'

/**
 * How the dialer goes to work. `preview`: an agent sees the record and decides. `progressive`: one attempt for each idle agent. `predictive`: as many as
 * the pacing reckons will find an agent free (core/pacing).
 */
export const MANNERS = ['preview', 'progressive', 'predictive'] as const
export type Manner = (typeof MANNERS)[number]

/** Nobody's telephone rings for less (16 CFR 310.4(b)(4)(ii): 15 seconds or four rings). */
export const LEAST_RING_MS = 15 * SECOND

const times = z.number().int().min(1).max(1_000)

/** How often somebody may be tried. */
export const LimitsSchema = z.object({ inAll: times, perDay: times, perSevenDays: times }).readonly()
export type Limits = z.infer<typeof LimitsSchema>

const gap = z
  .number()
  .int()
  .min(MINUTE)
  .max(30 * DAY)

export const AttemptRulesSchema = z
  .object({
    perRecord: LimitsSchema.default({ inAll: 8, perDay: 3, perSevenDays: 6 }),
    perNumber: LimitsSchema.default({ inAll: 6, perDay: 2, perSevenDays: 4 }),
    /** The least time until the next try, by what came of the last one. */
    gapMs: z
      .object({ busy: gap, noAnswer: gap, machine: gap, refused: gap })
      .readonly()
      .default({ busy: 15 * MINUTE, noAnswer: 2 * HOUR, machine: 3 * HOUR, refused: DAY }),
    /** After so many tries of a number the next one of the same person is tried. */
    nextNumberAfter: times.default(2),
    /** The next try is at another time of day than the last: morning, afternoon or evening. */
    anotherTimeOfDay: z.boolean().default(true),
  })
  .readonly()
export type AttemptRules = z.infer<typeof AttemptRulesSchema>

export const RECORD_ORDERS = ['imported', 'priority', 'fewestTries', 'bestHour'] as const
export type RecordOrder = (typeof RECORD_ORDERS)[number]

/** A day of the calendar, `2026-11-26`. */
const DaySchema = z.iso.date()

/** How many of those a person answered may be left without an agent, and by which rule. */
export const AbandonCapSchema = z
  .object({ share: z.number().min(0).max(1), overDays: z.number().int().min(1).max(365), rule: z.string().min(1) })
  .readonly()
  .default({ share: 0.03, overDays: 30, rule: '16 CFR 310.4(b)(4)' })

export const CampaignSetUpSchema = z
  .object({
    id: CampaignIdSchema,
    name: z.string().min(1),
    /** Why people are called, in a sentence an agent could say. */
    purpose: z.string().min(1),
    scriptId: ScriptIdSchema.nullable(),
    outcomeSetId: OutcomeSetIdSchema,
    /** The number that those called see, in E.164. */
    callerId: z.string().regex(/^\+\d{6,15}$/),
    /** Who rings that number back waits in this queue, with their record and the campaign's script; null where nobody answers it. */
    ringBackQueueId: QueueIdSchema.nullable().default(null),
    /** Outside lines it may hold at once. */
    lines: z.number().int().min(1).max(10_000),
    agentIds: z.array(AgentIdSchema).readonly(),
    manner: z.enum(MANNERS),
    /** Preview only: the record goes back when the agent has not decided by then; null for as long as it takes. */
    previewLimitMs: z
      .number()
      .int()
      .min(5 * SECOND)
      .max(HOUR)
      .nullable()
      .default(null),
    /** First and last day of it; null for no bound. */
    fromDay: DaySchema.nullable().default(null),
    toDay: DaySchema.nullable().default(null),
    leftOutDays: z.array(DaySchema).readonly().default([]),
    /** When somebody may be called, in the time of the place they are at (47 CFR 64.1200(c)(1): 8:00 to 21:00). */
    hours: z
      .array(OpeningSchema)
      .min(1)
      .readonly()
      .default([{ days: [1, 2, 3, 4, 5, 6, 7], fromMinute: 8 * 60, toMinute: 21 * 60 }]),
    /** Of somebody whose number and list tell none. */
    timeZone: z.string().refine(isTimeZone, 'is not a time zone of the IANA database'),
    ringLimitMs: z
      .number()
      .int()
      .min(LEAST_RING_MS)
      .max(2 * MINUTE)
      .default(20 * SECOND),
    /** Whoever picks up is listened to first, and machines are not put through. */
    detector: z.boolean().default(true),
    /** The share of people whom it takes for machines, as its maker says or a test has found: shown with the abandoned, who do not count them. */
    detectorDrops: z.number().min(0).max(0.5).default(0.04),
    machineGets: z.enum(['nothing', 'message', 'agent']).default('nothing'),
    machineMessage: z.string().default(''),
    abandonedMessage: z.string().min(1),
    /** From the end of somebody's greeting until an agent must be there. */
    connectLimitMs: z
      .number()
      .int()
      .min(0)
      .max(10 * SECOND)
      .default(2 * SECOND),
    abandonCap: AbandonCapSchema,
    attempts: AttemptRulesSchema.default(AttemptRulesSchema.parse({})),
    order: z.enum(RECORD_ORDERS).default('fewestTries'),
    /** It is over after so many conversions; null for when the list is. */
    target: z.number().int().positive().nullable().default(null),
    recommendedWrapUpMs: z
      .number()
      .nonnegative()
      .default(20 * SECOND),
    overWrapUpMs: z.number().int().nonnegative().default(MINUTE),
    wrapUpLimit: WrapUpLimitSchema.nullable().default(null),
    /** Every call is recorded from the answer on. */
    records: z.boolean().default(false),
    /** Nobody works it any more; it stays, because the ledger speaks of it. */
    retired: z.boolean().default(false),
  })
  .readonly()
export type CampaignSetUp = z.infer<typeof CampaignSetUpSchema>
