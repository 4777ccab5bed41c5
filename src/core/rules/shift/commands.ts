// What an agent asks about their shift: its start and end, readiness, sound path, and what the others see of them.
import * as z from 'zod'
import { SOUND_PATHS } from '@/core/agents'
import { AgentIdSchema, CampaignIdSchema, QueueIdSchema } from '@/core/ids'
import type { By, Ruling as RulingFor } from '@/core/rules/rule'
import { InstantSchema } from '@/core/time'
import type { RulingRefusal } from './refusals'

/** Where own calls shall go: the voicemail, a number or extension as it was typed, or a colleague. */
const DiversionWishSchema = z.discriminatedUnion('kind', [
  z.object({ kind: z.literal('voicemail') }),
  z.object({ kind: z.literal('number'), typed: z.string() }),
  z.object({ kind: z.literal('agent'), agentId: AgentIdSchema }),
])

export const SHIFT_ASKS = [
  z
    .object({
      kind: z.literal('startShift'),
      queueIds: z.array(QueueIdSchema),
      campaignId: CampaignIdSchema.nullable().optional(),
      seat: z.enum(['desk', 'standIn']),
      soundPath: z.enum(SOUND_PATHS).optional(),
    })
    .readonly(),
  /** The shift goes on at this desk instead of the one it was started at. */
  z.object({ kind: z.literal('moveSeat') }).readonly(),
  z.object({ kind: z.literal('endShift') }).readonly(),
  z.object({ kind: z.literal('goReady') }).readonly(),
  z.object({ kind: z.literal('goNotReady'), reason: z.string() }).readonly(),
  z.object({ kind: z.literal('setMute'), muted: z.boolean() }).readonly(),
  z.object({ kind: z.literal('chooseSoundPath'), path: z.enum(SOUND_PATHS) }).readonly(),
  z.object({ kind: z.literal('reportSoundLost'), why: z.string() }).readonly(),
  z.object({ kind: z.literal('setNote'), text: z.string(), untilMs: InstantSchema.nullable(), coverId: AgentIdSchema.nullable() }).readonly(),
  z.object({ kind: z.literal('clearNote') }).readonly(),
  z.object({ kind: z.literal('setDoNotDisturb'), on: z.boolean() }).readonly(),
  z.object({ kind: z.literal('setDiversion'), to: DiversionWishSchema.nullable() }).readonly(),
] as const

export type ShiftCommand = By<z.infer<(typeof SHIFT_ASKS)[number]>>
export type Of<K extends ShiftCommand['kind']> = Extract<ShiftCommand, { kind: K }>
export type Ruling = RulingFor<RulingRefusal>
