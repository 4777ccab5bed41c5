// What a page may ask the history, each with who may and with what: a worker does not take a page's word for the shape of its questions.
import * as z from 'zod'
import { AgentIdSchema, CampaignIdSchema } from '@/core/ids'
import { RESULTS } from '@/core/ledger'
import { SoughtSchema } from '@/core/personal'
import { crossing, type Doors } from '@/services/ports'
import { CALLS_SORTS } from './calls'
import type { Connection } from './connection'
import { DIMENSIONS, type Dimension } from './cross'
import { EXPORTS } from './exports'
import { LOG_WAYS } from './log'

const word = z.string().max(200)
const search = z.string().max(300)
const instant = z.number()
const only = AgentIdSchema.nullable()
const count = z.number().int().nonnegative()
const span = z.object({ fromMs: instant, toMs: instant })
const asked = { span, nowMs: instant, only }
/** Days of a year, hours of three months. */
const steps = z.array(instant).max(10_000)
/** What codes are called: all there are. */
const labels = z.record(word, search)
const page = { search, from: count, atMost: count }
const day = { fromMs: instant, toMs: instant }
const dimension = z.custom<Dimension>(
  (value) => typeof value === 'string' && value.length <= 300 && ((DIMENSIONS as readonly string[]).includes(value) || value.startsWith('answer ')),
)
const cross = { span, rows: dimension, columns: dimension.nullable(), nowMs: instant, only }

/** Who may ask what. An agent who is let in is told of their own alone. */
export const HISTORY_DOORS: Doors<Connection<unknown>> = {
  introduce: { right: 'anybody', asked: z.tuple([crossing<unknown>()]) },
  open: { right: 'anybody', asked: z.tuple([z.object({ seed: z.number(), days: count.max(400) }), crossing<Parameters<Connection<unknown>['open']>[1]>()]) },
  subscribe: { right: 'anybody', asked: z.tuple([crossing<() => void>()]) },
  close: { right: 'anybody', asked: z.tuple([]) },
  report: { right: 'account', asked: z.tuple([z.object({ ...asked, steps })]) },
  calls: {
    right: 'account',
    asked: z.tuple([
      z.object({
        ...asked,
        ...page,
        queueId: word.nullable(),
        result: z.enum(RESULTS).nullable(),
        sort: z.object({ by: z.enum(CALLS_SORTS), descending: z.boolean() }),
        words: z.object({ outcomes: labels, results: z.partialRecord(z.enum(RESULTS), search) }),
      }),
    ]),
  },
  cross: { right: 'account', asked: z.tuple([z.object(cross)]) },
  crossCalls: { right: 'account', asked: z.tuple([z.object({ ...cross, row: search.nullable(), column: search.nullable(), atMost: count })]) },
  sessions: { right: 'account', asked: z.tuple([z.object({ ...asked, days: steps })]) },
  callsOfAgent: { right: 'account', asked: z.tuple([z.object({ ...asked, only: AgentIdSchema })]) },
  eventsOfAgent: { right: 'account', asked: z.tuple([z.object({ ...asked, only: AgentIdSchema })]) },
  written: { right: 'account', asked: z.tuple([z.object({ ...asked, atMost: count })]) },
  linesOf: { right: 'account', asked: z.tuple([word]) },
  log: {
    right: 'account',
    asked: z.tuple([
      z.object({ ...page, only, nowMs: instant, way: z.enum(LOG_WAYS).nullable(), sinceMs: instant, seenMs: instant, timeZone: word, outcomes: labels }),
    ]),
  },
  dialledBefore: { right: 'account', asked: z.tuple([z.object({ atMost: count, nowMs: instant })]) },
  call: { right: 'account', asked: z.tuple([word]) },
  previousContacts: { right: 'account', asked: z.tuple([z.object({ customer: search.nullable(), number: search.nullable() }), word]) },
  profiles: { right: 'floor', asked: z.tuple([z.object({ days: z.array(z.object({ ...day, day: word, weekday: z.number() })).max(1_000), nowMs: instant })]) },
  came: { right: 'floor', asked: z.tuple([z.object({ ...day, nowMs: instant })]) },
  ledger: { right: 'floor', asked: z.tuple([z.object(day)]) },
  marks: { right: 'floor', asked: z.tuple([z.object(day)]) },
  sound: { right: 'floor', asked: z.tuple([z.object({ ...day, nowMs: instant })]) },
  handling: { right: 'floor', asked: z.tuple([z.object({ span, nowMs: instant, campaignId: CampaignIdSchema })]) },
  keptAbout: { right: 'floor', asked: z.tuple([SoughtSchema]) },
  forgetListed: { right: 'floor', asked: z.tuple([SoughtSchema]) },
  exportFile: { right: 'floor', asked: z.tuple([z.enum(EXPORTS), span, instant, crossing<(done: number, of: number) => void>()]) },
}
