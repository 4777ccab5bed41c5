// The call record of MEASURES.md, folded from the ledger. The schema is the contract of `calls.ndjson`.
import * as z from 'zod'
import { AgentIdSchema, CampaignIdSchema, QueueIdSchema } from '@/core/ids'
import { AnswerValueSchema } from '@/core/scripts'
import { SoundCauseSchema } from '@/core/sound-quality'

/** `underWay` is no result yet: a call that waits or is talked on at this moment. It is counted as offered and is in no file. */
export const RESULTS = ['underWay', 'handled', 'abandoned', 'voicemail', 'diverted', 'busy', 'noAnswer', 'machine', 'invalid', 'refused'] as const
export type CallResult = (typeof RESULTS)[number]

const ms = z.number().int()

export const AgentLegSchema = z.object({
  agentId: AgentIdSchema,
  agent: z.string().describe('name of the agent'),
  fromMs: ms.describe('the call began to ring at this agent, or they began to dial'),
  toMs: ms.describe('their connection was cleared'),
  ringMs: ms,
  talkMs: ms,
  holdMs: ms,
  wrapUpMs: ms,
  role: z.enum(['handled', 'consulted', 'transferredTo', 'joined']),
})
export type AgentLeg = z.infer<typeof AgentLegSchema>

/** How a call passed somebody by. `hungUp`: whoever called did, while it rang. */
export const MISSED_HOW = ['noAnswer', 'declined', 'busy', 'diverted', 'takenElsewhere', 'hungUp', 'voicemail'] as const
export type MissedHow = (typeof MISSED_HOW)[number]

export const MissedSchema = z.object({
  agentId: AgentIdSchema,
  agent: z.string().describe('name of the agent'),
  atMs: ms.describe('when it stopped ringing there, or was found busy'),
  how: z.enum(MISSED_HOW),
  byAgentId: AgentIdSchema.nullable().describe('the colleague who called or consulted; null of a caller'),
})
export type Missed = z.infer<typeof MissedSchema>

export const SoundRatingSchema = z.object({
  agentId: AgentIdSchema,
  agent: z.string().describe('name of the agent'),
  cause: SoundCauseSchema.describe('what was wrong; null: nothing'),
  path: z.string().describe('what carried the agent’s voice'),
  r: z.number().nullable().describe('rating factor of the line to the other end (ITU-T G.107), where it was measured'),
})

export const CallRecordSchema = z.object({
  callId: z.string(),
  direction: z.enum(['inbound', 'outbound', 'campaign', 'internal', 'message']).describe('message: left with a queue, and called back for'),
  queueId: QueueIdSchema.nullable(),
  queue: z.string().nullable(),
  campaign: z.string().nullable(),
  campaignId: CampaignIdSchema.nullable().default(null),
  path: z.string().nullable().default(null).describe('what the caller chose on the way in'),
  number: z.string().nullable().describe('the outside party, E.164'),
  customer: z.string().nullable(),
  offeredAtMs: ms,
  answeredAtMs: ms.nullable().describe('an agent and the outside party first heard each other'),
  endedAtMs: ms.describe('last connection cleared'),
  result: z.enum(RESULTS),
  shortAbandon: z.boolean().describe('abandoned within 5 s of being offered'),
  liveAnswerAtMs: ms.nullable(),
  agents: z.array(AgentLegSchema),
  missedBy: z.array(MissedSchema).default([]).describe('agents it rang at in vain, in this order; who took it later is one of `agents` as well'),
  outcome: z.string().nullable(),
  outcomeAtMs: ms.nullable(),
  outcomeById: AgentIdSchema.nullable(),
  outcomeBy: z.string().nullable(),
  notes: z.string(),
  script: z.string().nullable(),
  scriptVersion: z.number().int().nullable(),
  answers: z.record(z.string(), AnswerValueSchema),
  transfers: z.array(z.object({ kind: z.enum(['blind', 'attended']), from: z.string(), to: z.string(), atMs: ms })),
  recordings: z.array(z.string()),
  sound: z.array(SoundRatingSchema).default([]).describe('how it sounded, as the agents say who rated it'),
})
export type CallRecord = z.infer<typeof CallRecordSchema>

export const AgentIntervalSchema = z.object({
  agentId: AgentIdSchema,
  agent: z.string().describe('name of the agent'),
  state: z
    .enum(['notReady', 'ready', 'ringing', 'dialling', 'onCall', 'internalCall', 'listening', 'writing', 'wrapUp', 'floorClosed'])
    .describe(
      'dialling: on a call they made that nobody has answered yet; internalCall: with colleagues, about no work; listening: listening in on a call, or whispering; writing: chats, mails or texts are in hand, and nobody is talked to; floorClosed: the floor was closed or its computer slept, and the stretch counts for nothing',
    ),
  reason: z.string().nullable(),
  fromMs: ms,
  toMs: ms,
})
export type AgentInterval = z.infer<typeof AgentIntervalSchema>
