// A queue as its form shows it: seconds and clock times instead of milliseconds and minutes of the day. What the form may hold
// is checked here with a sentence per field; what it means for other queues and agents is the checker's business.
import * as z from 'zod'
import type { Written } from '@/core/channels'
import { type QueueSetUp, QueueSetUpSchema } from '@/core/set-up'
import { DAY, MINUTE, minuteClock, SECOND } from '@/core/time'

const seconds = z
  .number({ error: 'Type a number of seconds.' })
  .min(0, 'It cannot be less than nothing.')
  .max(DAY / SECOND, 'A day is the most.')
const clock = z.string().regex(/^([01]\d|2[0-3]):[0-5]\d$|^24:00$/, 'Type a time such as 08:30.')
/** With its country, as everybody else in the world would dial it. */
export const shownNumber = z
  .string()
  .trim()
  .regex(/^(\+[\d\s()-]{6,24})?$/, 'Type it with + and its country code, or leave it empty.')
const overflowRows = z.array(z.object({ afterS: seconds, to: z.string() }))

const within = z.union([z.literal(''), z.string().regex(/^[1-9]\d*$/, 'Type a whole number, or leave it empty: then it takes none.')])

export const QueueFormSchema = z.object({
  name: z.string().trim().min(1, 'The queue needs a name.'),
  number: shownNumber,
  headStartS: seconds,
  goesFirst: z.array(z.object({ group: z.string().trim().min(1, 'Name the group of callers.'), headStartS: seconds })),
  needs: z.array(z.object({ skillId: z.string(), level: z.number({ error: 'Choose a level.' }).int().min(1).max(5) })),
  scriptId: z.string(),
  scriptChoices: z.array(z.object({ path: z.string(), group: z.string(), scriptId: z.string() })),
  overflow: overflowRows,
  hours: z.array(z.object({ days: z.array(z.string()).min(1, 'Tick at least one day.'), from: clock, to: clock })),
  fullLimit: z.union([z.literal(''), z.string().regex(/^[1-9]\d*$/, 'Type how many may wait, or leave it empty.')]),
  announcement: z.string(),
  closedMessage: z.string().trim().min(1, 'Callers must be told something when it is closed.'),
  fullMessage: z.string().trim().min(1, 'Callers must be told something when it is full.'),
  deskLostTo: z.enum(['head', 'anyLevel']),
  tellsWait: z.boolean(),
  keepsPlaces: z.boolean(),
  takesMessages: z.boolean(),
  answersItself: z.boolean(),
  records: z.boolean(),
  answerWithinS: seconds.min(1, 'At least a second.'),
  /** Empty for no warning of its own. */
  warnsWaiting: z.union([z.literal(''), z.string().regex(/^\d+$/, 'Type how many may wait, or leave it empty.')]),
  warnsLongestS: z.union([z.literal(''), z.string().regex(/^[1-9]\d*$/, 'Type whole seconds, or leave it empty.')]),
  warnsBelowPercent: z.union([z.literal(''), z.string().regex(/^([1-9]?\d|100)$/, 'Type a number from 0 to 100, or leave it empty.')]),
  /** Within what time each is answered; empty where the queue takes none. */
  chatWithinS: within,
  mailWithinMin: within,
  textWithinMin: within,
  wrapUpS: seconds,
  overWrapUpS: seconds,
  /** Empty for no limit. */
  wrapUpLimitS: z.union([z.literal(''), z.string().regex(/^[1-9]\d*$/, 'Type whole seconds, or leave it empty for no limit.')]),
  wrapUpThen: z.enum(['ready', 'notReady']),
  wrapUpExtensionS: seconds,
  stormAnnouncement: z.string(),
  stormHeadStartS: seconds,
  stormOverflow: overflowRows,
  retired: z.boolean(),
})
export type QueueForm = z.infer<typeof QueueFormSchema>

/** An empty field stands for any, or none. */
const orNull = (text: string) => (text === '' ? null : text)

const toMinute = (text: string) => Number(text.slice(0, 2)) * 60 + Number(text.slice(3))
const overflowToForm = (rows: QueueSetUp['overflow']) => rows.map(({ afterMs, to }) => ({ afterS: afterMs / SECOND, to }))
const overflowFromForm = (rows: QueueForm['overflow']) => rows.map(({ afterS, to }) => ({ afterMs: Math.round(afterS * SECOND), to }))

const withinOf = ({ writes }: QueueSetUp, channel: Written, unitMs: number): string => {
  const found = writes.find((w) => w.channel === channel)
  return found === undefined ? '' : String(Math.max(1, Math.round(found.serviceLevelMs / unitMs)))
}
const writesOf = (channel: Written, text: string, unitMs: number) => (text === '' ? [] : [{ channel, serviceLevelMs: Number(text) * unitMs }])

export const toQueueForm = (q: QueueSetUp): QueueForm => ({
  name: q.name,
  number: q.number,
  headStartS: q.headStartMs / SECOND,
  goesFirst: q.goesFirst.map(({ group, headStartMs }) => ({ group, headStartS: headStartMs / SECOND })),
  needs: q.needs.map((n) => ({ ...n })),
  scriptId: q.scriptId ?? '',
  scriptChoices: q.scriptChoices.map((c) => ({ path: c.path ?? '', group: c.group ?? '', scriptId: c.scriptId ?? '' })),
  overflow: overflowToForm(q.overflow),
  hours: q.hours.map((o) => ({ days: o.days.map(String), from: minuteClock(o.fromMinute), to: minuteClock(o.toMinute) })),
  fullLimit: q.fullLimit === null ? '' : String(q.fullLimit),
  announcement: q.announcement,
  closedMessage: q.closedMessage,
  fullMessage: q.fullMessage,
  deskLostTo: q.deskLostTo,
  tellsWait: q.tellsWait,
  keepsPlaces: q.keepsPlaces,
  takesMessages: q.takesMessages,
  answersItself: q.answersItself,
  records: q.records,
  answerWithinS: q.serviceLevelMs / SECOND,
  warnsWaiting: q.warns.waiting === null ? '' : String(q.warns.waiting),
  warnsLongestS: q.warns.longestMs === null ? '' : String(q.warns.longestMs / SECOND),
  warnsBelowPercent: q.warns.shareBelow === null ? '' : String(Math.round(q.warns.shareBelow * 100)),
  chatWithinS: withinOf(q, 'chat', SECOND),
  mailWithinMin: withinOf(q, 'mail', MINUTE),
  textWithinMin: withinOf(q, 'text', MINUTE),
  wrapUpS: q.recommendedWrapUpMs / SECOND,
  overWrapUpS: q.overWrapUpMs / SECOND,
  wrapUpLimitS: q.wrapUpLimit === null ? '' : String(q.wrapUpLimit.afterMs / SECOND),
  wrapUpThen: q.wrapUpLimit?.andThen ?? 'notReady',
  wrapUpExtensionS: (q.wrapUpLimit?.extensionMs ?? 0) / SECOND,
  stormAnnouncement: q.storm.announcement,
  stormHeadStartS: q.storm.headStartMs / SECOND,
  stormOverflow: overflowToForm(q.storm.overflow),
  retired: q.retired,
})

/** The queue as the form has it; what the form does not show stays as it was. */
export const fromQueueForm = (form: QueueForm, before: QueueSetUp): QueueSetUp =>
  QueueSetUpSchema.parse({
    ...before,
    name: form.name,
    number: form.number.replace(/[^+\d]/g, ''),
    headStartMs: Math.round(form.headStartS * SECOND),
    goesFirst: form.goesFirst.map(({ group, headStartS }) => ({ group, headStartMs: Math.round(headStartS * SECOND) })),
    needs: form.needs,
    scriptId: orNull(form.scriptId),
    scriptChoices: form.scriptChoices.map((c) => ({ path: orNull(c.path.trim()), group: orNull(c.group.trim()), scriptId: orNull(c.scriptId) })),
    overflow: overflowFromForm(form.overflow),
    hours: form.hours.map((o) => ({ days: o.days.map(Number), fromMinute: toMinute(o.from), toMinute: toMinute(o.to) })),
    fullLimit: form.fullLimit === '' ? null : Number(form.fullLimit),
    announcement: form.announcement.trim(),
    closedMessage: form.closedMessage,
    fullMessage: form.fullMessage,
    deskLostTo: form.deskLostTo,
    tellsWait: form.tellsWait,
    keepsPlaces: form.keepsPlaces,
    takesMessages: form.takesMessages,
    answersItself: form.answersItself,
    records: form.records,
    serviceLevelMs: Math.round(form.answerWithinS * SECOND),
    warns: {
      waiting: form.warnsWaiting === '' ? null : Number(form.warnsWaiting),
      longestMs: form.warnsLongestS === '' ? null : Number(form.warnsLongestS) * SECOND,
      shareBelow: form.warnsBelowPercent === '' ? null : Number(form.warnsBelowPercent) / 100,
    },
    writes: [...writesOf('chat', form.chatWithinS, SECOND), ...writesOf('mail', form.mailWithinMin, MINUTE), ...writesOf('text', form.textWithinMin, MINUTE)],
    recommendedWrapUpMs: Math.round(form.wrapUpS * SECOND),
    overWrapUpMs: Math.round(form.overWrapUpS * SECOND),
    wrapUpLimit:
      form.wrapUpLimitS === ''
        ? null
        : { afterMs: Number(form.wrapUpLimitS) * SECOND, andThen: form.wrapUpThen, extensionMs: Math.round(form.wrapUpExtensionS * SECOND) },
    storm: {
      announcement: form.stormAnnouncement.trim(),
      headStartMs: Math.round(form.stormHeadStartS * SECOND),
      overflow: overflowFromForm(form.stormOverflow),
    },
    retired: form.retired,
  })

export const DAYS = ['Mo', 'Tu', 'We', 'Th', 'Fr', 'Sa', 'Su'] as const

/** Hours as they are read in the table: `Mo–Fr 08:00–18:00`. */
export function hoursInWords(hours: QueueSetUp['hours']): string {
  if (hours.length === 0) return 'always'
  return hours.map((o) => `${daysInWords(o.days)} ${minuteClock(o.fromMinute)}–${minuteClock(o.toMinute)}`).join(', ')
}

function daysInWords(days: readonly number[]): string {
  const sorted = days.toSorted((a, b) => a - b)
  const runs: number[][] = []
  for (const day of sorted) {
    const run = runs.at(-1)
    if (run !== undefined && run.at(-1) === day - 1) run.push(day)
    else runs.push([day])
  }
  const name = (day: number | undefined) => DAYS[(day ?? 1) - 1] ?? ''
  return runs.map((run) => (run.length > 2 ? `${name(run[0])}–${name(run.at(-1))}` : run.map(name).join(', '))).join(', ')
}

/** `0:45`-like lengths are for clocks; a rule reads better as `45 s` or `2 min`. */
export const lengthInWords = (ms: number): string => (ms === 0 ? '0 s' : ms % MINUTE === 0 ? `${ms / MINUTE} min` : `${ms / SECOND} s`)
