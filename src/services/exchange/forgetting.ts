// Finding what is kept about somebody, and having it forgotten. What was asked for is noted first, so that a worker that ends in the middle of it finishes
// with it when the floor is opened again.
import pLimit from 'p-limit'
import * as z from 'zod'
import type { Command, FloorRefusal } from '@/core/floor'
import { offeredBy } from '@/core/forgotten'
import { type AgentId, AgentIdSchema } from '@/core/ids'
import { aboutWhom, type Found, foundInLines, isListedAs, mayBeIn, mergeFound, type Sought, soughtOf } from '@/core/personal'
import type { FloorState } from '@/core/state'
import { values } from '@/core/table'
import { inTurns } from '@/services/ports'
import type { KeyValue } from '@/services/storage'
import type { People } from './people'
import { DAMAGED_KEY, type LedgerWriter } from './store'

export interface Kept {
  readonly found: readonly Found[]
  /** People of the centre's book, and of anybody's own. */
  readonly contacts: readonly string[]
}

export interface Wish {
  readonly sought: Sought
  /** Ids of what names them: of this floor's ledger, of past days, of calling lists. */
  readonly about: readonly string[]
}

export interface Forgetting {
  /** Goes through the whole ledger, a lot at a time. */
  find(sought: Sought): Promise<Kept>
  /** null once nothing of it is there any more. Rejects when storage refuses; it is then finished with when the floor is opened next. */
  forget(byAgentId: AgentId, wish: Wish): Promise<FloorRefusal | null>
  /** Finishes what a worker before this one had begun. */
  finish(): Promise<void>
}

interface Options {
  readonly store: KeyValue
  readonly writer: Pick<LedgerWriter, 'search' | 'flushed' | 'forget'>
  readonly people: Pick<People, 'namedBy' | 'forget'>
  readonly state: () => FloorState
  readonly give: (command: Command) => FloorRefusal | null
  /** Sounds of these calls and messages are no longer kept. */
  readonly forgetSounds: (isMeant: (recordingId: string) => boolean) => Promise<void>
}

const JOB_KEY = 'forgetting'
const texts = z.array(z.string()).readonly()
const JobSchema = z.object({
  byAgentId: AgentIdSchema,
  sought: z.object({ numbers: texts, addresses: texts, names: texts }).readonly(),
  about: texts,
})

export function createForgetting({ store, writer, people, state, give, forgetSounds }: Options): Forgetting {
  const carryOut = async ({ byAgentId, sought, about }: z.infer<typeof JobSchema>): Promise<FloorRefusal | null> => {
    const meant = new Set(about)
    const isListed = isListedAs(sought)
    const listed = values(state().doNotCall).flatMap(({ whom }) => (isListed(aboutWhom(whom)) ? [whom] : []))
    const refusal = give({ kind: 'forgetPerson', agentId: byAgentId, about: [...about], listed })
    // Of somebody of whom nothing is in the ledger a contact may be kept all the same.
    if (refusal !== null && refusal.reason !== 'nothingToForget') return refusal
    const contacts = await people.forget(sought)
    if (refusal !== null && contacts === 0) return refusal
    if (!(await writer.flushed())) throw new Error('storage refuses')
    await writer.forget((one) => meant.has(one) || isListed(one))
    await forgetSounds((recordingId) => about.some((id) => recordingId.includes(`_${id}_`)))
    await forgetAside(store, sought)
    return null
  }
  /** One after the other: what is noted is of one of them. */
  const inTurn = pLimit(1)
  /** What was looked for last, and how far: whoever then has it forgotten is asked for nothing but what has come since. */
  let looked: { readonly for: string; readonly throughSeq: number; readonly found: readonly Found[] } | null = null
  const find: Forgetting['find'] = async (asked) => {
    const sought = soughtOf(asked)
    const isOffered = offeredBy(state().setUp)
    const key = JSON.stringify(sought)
    const before = looked?.for === key ? looked : { throughSeq: 0, found: [] }
    const found = [...before.found]
    const throughSeq = state().seq
    const othersFirst = inTurns()
    for await (const lines of writer.search(before.throughSeq, throughSeq, (personal) => mayBeIn(personal, sought))) {
      found.push(...foundInLines(lines, sought, isOffered))
      await othersFirst()
    }
    looked = { for: key, throughSeq, found }
    return { found: mergeFound(found), contacts: people.namedBy(sought) }
  }
  return {
    find,
    forget: (byAgentId, { sought: asked, about }) =>
      inTurn(async () => {
        const sought = soughtOf(asked)
        // What has come since they were looked for is theirs as well.
        const { found } = await find(sought)
        looked = null
        const job = { byAgentId, sought, about: [...new Set([...about, ...found.map((f) => f.about)])] }
        await store.set(JOB_KEY, job)
        const refusal = await carryOut(job)
        await store.remove(JOB_KEY)
        return refusal
      }),
    finish: () =>
      inTurn(async () => {
        const job = JobSchema.safeParse(await store.get(JOB_KEY))
        if (!job.success) return
        await carryOut(job.data)
        await store.remove(JOB_KEY)
      }),
  }
}

/** What was set aside as damaged is nobody's to read any more where it names them. */
async function forgetAside(store: KeyValue, sought: Sought): Promise<void> {
  const aside = z.array(z.unknown()).safeParse(await store.get(DAMAGED_KEY))
  if (!aside.success) return
  const left = aside.data.filter((part) => !mayBeIn(JSON.stringify(part), sought))
  if (left.length < aside.data.length) await store.set(DAMAGED_KEY, left)
}
