// A connection is one party's relation to one call (ECMA-269, 6.1.5). Its state says what that party's end is
// doing; a connection that is over is removed from the call, which is what the standard's state `null` means.
import * as z from 'zod'
import { AgentIdSchema, type DeviceIdSchema, QueueIdSchema } from '@/core/ids'
import type { Failure } from './failure'

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
