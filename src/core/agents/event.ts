// What can happen to an agent's shift, besides their calls.
import * as z from 'zod'
import { AgentIdSchema, CallIdSchema, CampaignIdSchema, QueueIdSchema, SkillIdSchema } from '@/core/ids'
import { InstantSchema } from '@/core/time'

/** Where an agent's sound goes: a device they hear and speak with, or none, which is said for the whole shift. */
export const SOUND_PATHS = ['computer', 'handset', 'ownPhone', 'none'] as const
export type SoundPath = (typeof SOUND_PATHS)[number]

/** Where calls for the agent in person go instead. */
export const DiversionSchema = z
  .discriminatedUnion('kind', [
    z.object({ kind: z.literal('voicemail') }),
    z.object({ kind: z.literal('number'), number: z.string() }),
    z.object({ kind: z.literal('agent'), agentId: AgentIdSchema }),
  ])
  .readonly()
export type Diversion = z.infer<typeof DiversionSchema>

/** What whoever answers for the floor did about an agent, or said to them. */
export const ToldWhatSchema = z.discriminatedUnion('is', [
  z.object({ is: z.literal('queues'), added: z.array(QueueIdSchema).readonly(), dropped: z.array(QueueIdSchema).readonly() }),
  z.object({ is: z.literal('campaign'), campaignId: CampaignIdSchema.nullable() }),
  z.object({ is: z.literal('levels') }),
  z.object({ is: z.literal('ready') }),
  z.object({ is: z.literal('notReady'), reason: z.string() }),
  z.object({ is: z.literal('shiftEnded') }),
  z.object({ is: z.literal('word'), text: z.string() }),
])
export type ToldWhat = z.infer<typeof ToldWhatSchema>

/** Levels of skill for a shift, in place of those of the account. */
export const LevelsSchema = z.array(z.object({ skillId: SkillIdSchema, level: z.number().int().min(1).max(5) }).readonly()).readonly()
export type Levels = z.infer<typeof LevelsSchema>

const agent = { agentId: AgentIdSchema }

export const AgentEventSchema = z.discriminatedUnion('kind', [
  z
    .object({
      kind: z.literal('shiftStarted'),
      ...agent,
      queueIds: z.array(QueueIdSchema).readonly(),
      /** Their line is this campaign's for the whole shift. */
      campaignId: CampaignIdSchema.nullable().default(null),
      /** A person at a desk, or a colleague played by the stand-ins. */
      seat: z.enum(['desk', 'standIn']),
      soundPath: z.enum(SOUND_PATHS).default('computer'),
    })
    .readonly(),
  z.object({ kind: z.literal('shiftEnded'), ...agent }).readonly(),
  /** The agent goes on at another desk; shift and calls are as they were. */
  z.object({ kind: z.literal('seatMoved'), ...agent }).readonly(),
  z.object({ kind: z.literal('agentReady'), ...agent }).readonly(),
  /** While a call or a wrap-up is on it says what follows it. */
  z.object({ kind: z.literal('agentNotReady'), ...agent, reason: z.string() }).readonly(),
  /** Not ready as soon as whoever the dialer has on the way to them has been put through, or is not there after all. */
  z.object({ kind: z.literal('notReadyAsked'), ...agent, reason: z.string() }).readonly(),
  z
    .object({
      kind: z.literal('wrapUpStarted'),
      ...agent,
      callId: CallIdSchema,
      recommendedMs: z.number().int(),
      /** After the recommended time, how long the band of over-time is. */
      overMs: z.number().int().nonnegative().default(60_000),
      /** Longer than this it does not last; null for as long as it takes. */
      limitMs: z.number().int().positive().nullable().default(null),
    })
    .readonly(),
  /** Once for each wrap-up that has a limit. */
  z.object({ kind: z.literal('wrapUpExtended'), ...agent, callId: CallIdSchema, byMs: z.number().int().positive(), why: z.string() }).readonly(),
  /** The call owes its outcome without a wrap-up: it was over its limit, the agent takes none, or left it for later. */
  z.object({ kind: z.literal('outcomeOwed'), ...agent, callId: CallIdSchema, because: z.enum(['limit', 'noWrapUp', 'leftForLater']) }).readonly(),
  z.object({ kind: z.literal('wrapUpEnded'), ...agent, callId: CallIdSchema }).readonly(),
  z.object({ kind: z.literal('muteChanged'), ...agent, muted: z.boolean() }).readonly(),
  /** The agent asks whoever answers for the floor for help with this call. */
  z.object({ kind: z.literal('helpAsked'), ...agent, callId: CallIdSchema }).readonly(),
  z.object({ kind: z.literal('helpTaken'), ...agent, byAgentId: AgentIdSchema }).readonly(),
  /** They need none any more; also when they leave the call nothing is asked any longer. */
  z.object({ kind: z.literal('helpEnded'), ...agent }).readonly(),
  /** Whoever answers for the floor has changed what the agent serves, for this shift. */
  z
    .object({
      kind: z.literal('workAssigned'),
      ...agent,
      byAgentId: AgentIdSchema,
      queueIds: z.array(QueueIdSchema).readonly(),
      campaignId: CampaignIdSchema.nullable(),
      levels: LevelsSchema.nullable(),
    })
    .readonly(),
  z.object({ kind: z.literal('agentTold'), ...agent, byAgentId: AgentIdSchema, what: ToldWhatSchema }).readonly(),
  z.object({ kind: z.literal('toldPutAway'), ...agent, no: z.number().int() }).readonly(),
  /** Also brings back a path that was lost. */
  z.object({ kind: z.literal('soundPathChosen'), ...agent, path: z.enum(SOUND_PATHS) }).readonly(),
  z.object({ kind: z.literal('soundPathLost'), ...agent, why: z.string() }).readonly(),
  /** Nothing is heard of the page at which they work: closed, crashed or cut off. */
  z.object({ kind: z.literal('deskLost'), ...agent }).readonly(),
  z.object({ kind: z.literal('deskBack'), ...agent }).readonly(),
  /** It has not come back in time: what was with them goes on without them. */
  z.object({ kind: z.literal('deskGivenUp'), ...agent }).readonly(),
  z.object({ kind: z.literal('noteSet'), ...agent, text: z.string(), untilMs: InstantSchema.nullable(), coverId: AgentIdSchema.nullable() }).readonly(),
  z.object({ kind: z.literal('noteCleared'), ...agent, because: z.enum(['cleared', 'overdue']) }).readonly(),
  z.object({ kind: z.literal('doNotDisturbChanged'), ...agent, on: z.boolean() }).readonly(),
  z.object({ kind: z.literal('diversionChanged'), ...agent, to: DiversionSchema.nullable() }).readonly(),
])
export type AgentEvent = z.infer<typeof AgentEventSchema>
