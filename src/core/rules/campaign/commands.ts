// What is asked about campaigns: by supervisors, by agents who work them, by the dialer, and what the network reports of attempts.
import * as z from 'zod'
import { CalledRecordSchema, PutBackSchema } from '@/core/campaigns'
import { AgentIdSchema, AttemptIdSchema, CallbackIdSchema, CampaignIdSchema } from '@/core/ids'
import type { By, Ruling as RulingFor } from '@/core/rules/rule'
import type { RulingRefusal } from './refusals'

export const CAMPAIGN_ASKS = [
  z.object({ kind: z.literal('startCampaign'), campaignId: CampaignIdSchema }).readonly(),
  z.object({ kind: z.literal('pauseCampaign'), campaignId: CampaignIdSchema }).readonly(),
  z.object({ kind: z.literal('finishCampaign'), campaignId: CampaignIdSchema }).readonly(),
  z.object({ kind: z.literal('putBackRecords'), campaignId: CampaignIdSchema, which: PutBackSchema }).readonly(),
  /** Calls the record that is shown before it is called. */
  z.object({ kind: z.literal('callRecord') }).readonly(),
  z.object({ kind: z.literal('skipRecord'), why: z.string() }).readonly(),
] as const

export type CampaignAsk = By<z.infer<(typeof CAMPAIGN_ASKS)[number]>>

const of = { campaignId: CampaignIdSchema, record: CalledRecordSchema }

/** What the dialer does: it has no account, and the floor checks it all the same. */
export const DIALER_COMMANDS = [
  z.object({ kind: z.literal('makeAttempt'), ...of }).readonly(),
  /** A record to be looked at before it is called. */
  z.object({ kind: z.literal('offerRecord'), ...of, agentId: AgentIdSchema }).readonly(),
  /** What somebody of a list was promised is due. */
  z.object({ kind: z.literal('offerPromise'), callbackId: CallbackIdSchema }).readonly(),
  z.object({ kind: z.literal('listDone'), campaignId: CampaignIdSchema }).readonly(),
] as const
export type DialerCommand = z.infer<(typeof DIALER_COMMANDS)[number]>

/** `live`: whoever picked up is a person, as the detector says, and has said their greeting so long ago. */
export const AttemptReportSchema = z
  .object({
    kind: z.literal('reportAttempt'),
    attemptId: AttemptIdSchema,
    report: z.discriminatedUnion('is', [
      z.object({ is: z.enum(['rings', 'answered', 'machine', 'busy', 'invalid', 'refused', 'hungUp']) }),
      z.object({ is: z.literal('live'), sinceGreetingMs: z.number().int().nonnegative() }),
    ]),
  })
  .readonly()
export type AttemptReport = z.infer<typeof AttemptReportSchema>

export type CampaignCommand = CampaignAsk | DialerCommand | AttemptReport
export type Of<K extends CampaignCommand['kind']> = Extract<CampaignCommand, { kind: K }>
export type Ruling = RulingFor<RulingRefusal>
