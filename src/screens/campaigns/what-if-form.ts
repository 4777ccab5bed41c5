// What is asked about a shift to come, as it is typed.
import * as z from 'zod'
import { type CampaignSetUp, MANNERS } from '@/core/set-up'

const whole = (least: number, most: number, what: string) =>
  z
    .string()
    .regex(/^\d+$/, `Type a whole number of ${what}.`)
    .refine((t) => Number(t) >= least && Number(t) <= most, `Between ${least.toLocaleString('en-GB')} and ${most.toLocaleString('en-GB')} ${what}.`)

export const WhatIfFormSchema = z.object({
  manner: z.enum(MANNERS),
  agents: whole(1, 300, 'agents'),
  lines: whole(1, 2_000, 'lines'),
  capPercent: z
    .string()
    .regex(/^\d+(\.\d+)?$/, 'Type per cent, such as 3.')
    .refine((t) => Number(t) <= 20, 'At most 20 per cent.'),
  fromHour: whole(0, 23, 'the clock'),
  hours: whole(1, 12, 'hours'),
  /** Who is to be called. */
  people: whole(0, 10_000_000, 'people'),
  detector: z.boolean(),
  shifts: whole(1, 100, 'shifts'),
})
export type WhatIfForm = z.infer<typeof WhatIfFormSchema>

export const asItIs = (
  campaign: Pick<CampaignSetUp, 'manner' | 'lines' | 'abandonCap' | 'detector'>,
  { agents, people }: { readonly agents: number; readonly people: number },
): WhatIfForm => ({
  manner: campaign.manner,
  agents: String(Math.max(1, agents)),
  lines: String(campaign.lines),
  capPercent: String(Math.round(campaign.abandonCap.share * 10_000) / 100),
  fromHour: '9',
  hours: '4',
  people: String(people),
  detector: campaign.detector,
  shifts: '10',
})
