// An attempt to reach somebody of a calling list, from the moment the network is asked (Make Predictive Call, ECMA-269, 17.1.21) until it is known what came
// of it. Only those under way are kept here; what a record has been through is the list's to remember.
import * as z from 'zod'
import { AgentIdSchema, AttemptIdSchema, CallIdSchema, CampaignIdSchema, ListIdSchema, RecordIdSchema } from '@/core/ids'
import type { EpochMs } from '@/core/time'
import { InstantSchema } from '@/core/time'

/** What came of an attempt. `live`: a person who was put through; `abandoned`: one whom no agent reached in time. */
export const ATTEMPT_RESULTS = ['live', 'machine', 'busy', 'noAnswer', 'invalid', 'refused', 'abandoned', 'cancelled'] as const
export type AttemptResult = (typeof ATTEMPT_RESULTS)[number]

/** Somebody of a list as they are called: what dialer and agent need to know of them. */
export const CalledRecordSchema = z
  .object({
    recordId: RecordIdSchema,
    listId: ListIdSchema,
    /** Of the list's owner; null where the list has none. */
    key: z.string().nullable(),
    person: z.string(),
    /** In E.164: the one that is called now. */
    number: z.string(),
    /** Time zones the person may be in, of which each must allow the call. */
    zones: z.array(z.string()).readonly(),
    /** Further columns of the list, by their names. */
    fields: z.record(z.string(), z.string()).readonly(),
    /** Tries before this one, of all their numbers. */
    tries: z.number().int().nonnegative(),
  })
  .readonly()
export type CalledRecord = z.infer<typeof CalledRecordSchema>

const at = { attemptId: AttemptIdSchema }

export const AttemptEventSchema = z.discriminatedUnion('kind', [
  /** `callId` where an agent is on the line already: a preview, a callback, a try by hand. Otherwise the dialer made it for whoever is free. */
  z
    .object({
      kind: z.literal('attemptMade'),
      ...at,
      campaignId: CampaignIdSchema,
      record: CalledRecordSchema,
      callId: CallIdSchema.nullable(),
      agentId: AgentIdSchema.nullable(),
      /** Rings no longer than this. */
      ringLimitMs: z.number().int().positive(),
    })
    .readonly(),
  z.object({ kind: z.literal('attemptRings'), ...at }).readonly(),
  z.object({ kind: z.literal('attemptAnswered'), ...at }).readonly(),
  /** A person, as the detector says (or whoever picked up, without one); an agent must be there by `dueAtMs`. */
  z.object({ kind: z.literal('attemptTakenLive'), ...at, dueAtMs: InstantSchema, isPerson: z.boolean() }).readonly(),
  /** Nobody was there in time, or it is a machine that gets words of ours: they are played. */
  z.object({ kind: z.literal('attemptMessagePlayed'), ...at, to: z.enum(['abandoned', 'machine']), says: z.string(), untilMs: InstantSchema }).readonly(),
  z
    .object({
      kind: z.literal('attemptEnded'),
      ...at,
      campaignId: CampaignIdSchema,
      recordId: RecordIdSchema,
      result: z.enum(ATTEMPT_RESULTS),
      /** The call it became, and who had it. */
      callId: CallIdSchema.nullable(),
      agentId: AgentIdSchema.nullable(),
      /** Somebody or something picked up; a person was there; words of ours began. */
      answeredAtMs: InstantSchema.nullable().default(null),
      liveAtMs: InstantSchema.nullable().default(null),
      messageAtMs: InstantSchema.nullable().default(null),
    })
    .readonly(),
])
export type AttemptEvent = z.infer<typeof AttemptEventSchema>

export interface Attempt {
  readonly id: Extract<AttemptEvent, { kind: 'attemptMade' }>['attemptId']
  readonly campaignId: Extract<AttemptEvent, { kind: 'attemptMade' }>['campaignId']
  readonly record: CalledRecord
  readonly callId: Extract<AttemptEvent, { kind: 'attemptMade' }>['callId']
  readonly agentId: Extract<AttemptEvent, { kind: 'attemptMade' }>['agentId']
  readonly madeAtMs: EpochMs
  readonly state: 'dialling' | 'ringing' | 'detecting' | 'waiting' | 'told'
  readonly sinceMs: EpochMs
  readonly answeredAtMs: EpochMs | null
  readonly liveAtMs: EpochMs | null
  readonly isPerson: boolean
  /** What the words are for that are being played. */
  readonly told: 'abandoned' | 'machine' | null
  /** When time ends this state: the ring is over, patience is at its end, the words have been said; null while the network decides. */
  readonly dueAtMs: EpochMs | null
}

/** null when it is over. Throws on an event of an attempt that is not there: a ledger that says so is damaged. */
export function evolveAttempt(before: Attempt | undefined, event: AttemptEvent, atMs: EpochMs): Attempt | null {
  if (event.kind === 'attemptMade') {
    const { attemptId: id, campaignId, record, callId, agentId, ringLimitMs } = event
    // An agent who is on the line hears it ring, and lets it ring as long as they like.
    const dueAtMs = callId === null ? atMs + ringLimitMs : null
    return {
      id,
      campaignId,
      record,
      callId,
      agentId,
      madeAtMs: atMs,
      state: 'dialling',
      sinceMs: atMs,
      answeredAtMs: null,
      liveAtMs: null,
      isPerson: false,
      told: null,
      dueAtMs,
    }
  }
  if (before === undefined) throw new Error(`${event.kind} for ${event.attemptId}, which does not exist`)
  switch (event.kind) {
    case 'attemptRings':
      return { ...before, state: 'ringing', sinceMs: atMs }
    case 'attemptAnswered':
      return { ...before, state: 'detecting', sinceMs: atMs, answeredAtMs: atMs, dueAtMs: null }
    case 'attemptTakenLive':
      return { ...before, state: 'waiting', sinceMs: atMs, liveAtMs: event.isPerson ? atMs : null, isPerson: event.isPerson, dueAtMs: event.dueAtMs }
    case 'attemptMessagePlayed':
      return { ...before, state: 'told', sinceMs: atMs, told: event.to, dueAtMs: event.untilMs }
    case 'attemptEnded':
      return null
  }
}
