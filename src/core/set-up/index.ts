// The set-up of a contact centre: its people, queues, reasons, scripts and outcome sets. It is part of the ledger's
// first event, so that a ledger explains itself.
import * as z from 'zod'
import type { AgentId, QueueId } from '@/core/ids'
import { AgentIdSchema, OutcomeSetIdSchema, QueueIdSchema, ScriptIdSchema } from '@/core/ids'
import { type OutcomeSet, OutcomeSetSchema } from '@/core/outcomes'
import { type Script, ScriptSchema } from '@/core/scripts'

export const QueueSetUpSchema = z
  .object({
    id: QueueIdSchema,
    name: z.string().min(1),
    /** Smaller goes first. */
    priority: z.number().int(),
    serviceLevelMs: z.number().positive(),
    recommendedWrapUpMs: z.number().nonnegative(),
    scriptId: ScriptIdSchema.nullable(),
    outcomeSetId: OutcomeSetIdSchema,
    /** Every call of the queue is recorded from the answer on. */
    records: z.boolean().default(false),
    /** What callers may choose on the way in to this queue. */
    paths: z.array(z.string()).readonly(),
  })
  .readonly()
export type QueueSetUp = z.infer<typeof QueueSetUpSchema>

export const AgentSetUpSchema = z
  .object({
    id: AgentIdSchema,
    name: z.string().min(1),
    pin: z.string().regex(/^\d{4,8}$/),
    role: z.enum(['agent', 'supervisor']),
    queueIds: z.array(QueueIdSchema).readonly(),
    /** Whether the stand-ins may play this seat when nobody sits there. */
    playable: z.boolean(),
  })
  .readonly()
export type AgentSetUp = z.infer<typeof AgentSetUpSchema>

export const SetUpSchema = z
  .object({
    centre: z.string().min(1),
    /** Two-letter code of the country in which a number without a prefix is read (ISO 3166-1). */
    homeCountry: z.string().length(2),
    ringLimitMs: z.number().positive(),
    holdLimitMs: z.number().positive(),
    /** How long an end may be taken back before it reaches the network; 0 for not at all. */
    takeBackMs: z.number().min(0).max(10_000).default(4_000),
    /** A parked call rings back after this. */
    parkLimitMs: z.number().positive().default(120_000),
    /** Whether a conference may go on with nobody of the centre in it. */
    outsidersMayStay: z.boolean().default(false),
    notReadyReasons: z.array(z.string().min(1)).min(1).readonly(),
    agents: z.array(AgentSetUpSchema).readonly(),
    queues: z.array(QueueSetUpSchema).readonly(),
    scripts: z.array(ScriptSchema).readonly(),
    outcomeSets: z.array(OutcomeSetSchema).readonly(),
    /** The set that codes calls an agent dialled. */
    outsideOutcomeSetId: OutcomeSetIdSchema,
  })
  .readonly()
export type SetUp = z.infer<typeof SetUpSchema>

/** Lookups throw on an id the set-up does not hold: ids inside the floor come from the same set-up. */
export const queueSetUp = (setUp: SetUp, id: QueueId): QueueSetUp =>
  found(
    setUp.queues.find((q) => q.id === id),
    id,
  )
export const agentSetUp = (setUp: SetUp, id: AgentId): AgentSetUp =>
  found(
    setUp.agents.find((a) => a.id === id),
    id,
  )
export const agentName = (setUp: SetUp, id: AgentId): string => agentSetUp(setUp, id).name

/** The set that codes a call: its queue's, or the one for calls dialled by hand. */
export function outcomeSetFor(setUp: SetUp, queueId: QueueId | null): OutcomeSet {
  const id = queueId === null ? setUp.outsideOutcomeSetId : queueSetUp(setUp, queueId).outcomeSetId
  return found(
    setUp.outcomeSets.find((s) => s.id === id),
    id,
  )
}

export function scriptFor(setUp: SetUp, queueId: QueueId | null): Script | null {
  const id = queueId === null ? null : queueSetUp(setUp, queueId).scriptId
  return id === null ? null : scriptById(setUp, id)
}

export const scriptById = (setUp: SetUp, id: Script['id']): Script =>
  found(
    setUp.scripts.find((s) => s.id === id),
    id,
  )

function found<T>(item: T | undefined, id: string): T {
  if (item === undefined) throw new Error(`the set-up holds no ${id}`)
  return item
}
