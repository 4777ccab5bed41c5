// What a queue is: whom it needs, who goes first, when it is open, what happens when it is full or slow.
import * as z from 'zod'
import { WrittenChannelSchema } from '@/core/channels'
import { OutcomeSetIdSchema, QueueIdSchema, ScriptIdSchema } from '@/core/ids'
import { DAY, MINUTE } from '@/core/time'
import { SkillLevelSchema } from './account'

const minutesOfDay = z
  .number()
  .int()
  .min(0)
  .max(DAY / MINUTE)

/** Open on these days (1 Monday to 7 Sunday, as ISO 8601 counts them) from one minute of the day to another, in the centre's time zone. */
export const OpeningSchema = z
  .object({ days: z.array(z.number().int().min(1).max(7)).min(1).readonly(), fromMinute: minutesOfDay, toMinute: minutesOfDay })
  .readonly()
export type Opening = z.infer<typeof OpeningSchema>

/**
 * After this long in the queue a call is also offered to the agents of another queue (`to` is its id), or to agents of its
 * own queue who lack the skill level it asks for (`to` is `anyLevel`). It keeps its place meanwhile.
 */
export const OverflowSchema = z.object({ afterMs: z.number().int().nonnegative(), to: z.union([QueueIdSchema, z.literal('anyLevel')]) }).readonly()
export type Overflow = z.infer<typeof OverflowSchema>

/** A call counts as having waited this much longer than it has. */
const headStart = z.number().int().min(0).max(DAY)

export const StormSchema = z
  .object({
    /** Said to callers instead of the usual announcement. */
    announcement: z.string().default(''),
    headStartMs: headStart.default(0),
    overflow: z.array(OverflowSchema).readonly().default([]),
  })
  .readonly()

/** Longer than this a wrap-up does not last: the call then owes its outcome, and the agent is ready or not ready. */
export const WrapUpLimitSchema = z
  .object({
    afterMs: z.number().int().positive(),
    andThen: z.enum(['ready', 'notReady']),
    /** By which the agent may put it off once. */
    extensionMs: z.number().int().nonnegative(),
  })
  .readonly()

/** When the Floor says that the queue needs somebody. */
export const WarnsSchema = z
  .object({
    /** More than so many wait; null for however many. */
    waiting: z.number().int().min(0).nullable().default(null),
    /** The longest waits longer; null for the time within which it is to be answered. */
    longestMs: z.number().int().positive().nullable().default(null),
    /** A smaller share of today's calls was answered in time; null for whatever share. */
    shareBelow: z.number().min(0).max(1).nullable().default(null),
  })
  .readonly()
export type Warns = z.infer<typeof WarnsSchema>
const NO_WARNS: Warns = { waiting: null, longestMs: null, shareBelow: null }

export const QueueSetUpSchema = z
  .object({
    id: QueueIdSchema,
    name: z.string().min(1),
    /** Dialled by its callers, and shown to whoever is called for it (E.164); '' for none. */
    number: z.string().default(''),
    headStartMs: headStart.default(0),
    /** Groups of the customer records whose callers have a head start of their own, added to the queue's. */
    goesFirst: z
      .array(z.object({ group: z.string().min(1), headStartMs: headStart }).readonly())
      .readonly()
      .default([]),
    /** Skills an agent needs, with the least level of each. */
    needs: z.array(SkillLevelSchema).readonly().default([]),
    overflow: z.array(OverflowSchema).readonly().default([]),
    /** Open at any time when empty. */
    hours: z.array(OpeningSchema).readonly().default([]),
    /** Callers beyond this number are turned away; null for no limit. */
    fullLimit: z.number().int().positive().nullable().default(null),
    /** Said to every caller who joins; empty for nothing. */
    announcement: z.string().default(''),
    closedMessage: z.string().min(1).default('We are closed now. Please call again during our opening hours.'),
    fullMessage: z.string().min(1).default('All lines are busy. Please call again a little later.'),
    /** Callers are told how long it will take, when that is known. */
    tellsWait: z.boolean().default(false),
    /** Callers may hang up, keep their place, and be called when their turn comes. */
    keepsPlaces: z.boolean().default(false),
    /** Callers may leave a message instead of waiting, and while it is closed: its agents call them back when nobody waits. */
    takesMessages: z.boolean().default(false),
    /** Where a caller goes whose agent's desk was lost in mid-call: to the head of the queue, or there and at once to its agents of any level as well. */
    deskLostTo: z.enum(['head', 'anyLevel']).default('head'),
    /** Calls are put through without ringing, after a short tone. */
    answersItself: z.boolean().default(false),
    serviceLevelMs: z.number().int().positive(),
    /** What else reaches it besides calls, and within what time of the first words somebody is to answer. */
    writes: z
      .array(z.object({ channel: WrittenChannelSchema, serviceLevelMs: z.number().int().positive() }).readonly())
      .readonly()
      .default([]),
    recommendedWrapUpMs: z.number().int().nonnegative(),
    /** Over the recommended time: how long that is still a matter of course. */
    overWrapUpMs: z.number().int().nonnegative().default(MINUTE),
    /** Longer than this a wrap-up does not last: the call then owes its outcome, and the agent is ready or not ready. */
    wrapUpLimit: WrapUpLimitSchema.nullable().default(null),
    scriptId: ScriptIdSchema.nullable(),
    /** Other scripts, or none, for callers of a path or a group; null fits any. The first that fits is taken. */
    scriptChoices: z
      .array(z.object({ path: z.string().nullable(), group: z.string().nullable(), scriptId: ScriptIdSchema.nullable() }).readonly())
      .readonly()
      .default([]),
    outcomeSetId: OutcomeSetIdSchema,
    /** Every call of the queue is recorded from the answer on. */
    records: z.boolean().default(false),
    /** What callers may choose on the way in to this queue. */
    paths: z.array(z.string()).readonly(),
    /** What is different while the queue is switched to storm. */
    storm: StormSchema.default({ announcement: '', headStartMs: 0, overflow: [] }),
    warns: WarnsSchema.default(NO_WARNS),
    /** Takes no calls any more; it stays, because the ledger speaks of it. */
    retired: z.boolean().default(false),
  })
  .readonly()
export type QueueSetUp = z.infer<typeof QueueSetUpSchema>
