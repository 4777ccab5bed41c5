// The set-up of a contact centre as one document: what `floorOpened` carries, what Set-up edits, imports and exports.
import * as z from 'zod'
import { LoadSchema, USUAL_LOADS } from '@/core/channels'
import { OutcomeSetIdSchema, ScriptIdSchema, SkillIdSchema } from '@/core/ids'
import { OutcomeSetSchema } from '@/core/outcomes'
import { QuickTextSchema } from '@/core/quick-texts'
import { SheetSchema } from '@/core/reviews'
import { ScriptSchema } from '@/core/scripts'
import { isTimeZone, MINUTE } from '@/core/time'
import { AgentSetUpSchema } from './account'
import { CampaignSetUpSchema } from './campaign'
import { QueueSetUpSchema } from './queue'

export const ReasonSchema = z
  .object({
    name: z.string().min(1),
    paid: z.boolean(),
    /** How long it is meant to take; over it the desk says so. null for as long as it takes. */
    plannedMs: z.number().int().positive().nullable(),
    /** The floor itself gives it, and nobody chooses it: a missed ring, sound that was lost. */
    givenByFloor: z.boolean().default(false),
  })
  .readonly()
export type Reason = z.infer<typeof ReasonSchema>

export const SkillSchema = z.object({ id: SkillIdSchema, name: z.string().min(1) }).readonly()
export type Skill = z.infer<typeof SkillSchema>

/** Ten years and a bit. */
const MOST_DAYS_KEPT = 3_999

export const SetUpSchema = z
  .object({
    centre: z.string().min(1),
    /** Two-letter code of the country in which a number without a prefix is read (ISO 3166-1). */
    homeCountry: z.string().length(2),
    /** In which opening hours are read (a name of the IANA time zone database). */
    timeZone: z.string().refine(isTimeZone, 'is not a time zone of the IANA database').default('UTC'),
    ringLimitMs: z.number().int().positive(),
    holdLimitMs: z.number().int().positive(),
    /** How long an end may be taken back before it reaches the network; 0 for not at all. */
    takeBackMs: z.number().int().min(0).max(10_000).default(4_000),
    /** A parked call rings back after this. */
    parkLimitMs: z.number().int().positive().default(120_000),
    /** Whether a conference may go on with nobody of the centre in it. */
    outsidersMayStay: z.boolean().default(false),
    /** Agents see on their board who listens in on their call. Without it they see whoever whispers or steps in, and nobody who only listens. */
    listeningIsShown: z.boolean().default(true),
    /** The number of conferences by appointment (E.164), where their code is keyed; '' for none. */
    conferenceNumber: z.string().default(''),
    /** Nobody goes ready while they owe more outcomes than this. */
    mostOwed: z.number().int().min(0).max(99).default(0),
    /** A callback is missed this long after its time: it escalates to the team. */
    callbackMissedAfterMs: z
      .number()
      .positive()
      .default(15 * MINUTE),
    /** A page that nobody has touched for so long is locked until its account shows the PIN again; null for never. */
    lockAfterMs: z
      .number()
      .int()
      .min(MINUTE)
      .nullable()
      .default(15 * MINUTE),
    /** For how many days what names people from outside is kept; null for ever. */
    keeps: z
      .object({
        /** Of calls and of what was written: who it was, what was said, notes, answers. */
        detailsDays: z.number().int().min(1).max(MOST_DAYS_KEPT).nullable(),
        recordingsDays: z.number().int().min(1).max(MOST_DAYS_KEPT).nullable(),
        messagesDays: z.number().int().min(1).max(MOST_DAYS_KEPT).nullable(),
        /** Of calling lists: who was tried last so long ago and is to be called no more. */
        attemptsDays: z.number().int().min(1).max(MOST_DAYS_KEPT).nullable().default(null),
      })
      .readonly()
      .default({ detailsDays: null, recordingsDays: null, messagesDays: null, attemptsDays: null }),
    /** What an agent may carry at once: whatever stays within one of these. */
    carries: z.array(LoadSchema).min(1).readonly().default(USUAL_LOADS),
    notReadyReasons: z.array(ReasonSchema).min(1).readonly(),
    skills: z.array(SkillSchema).readonly().default([]),
    agents: z.array(AgentSetUpSchema).readonly(),
    queues: z.array(QueueSetUpSchema).readonly(),
    campaigns: z.array(CampaignSetUpSchema).readonly().default([]),
    /** Every version that was ever published; the latest of each script is the one that opens. */
    scripts: z.array(ScriptSchema).readonly(),
    /** Scripts that are chosen for no call any more. */
    archivedScriptIds: z.array(ScriptIdSchema).readonly().default([]),
    outcomeSets: z.array(OutcomeSetSchema).readonly(),
    /** Written once, for whoever writes to customers. */
    quickTexts: z.array(QuickTextSchema).readonly().default([]),
    /** Every version of every sheet that calls are reviewed by; the latest of each is in use. */
    reviewSheets: z.array(SheetSchema).readonly().default([]),
    /** The set that codes calls an agent dialled. */
    outsideOutcomeSetId: OutcomeSetIdSchema,
  })
  .readonly()
export type SetUp = z.infer<typeof SetUpSchema>
