// The record of a chat, a mail or a text: the lines of `work.ndjson`, beside those of calls.
import * as z from 'zod'
import { WrittenChannelSchema } from '@/core/channels'
import { AgentIdSchema, QueueIdSchema } from '@/core/ids'
import { AnswerValueSchema } from '@/core/scripts'

const ms = z.number().int()

export const WrittenLegSchema = z.object({
  agentId: AgentIdSchema,
  agent: z.string().describe('name of the agent'),
  fromMs: ms.describe('they took it'),
  toMs: ms.describe('they had it in hand last'),
  spells: z
    .array(z.object({ fromMs: ms, toMs: ms }))
    .default([])
    .describe('stretches in which they had it in hand: not while it was parked, waited or was in others’ hands'),
  handleMs: z.number().describe('their clock while they had it in hand or wrapped it up, shared equally among all they had in hand at each moment'),
})
export type WrittenLeg = z.infer<typeof WrittenLegSchema>

export const WrittenRecordSchema = z.object({
  workId: z.string(),
  channel: WrittenChannelSchema,
  direction: z.enum(['inbound', 'outbound']),
  queueId: QueueIdSchema,
  queue: z.string(),
  address: z.string().describe('who they write as: a number (E.164), a mail address, or the name they gave'),
  number: z.string().nullable(),
  customer: z.string().nullable(),
  subject: z.string().nullable(),
  offeredAtMs: ms,
  firstResponseAtMs: ms.nullable().describe('first words of an agent that the other side saw'),
  endedAtMs: ms.nullable(),
  result: z.enum(['underWay', 'handled', 'abandoned']),
  parkedMs: ms,
  calledAs: z.string().nullable().describe('the call in which it went on: its outcome is that of both'),
  linesIn: z.number().int(),
  linesOut: z.number().int(),
  agents: z.array(WrittenLegSchema),
  askedIn: z.array(AgentIdSchema),
  transfers: z.array(z.object({ from: z.string(), to: z.string(), atMs: ms })),
  outcome: z.string().nullable(),
  outcomeAtMs: ms.nullable(),
  outcomeById: AgentIdSchema.nullable(),
  notes: z.string(),
  script: z.string().nullable(),
  scriptVersion: z.number().int().nullable(),
  answers: z.record(z.string(), AnswerValueSchema),
})
export type WrittenRecord = z.infer<typeof WrittenRecordSchema>
