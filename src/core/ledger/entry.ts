// The ledger's entries: what is stored, in order, and never rewritten. An event is the durable contract between
// the floor that wrote it and every reader that comes later, so kinds are only ever added.
import * as z from 'zod'
import { AgentEventSchema } from '@/core/agents'
import { CallEventSchema } from '@/core/calls'
import { ContactEventSchema } from '@/core/contacts'
import { OutcomeEventSchema } from '@/core/outcomes'
import { ScriptEventSchema } from '@/core/scripts'
import { SetUpSchema } from '@/core/set-up'

/** 2 added the services of call control: consult, transfer, conference, park, recording, take back. */
export const LEDGER_VERSION = 2

export const FloorOpenedSchema = z.object({ kind: z.literal('floorOpened'), floorId: z.string().regex(/^[a-z0-9-]+$/), setUp: SetUpSchema }).readonly()

/** The floor was down (its last tab had gone) and went on with what it held. */
export const FloorResumedSchema = z.object({ kind: z.literal('floorResumed'), gapMs: z.number() }).readonly()

export const FloorEventSchema = z.discriminatedUnion('kind', [
  FloorOpenedSchema,
  FloorResumedSchema,
  AgentEventSchema,
  CallEventSchema,
  ContactEventSchema,
  OutcomeEventSchema,
  ScriptEventSchema,
])
export type FloorEvent = z.infer<typeof FloorEventSchema>

export const LedgerEntrySchema = z
  .object({
    version: z.literal(LEDGER_VERSION),
    /** 1, 2, 3 … without a gap within one ledger. */
    seq: z.number().int().positive(),
    /** Never decreases within one ledger, even when the system clock does. */
    atMs: z.number().int(),
    /** The `seq` of the event this one follows from; null on the first event of what a command caused. */
    causedBy: z.number().int().nullable(),
    event: FloorEventSchema,
  })
  .readonly()
export type LedgerEntry = z.infer<typeof LedgerEntrySchema>
