// What the floor tells the history, over a port that a tab has brought: what is stored, and whose tab it is. The history asks for each answer whose
// it is; rights are the floor's to say.
import type { AgentId } from '@/core/ids'
import { openAccount, unentitled } from '@/core/rules/rights'
import type { FloorState } from '@/core/state'
import type { Floor } from './answering'
import type { LedgerWriter } from './store'
import type { Tab } from './tab'

export type Whose = { readonly id: AgentId; readonly everybody: boolean } | null

export interface FloorForHistory {
  /** Of this worker: another one is another floor's, or the same that was opened again. */
  run(): string
  /** Of the ledger, as it is read by now: another one where places of it have been given other entries. */
  floorId(): string
  /** NDJSON after an entry, through another one or to the end. */
  read(afterSeq: number, throughSeq: number | null): Promise<string>
  /** Calls whenever more is stored. */
  watch(tell: () => void): void
  /** Whose tab it is, and whether they see everybody's results; null while nobody is signed in. Of a page that is locked, once it is open again. */
  account(): Promise<Whose>
  /** Whoever sits at the tab has taken out a file, or looked somebody up. */
  did(what: 'exported' | 'lookedUp', about: string): void
}

/** What is answered over the port. */
export const FOR_HISTORY = ['run', 'floorId', 'read', 'watch', 'account', 'did'] as const satisfies readonly (keyof FloorForHistory)[]

export function createForHistory(run: string, edition: number, state: () => FloorState, writer: Pick<LedgerWriter, 'read'>, noted: Floor['noted']) {
  const watchers = new Set<() => void>()
  return {
    stored() {
      for (const tell of watchers) tell()
    },
    of: (tab: Tab): FloorForHistory => ({
      run: () => run,
      floorId: () => `${state().floorId}${edition === 0 ? '' : `.${edition}`}`,
      read: (afterSeq, throughSeq) => writer.read(afterSeq, throughSeq ?? Infinity),
      watch: (tell) => void watchers.add(tell),
      account: () => whenOpen(tab).then(() => accountOf(state(), tab.accountId)),
      did: (what, about) => noted(what, tab.accountId, about.slice(0, 200)),
    }),
  }
}

const whenOpen = (tab: Tab): Promise<void> => (tab.locked ? new Promise((resolve) => tab.waiting.add(resolve)) : Promise.resolve())

export function accountOf(state: FloorState, id: AgentId | null): Whose {
  if (id === null || openAccount(state.setUp, id) === undefined) return null
  return { id, everybody: unentitled(state, id, 'supervision') === null }
}
