// Who did what with what is kept of people and with rights: signed in or was refused, took out files, listened to recordings, looked somebody up, changed the
// set-up, had somebody forgotten. Apart from the ledger, which tells what happened on the floor. Each record holds the SHA-256 of the one before it (FIPS
// 180-4), so that none can be changed, left out or put in without the next one saying so.
import * as z from 'zod'
import { type AgentId, AgentIdSchema } from '@/core/ids'
import type { SetUp } from '@/core/set-up'
import { type EpochMs, InstantSchema } from '@/core/time'
import { type KeyValue, toHex } from '@/services/storage'

export const AUDITED = [
  'signedIn',
  'signInRefused',
  'pinSet',
  'pinsRenewed',
  'setUpChanged',
  'rightsChanged',
  'exported',
  'ledgerExported',
  'savedEverything',
  'backedUp',
  'soundsOpened',
  'restored',
  'recordingPlayed',
  'lookedUp',
  'forgot',
  'checked',
] as const
export type AuditedWhat = (typeof AUDITED)[number]

const RecordSchema = z.object({
  no: z.number().int().positive(),
  atMs: InstantSchema,
  /** The account; null of somebody at the door. */
  byAgentId: AgentIdSchema.nullable(),
  what: z.enum(AUDITED),
  /** An account, a file, a call: no number and no name of anybody from outside. */
  about: z.string(),
  /** Of the record before; of the first, of nothing. */
  before: z.string(),
})
export type AuditRecord = z.infer<typeof RecordSchema>

export interface AuditPage {
  readonly count: number
  /** The latest first. */
  readonly records: readonly AuditRecord[]
  /** The first that is not there, or not as it was written; null when all are. */
  readonly broken: string | null
}

export interface Audit {
  /** Resolves once it is kept. Rejects when storage refuses; it is then tried again with the next one. */
  note(what: AuditedWhat, byAgentId: AgentId | null, about: string): Promise<void>
  page(atMost: number): Promise<AuditPage>
  /** Somebody has cleared the browser's data: the chain begins anew. */
  forget(): void
}

const PREFIX = 'audit/'
const keyOf = (no: number): string => `${PREFIX}${String(no).padStart(9, '0')}`
/** Accounts whose rights a set-up changes, new and retired ones with them. */
export function rightsMoved(before: SetUp, after: SetUp): readonly AgentId[] {
  const rights = (setUp: SetUp) => new Map(setUp.agents.map((a) => [a.id, JSON.stringify([a.may.toSorted(), a.role, a.retired])]))
  const [was, is] = [rights(before), rights(after)]
  return [...is].flatMap(([id, may]) => (was.get(id) === may ? [] : [id]))
}

/** Of the newest: a record that was taken off the end leaves no gap. */
const HEAD_KEY = 'audit-head'
const HeadSchema = z.object({ no: z.number(), hash: z.string() })

const hashOf = async (record: AuditRecord): Promise<string> =>
  toHex(new Uint8Array(await crypto.subtle.digest('SHA-256', new TextEncoder().encode(JSON.stringify(RecordSchema.parse(record))))))

export function createAudit(store: KeyValue, now: () => EpochMs): Audit {
  let head: z.infer<typeof HeadSchema> | null = null
  let waiting: Pick<AuditRecord, 'atMs' | 'byAgentId' | 'what' | 'about'>[] = []
  let writing: Promise<void> = Promise.resolve()

  const write = async () => {
    head ??= HeadSchema.catch({ no: 0, hash: '' }).parse(await store.get(HEAD_KEY))
    for (let next = waiting[0]; next !== undefined; next = waiting[0]) {
      const record: AuditRecord = { no: head.no + 1, ...next, before: head.hash }
      await store.set(keyOf(record.no), record)
      const after = { no: record.no, hash: await hashOf(record) }
      await store.set(HEAD_KEY, after)
      head = after
      waiting = waiting.slice(1)
    }
  }
  return {
    note(what, byAgentId, about) {
      waiting.push({ atMs: now(), byAgentId, what, about })
      const written = writing.then(write)
      writing = written.catch(() => {})
      return written
    },
    async page(atMost) {
      await writing
      const keys = (await store.keys()).filter((key) => key.startsWith(PREFIX)).toSorted()
      const records: AuditRecord[] = []
      let broken: string | null = null
      let before = ''
      for (const [i, key] of keys.entries()) {
        const read = RecordSchema.safeParse(await store.get(key))
        const isNext = read.success && read.data.no === i + 1 && keyOf(i + 1) === key && read.data.before === before
        if (!isNext) broken ??= `record ${i + 1} is missing or is not as it was written`
        if (!read.success) continue
        records.push(read.data)
        before = await hashOf(read.data)
      }
      const newest = HeadSchema.safeParse(await store.get(HEAD_KEY))
      if (keys.length > 0 && (!newest.success || newest.data.no !== keys.length || newest.data.hash !== before))
        broken ??= `the newest record is not the one that was written last`
      return { count: keys.length, records: records.toReversed().slice(0, atMost), broken }
    },
    forget() {
      head = { no: 0, hash: '' }
    },
  }
}
