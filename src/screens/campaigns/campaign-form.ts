// A campaign as its form shows it: seconds, minutes, clock times and per cent instead of what the set-up keeps. What one field may hold is checked here with a
// sentence; what it means for others is the checker's business.
import * as z from 'zod'
import { AgentIdSchema, OutcomeSetIdSchema, QueueIdSchema, ScriptIdSchema } from '@/core/ids'
import { type CampaignSetUp, CampaignSetUpSchema, LEAST_RING_MS, MANNERS, RECORD_ORDERS } from '@/core/set-up'
import { MINUTE, minuteClock, SECOND } from '@/core/time'

const whole = (least: number, most: number, what: string) =>
  z
    .string()
    .trim()
    .regex(/^\d+$/, `Type a whole number of ${what}.`)
    .refine((t) => Number(t) >= least && Number(t) <= most, `Between ${least.toLocaleString('en-GB')} and ${most.toLocaleString('en-GB')} ${what}.`)
const orEmpty = (schema: z.ZodType<string, string>) => z.union([z.literal(''), schema])
const clock = z.string().regex(/^([01]\d|2[0-3]):[0-5]\d$|^24:00$/, 'Type a time such as 08:30.')
const day = orEmpty(z.iso.date('Type a day such as 2026-12-01, or leave it empty.'))

const perCent = (most: number) =>
  z
    .string()
    .regex(/^\d+(\.\d+)?$/, 'Type per cent, such as 3.')
    .refine((t) => Number(t) <= most, `At most ${most} per cent.`)

export const CampaignFormSchema = z.object({
  name: z.string().trim().min(1, 'The campaign needs a name.'),
  purpose: z.string().trim().min(1, 'Say in a sentence why people are called.'),
  manner: z.enum(MANNERS),
  previewLimitS: orEmpty(whole(5, 3_600, 'seconds')),
  scriptId: z.string(),
  ringBackQueueId: z.string(),
  outcomeSetId: z.string().min(1),
  callerId: z
    .string()
    .transform((typed) => typed.replace(/[\s()-]/g, ''))
    .pipe(z.string().regex(/^\+\d{6,15}$/, 'Type the number with its country, such as +44 1632 960020.')),
  lines: whole(1, 10_000, 'lines'),
  ringLimitS: whole(LEAST_RING_MS / SECOND, 120, 'seconds'),
  detector: z.boolean(),
  machineGets: z.enum(['nothing', 'message', 'agent']),
  machineMessage: z.string(),
  abandonedMessage: z.string().trim().min(1, 'Whoever nobody could take must be told something.'),
  capPercent: perCent(100),
  dropsPercent: perCent(50),
  order: z.enum(RECORD_ORDERS),
  target: orEmpty(whole(1, 10_000_000, 'conversions')),
  inAll: whole(1, 1_000, 'tries'),
  perDay: whole(1, 1_000, 'tries'),
  perSevenDays: whole(1, 1_000, 'tries'),
  nextNumberAfter: whole(1, 1_000, 'tries'),
  busyMin: whole(1, 43_200, 'minutes'),
  noAnswerMin: whole(1, 43_200, 'minutes'),
  machineMin: whole(1, 43_200, 'minutes'),
  refusedMin: whole(1, 43_200, 'minutes'),
  anotherTimeOfDay: z.boolean(),
  fromDay: day,
  toDay: day,
  leftOutDays: z.string().refine((t) => daysOf(t).every((d) => z.iso.date().safeParse(d).success), 'Type days such as 2026-12-25, with spaces between them.'),
  from: clock,
  to: clock,
  agentIds: z.array(z.string()),
  wrapUpS: whole(0, 3_600, 'seconds'),
  records: z.boolean(),
  retired: z.boolean(),
})
export type CampaignForm = z.infer<typeof CampaignFormSchema>

const daysOf = (text: string): readonly string[] => text.split(/[\s,;]+/).filter((d) => d !== '')
const toPercent = (share: number) => String(Math.round(share * 10_000) / 100)
const toMinute = (text: string) => Number(text.slice(0, 2)) * 60 + Number(text.slice(3))

export const toCampaignForm = (c: CampaignSetUp): CampaignForm => ({
  name: c.name,
  purpose: c.purpose,
  manner: c.manner,
  previewLimitS: c.previewLimitMs === null ? '' : String(c.previewLimitMs / SECOND),
  scriptId: c.scriptId ?? '',
  ringBackQueueId: c.ringBackQueueId ?? '',
  outcomeSetId: c.outcomeSetId,
  callerId: c.callerId,
  lines: String(c.lines),
  ringLimitS: String(c.ringLimitMs / SECOND),
  detector: c.detector,
  machineGets: c.machineGets,
  machineMessage: c.machineMessage,
  abandonedMessage: c.abandonedMessage,
  capPercent: toPercent(c.abandonCap.share),
  dropsPercent: toPercent(c.detectorDrops),
  order: c.order,
  target: c.target === null ? '' : String(c.target),
  inAll: String(c.attempts.perRecord.inAll),
  perDay: String(c.attempts.perRecord.perDay),
  perSevenDays: String(c.attempts.perRecord.perSevenDays),
  nextNumberAfter: String(c.attempts.nextNumberAfter),
  busyMin: String(c.attempts.gapMs.busy / MINUTE),
  noAnswerMin: String(c.attempts.gapMs.noAnswer / MINUTE),
  machineMin: String(c.attempts.gapMs.machine / MINUTE),
  refusedMin: String(c.attempts.gapMs.refused / MINUTE),
  anotherTimeOfDay: c.attempts.anotherTimeOfDay,
  fromDay: c.fromDay ?? '',
  toDay: c.toDay ?? '',
  leftOutDays: c.leftOutDays.join(' '),
  from: minuteClock(c.hours[0]?.fromMinute ?? 0),
  to: minuteClock(c.hours[0]?.toMinute ?? 0),
  agentIds: [...c.agentIds],
  wrapUpS: String(c.recommendedWrapUpMs / SECOND),
  records: c.records,
  retired: c.retired,
})

/** Of hours with several rows the first is what the form shows; the others stay as they are. */
export function fromCampaignForm(form: CampaignForm, before: CampaignSetUp): CampaignSetUp {
  const [first, ...others] = before.hours
  const perRecord = { inAll: Number(form.inAll), perDay: Number(form.perDay), perSevenDays: Number(form.perSevenDays) }
  return CampaignSetUpSchema.parse({
    ...before,
    name: form.name,
    purpose: form.purpose,
    manner: form.manner,
    previewLimitMs: form.previewLimitS === '' ? null : Number(form.previewLimitS) * SECOND,
    scriptId: form.scriptId === '' ? null : ScriptIdSchema.parse(form.scriptId),
    outcomeSetId: OutcomeSetIdSchema.parse(form.outcomeSetId),
    ringBackQueueId: form.ringBackQueueId === '' ? null : QueueIdSchema.parse(form.ringBackQueueId),
    callerId: form.callerId,
    lines: Number(form.lines),
    ringLimitMs: Number(form.ringLimitS) * SECOND,
    detector: form.detector,
    machineGets: form.machineGets,
    machineMessage: form.machineMessage,
    abandonedMessage: form.abandonedMessage,
    abandonCap: { ...before.abandonCap, share: Number(form.capPercent) / 100 },
    detectorDrops: Number(form.dropsPercent) / 100,
    order: form.order,
    target: form.target === '' ? null : Number(form.target),
    attempts: {
      ...before.attempts,
      perRecord,
      nextNumberAfter: Number(form.nextNumberAfter),
      anotherTimeOfDay: form.anotherTimeOfDay,
      gapMs: {
        busy: Number(form.busyMin) * MINUTE,
        noAnswer: Number(form.noAnswerMin) * MINUTE,
        machine: Number(form.machineMin) * MINUTE,
        refused: Number(form.refusedMin) * MINUTE,
      },
    },
    fromDay: form.fromDay === '' ? null : form.fromDay,
    toDay: form.toDay === '' ? null : form.toDay,
    leftOutDays: daysOf(form.leftOutDays),
    hours: [{ days: first?.days ?? [1, 2, 3, 4, 5, 6, 7], fromMinute: toMinute(form.from), toMinute: toMinute(form.to) }, ...others],
    agentIds: form.agentIds.map((id) => AgentIdSchema.parse(id)),
    recommendedWrapUpMs: Number(form.wrapUpS) * SECOND,
    records: form.records,
    retired: form.retired,
  })
}
