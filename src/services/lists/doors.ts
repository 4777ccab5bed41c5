// What a page may ask the lists, each with who may and with what.
import * as z from 'zod'
import { PutBackSchema, RECORD_STATES } from '@/core/campaigns'
import { CampaignIdSchema, ListIdSchema } from '@/core/ids'
import { SoughtSchema } from '@/core/personal'
import { crossing, type Doors } from '@/services/ports'
import type { ListsConnection } from './connection'
import { LIST_EXPORTS } from './export-names'
import { ROLES } from './import/columns'
import { ENCODINGS } from './import/encoding'
import type { ImportProgress } from './import/run'

const search = z.string().max(300)
const instant = z.number()
const count = z.number().int().nonnegative()
const file = z.instanceof(Blob)
/** A file has no more columns than anybody would match by hand. */
const roles = z.array(z.enum(ROLES)).max(1_000)
const column = z.string().max(100_000)
const looked = z.object({
  encoding: z.enum(ENCODINGS),
  shape: z.union([z.object({ is: z.literal('csv'), delimiter: z.string().max(10) }), z.object({ is: z.literal('ndjson') })]),
  columns: z.array(column).max(1_000),
  sample: z.array(z.array(column).max(1_000)).max(1_000),
  roles,
})

/** Who may ask what. An agent who is let in is told of what was put through to them. */
export const LISTS_DOORS: Doors<ListsConnection<unknown>> = {
  introduce: { right: 'anybody', asked: z.tuple([crossing<unknown>(), crossing<unknown>()]) },
  subscribe: { right: 'anybody', asked: z.tuple([crossing<() => void>()]) },
  close: { right: 'anybody', asked: z.tuple([]) },
  figures: { right: 'account', asked: z.tuple([]) },
  metas: { right: 'account', asked: z.tuple([]) },
  report: { right: 'account', asked: z.tuple([z.object({ fromMs: instant, toMs: instant, campaignId: CampaignIdSchema.nullable() })]) },
  page: {
    right: 'floor',
    asked: z.tuple([z.object({ campaignId: CampaignIdSchema, search, state: z.enum(RECORD_STATES).nullable(), from: count, atMost: count })]),
  },
  record: { right: 'floor', asked: z.tuple([z.string().max(200)]) },
  met: { right: 'floor', asked: z.tuple([CampaignIdSchema]) },
  matching: { right: 'floor', asked: z.tuple([CampaignIdSchema, PutBackSchema]) },
  keptAbout: { right: 'floor', asked: z.tuple([SoughtSchema]) },
  check: { right: 'floor', asked: z.tuple([]) },
  exportFile: { right: 'floor', asked: z.tuple([CampaignIdSchema, z.enum(LIST_EXPORTS), crossing<(done: number, of: number) => void>()]) },
  look: { right: 'floor', asked: z.tuple([file]) },
  importFile: {
    right: 'floor',
    asked: z.tuple([
      z.object({
        file,
        looked,
        roles,
        listId: ListIdSchema.nullable(),
        campaignId: CampaignIdSchema,
        name: z.string().max(200),
        leavesOutOthers: z.boolean(),
      }),
      crossing<(progress: ImportProgress) => void>(),
    ]),
  },
  cancelImport: { right: 'floor', asked: z.tuple([]) },
}
