// What can happen to a conference by appointment. That it goes on is of the call it goes on in.
import * as z from 'zod'
import { AgentIdSchema, CallIdSchema, ConferenceIdSchema, DeviceIdSchema } from '@/core/ids'
import { PlanSchema } from './schema'

const conference = { conferenceId: ConferenceIdSchema }
const by = { byAgentId: AgentIdSchema }
const at = { callId: CallIdSchema, deviceId: DeviceIdSchema }

export const ConferenceEventSchema = z.discriminatedUnion('kind', [
  z.object({ kind: z.literal('conferencePlanned'), ...conference, hostAgentId: AgentIdSchema, code: z.string(), plan: PlanSchema }).readonly(),
  z.object({ kind: z.literal('conferenceReplanned'), ...conference, plan: PlanSchema, ...by }).readonly(),
  z.object({ kind: z.literal('conferenceCancelled'), ...conference, ...by }).readonly(),
  /** Somebody has come: a colleague, or whoever has dialled in with the code. */
  z
    .object({
      kind: z.literal('conferenceJoined'),
      ...conference,
      ...at,
      agentId: AgentIdSchema.nullable(),
      name: z.string().nullable(),
      number: z.string().nullable(),
    })
    .readonly(),
  z.object({ kind: z.literal('conferenceLeft'), ...conference, ...at }).readonly(),
])
export type ConferenceEvent = z.infer<typeof ConferenceEventSchema>
