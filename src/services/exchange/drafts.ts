// What somebody has begun to write in a chat, a mail or a text and not sent: its words and for whom they are, as one thing, by piece and account. It is no
// event: nobody was told anything yet, and a long mail would fill the ledger with every pause. It lasts as long as its piece does.
import * as z from 'zod'
import { type AgentId, AgentIdSchema, type WorkId, WorkIdSchema } from '@/core/ids'
import type { FloorState } from '@/core/state'
import { get } from '@/core/table'
import { isOverThread, LONGEST_DRAFT } from '@/core/threads'
import { type KeyValue, storageWords } from '@/services/storage'

const DraftSchema = z.object({ agentId: AgentIdSchema, text: z.string().max(LONGEST_DRAFT), aside: z.boolean(), atMs: z.number() }).readonly()
/** `aside`: for colleagues only. */
export type Draft = z.infer<typeof DraftSchema>

const PREFIX = 'draft/'
const OfPieceSchema = z.object({ threadId: WorkIdSchema, drafts: z.array(DraftSchema).readonly() })

export interface DraftsStore {
  readonly store: KeyValue
  readonly loaded: ReadonlyMap<WorkId, readonly Draft[]>
}

/** Those that cannot be read are left where they are. */
export async function openDrafts(store: KeyValue): Promise<DraftsStore> {
  const keys = await store.keys().catch(() => [])
  const loaded = new Map<WorkId, readonly Draft[]>()
  for (const key of keys.filter((k) => k.startsWith(PREFIX))) {
    const parsed = OfPieceSchema.safeParse(await store.get(key).catch(() => null))
    if (parsed.success) loaded.set(parsed.data.threadId, parsed.data.drafts)
  }
  return { store, loaded }
}

export interface Drafts {
  /** Resolves when it is on disk, or storage has refused it: then it is in memory, and written with the next one. */
  keep(threadId: WorkId, draft: Draft): Promise<void>
  forget(threadId: WorkId, agentId: AgentId): void
  /** What this account has begun, and what those have who have the piece no more: an asked-in colleague's is theirs while they read along. */
  seenBy(state: FloorState, threadId: WorkId, agentId: AgentId): readonly Draft[]
  /** Pieces that are over have no drafts. */
  tidy(state: FloorState): void
}

export function createDrafts({ store, loaded }: DraftsStore): Drafts {
  const of = new Map(loaded)
  let writing: Promise<void> = Promise.resolve()
  const write = (threadId: WorkId) => {
    const drafts = of.get(threadId)
    writing = writing
      .then(() => (drafts === undefined ? store.remove(`${PREFIX}${threadId}`) : store.set(`${PREFIX}${threadId}`, { threadId, drafts })))
      .catch((error: unknown) => console.warn(`A draft is in memory only: ${storageWords(error)}`))
    return writing
  }
  const put = (threadId: WorkId, drafts: readonly Draft[]) => {
    if (drafts.length === 0) of.delete(threadId)
    else of.set(threadId, drafts)
    return write(threadId)
  }
  const others = (threadId: WorkId, agentId: AgentId) => (of.get(threadId) ?? []).filter((d) => d.agentId !== agentId)
  return {
    keep: (threadId, draft) => put(threadId, [...others(threadId, draft.agentId), ...(draft.text === '' && !draft.aside ? [] : [draft])]),
    forget(threadId, agentId) {
      if ((of.get(threadId) ?? []).some((d) => d.agentId === agentId)) void put(threadId, others(threadId, agentId))
    },
    seenBy(state, threadId, agentId) {
      const thread = get(state.threads, threadId)
      if (thread === undefined) return []
      const isMine = thread.agentId === agentId
      const has = (id: AgentId) => thread.agentId === id || thread.askedIn.includes(id)
      return (of.get(threadId) ?? []).filter((d) => d.agentId === agentId || (isMine && !has(d.agentId) && d.text !== ''))
    },
    tidy(state) {
      for (const threadId of of.keys()) {
        const thread = get(state.threads, threadId)
        if (thread === undefined || isOverThread(thread)) void put(threadId, [])
      }
    },
  }
}

/** Whoever has the piece or reads along, and whoever has begun something in it before it went on. */
export function mayDraft(state: FloorState, drafts: Drafts, threadId: WorkId, agentId: AgentId): boolean {
  const thread = get(state.threads, threadId)
  if (thread === undefined || isOverThread(thread)) return false
  return thread.agentId === agentId || thread.askedIn.includes(agentId) || drafts.seenBy(state, threadId, agentId).some((d) => d.agentId === agentId)
}
