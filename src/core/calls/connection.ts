// A connection is one party's relation to one call (ECMA-269, 6.1.5). Its state says what that party's end is
// doing; a connection that is over is removed from the call, which is what the standard's state `null` means.
import * as z from 'zod'
import { AgentIdSchema, type DeviceIdSchema, QueueIdSchema } from '@/core/ids'

export const PartySchema = z
  .discriminatedUnion('kind', [
    z.object({ kind: z.literal('agent'), agentId: AgentIdSchema }),
    z.object({ kind: z.literal('outside'), number: z.string().nullable(), name: z.string().nullable() }),
    z.object({ kind: z.literal('queue'), queueId: QueueIdSchema }),
  ])
  .readonly()
export type Party = z.infer<typeof PartySchema>

export const CONNECTION_STATES = ['initiated', 'alerting', 'connected', 'held', 'queued', 'failed'] as const
export type ConnectionState = (typeof CONNECTION_STATES)[number]

export const FAILURES = ['busy', 'noAnswer', 'refused', 'invalid', 'machine', 'unreachable'] as const
export type Failure = (typeof FAILURES)[number]

/** Why a connection ended. `hungUp` is that party's own act; `lastParty` follows from the others having gone. */
export const CLEAR_CAUSES = ['hungUp', 'lastParty', 'abandoned', 'declined', 'noAnswer', 'answeredElsewhere', 'failed'] as const
export type ClearCause = (typeof CLEAR_CAUSES)[number]

export interface Connection {
  readonly deviceId: z.infer<typeof DeviceIdSchema>
  readonly party: Party
  readonly state: ConnectionState
  readonly sinceMs: number
  readonly failure: Failure | null
}

/** A failure as the end of a sentence about the far end. */
export const FAILURE_WORDS: Readonly<Record<Failure, string>> = {
  busy: 'is busy',
  noAnswer: 'does not answer',
  refused: 'refused the call',
  invalid: 'is not a number in use',
  machine: 'is an answering machine',
  unreachable: 'cannot be reached',
}
