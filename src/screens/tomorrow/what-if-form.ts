// What is asked of a day: as text in its fields, and what it comes to.
import * as z from 'zod'
import type { DayChange, Outbound } from '@/core/coming-day'
import { CampaignIdSchema, QueueIdSchema } from '@/core/ids'
import { MINUTE, SECOND } from '@/core/time'

const whole = (from: number, to: number) =>
  z.string().refine((t) => /^[+-]?\d+$/.test(t.trim()) && Number(t) >= from && Number(t) <= to, `A whole number from ${from} to ${to}.`)
const time = z.string().regex(/^(|\d{2}:\d{2})$/, 'A time such as 08:30.')

export const WhatIfFormSchema = z
  .object({
    days: whole(2, 500),
    callsPercent: whole(1, 1_000),
    moreAgents: whole(-200, 200),
    talkPercent: whole(10, 1_000),
    wrapUpPercent: whole(0, 1_000),
    allTakeAll: z.boolean(),
    putThrough: z.boolean(),
    overflow: z.enum(['asSetUp', 'never', 'after']),
    overflowSeconds: whole(0, 3_600),
    opens: time,
    closes: time,
    campaign: z.string(),
    campaignAgents: whole(1, 200),
    campaignFrom: time,
    campaignTo: time,
    stormQueue: z.string(),
    stormFrom: time,
    stormMore: whole(1, 5_000),
    stormSwitched: z.boolean(),
  })
  .superRefine(({ opens, closes, stormQueue, stormFrom, campaign, campaignFrom, campaignTo }, context) => {
    if ((opens === '') !== (closes === ''))
      context.addIssue({ code: 'custom', path: [opens === '' ? 'opens' : 'closes'], message: 'Give both times, or neither for the hours in use.' })
    if (opens !== '' && closes !== '' && minuteOf(opens) >= minuteOf(closes))
      context.addIssue({ code: 'custom', path: ['closes'], message: 'It must close after it opens.' })
    if (campaign !== '' && !(campaignFrom !== '' && campaignTo !== '' && minuteOf(campaignFrom) < minuteOf(campaignTo)))
      context.addIssue({ code: 'custom', path: ['campaignTo'], message: 'Give a time to begin, and a later one to end.' })
    if (stormQueue !== '' && stormFrom === '') context.addIssue({ code: 'custom', path: ['stormFrom'], message: 'Give the time it begins.' })
  })
export type WhatIfForm = z.infer<typeof WhatIfFormSchema>

export const UNCHANGED: WhatIfForm = {
  days: '100',
  callsPercent: '100',
  moreAgents: '0',
  talkPercent: '100',
  wrapUpPercent: '100',
  allTakeAll: false,
  putThrough: false,
  campaign: '',
  campaignAgents: '3',
  campaignFrom: '09:00',
  campaignTo: '12:00',
  overflow: 'asSetUp',
  overflowSeconds: '60',
  opens: '',
  closes: '',
  stormQueue: '',
  stormFrom: '11:00',
  stormMore: '100',
  stormSwitched: true,
}

/** What is known of the people of a campaign. */
export type Met = Pick<Outbound, 'answers' | 'talkMs' | 'wrapUpMs'>

/** `met`: of the campaign that is chosen; null while it is not known. */
export function changeOf(form: WhatIfForm, met: Met | null): DayChange {
  const campaign = CampaignIdSchema.safeParse(form.campaign)
  const queue = QueueIdSchema.safeParse(form.stormQueue)
  return {
    callsTimes: Number(form.callsPercent) / 100,
    moreAgents: Number(form.moreAgents),
    allTakeAll: form.allTakeAll,
    putThrough: form.putThrough,
    talkTimes: Number(form.talkPercent) / 100,
    wrapUpTimes: Number(form.wrapUpPercent) / 100,
    overflow: form.overflow === 'after' ? { afterMs: Number(form.overflowSeconds) * SECOND } : form.overflow,
    hours: form.opens === '' ? null : { fromMinute: minuteOf(form.opens), toMinute: minuteOf(form.closes) },
    outbound:
      form.campaign === '' || !campaign.success || met === null
        ? null
        : {
            campaignId: campaign.data,
            agents: Number(form.campaignAgents),
            ...met,
            fromMs: minuteOf(form.campaignFrom) * MINUTE,
            toMs: minuteOf(form.campaignTo) * MINUTE,
          },
    storm:
      form.stormQueue === '' || !queue.success
        ? null
        : { queueId: queue.data, fromMinute: minuteOf(form.stormFrom), morePerHour: Number(form.stormMore), switched: form.stormSwitched },
  }
}

function minuteOf(clock: string): number {
  const [hours, minutes] = clock.split(':').map(Number) as [number, number]
  return hours * 60 + minutes
}
