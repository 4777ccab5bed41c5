// A tab at the floor's end: its port, whose it is, its seat or device, and what it has been sent.
import type { AgentId } from '@/core/ids'
import type { FloorMessage, FloorView, ListChanges, TabView } from './protocol'

/** The smallest port that works; a MessagePort is one, and so is a pair of functions in a test. */
export interface TabPort {
  postMessage(message: FloorMessage): void
}

export interface Tab {
  readonly port: TabPort
  /** Whose port it is: who has shown the PIN, or held the key. */
  accountId: AgentId | null
  key: string | null
  /** Settles when it is known whose port this is; null when it is. */
  binding: Promise<void> | null
  /** Nobody has touched it for so long that it asks for the PIN again before anything more is done here. */
  locked: boolean
  /** Who waits for that: history and lists answer nothing meanwhile. */
  readonly waiting: Set<() => void>
  /** When its key was last said to be in use. */
  keyUsedAtMs: number
  /** Rounds of the pulse since it was last touched. */
  untouched: number
  /** Why nobody is signed in here any more, where they did not ask for it. */
  because: string | null
  /** The agent whose shift is at this tab; always the account. */
  agentId: AgentId | null
  /** The account's sound is prepared here before the shift. */
  soundHere: boolean
  /** Set when the tab is the window of an agent's device. */
  device: { readonly is: 'handset' | 'ownPhone'; readonly agentId: AgentId } | null
  seatMoved: FloorView['seatMoved']
  /** How often it was asked since it was last heard of whether it is there. */
  unheard: number
  /** The last press that may be counted twice, such as Hold. */
  pressed: { readonly press: string; readonly atMs: number } | null
  readonly sent: Map<keyof TabView, string>
  /** It has the lists everybody sees: from then on what changes of them is enough. */
  hasLists: boolean
}

export const createTab = (port: TabPort): Tab => ({
  port,
  accountId: null,
  key: null,
  binding: null,
  locked: false,
  waiting: new Set(),
  keyUsedAtMs: 0,
  untouched: 0,
  because: null,
  agentId: null,
  soundHere: false,
  device: null,
  seatMoved: null,
  unheard: 0,
  pressed: null,
  sent: new Map(),
  hasLists: false,
})

/** Parts of a view that are the same for every tab; whatever is not named here is a tab's own, and written down for it alone. */
const SHARED_PARTS: readonly (keyof TabView)[] = ['floor', 'centre', 'doNotCall', 'people']

/** Sends a tab the parts of its view that changed. `sharedJson` remembers, for one round of tabs, what is the same for all of them. */
export function show(tab: Tab, view: Partial<TabView>, lists: ListChanges | null, atMs: number, sharedJson: Map<keyof TabView, string>): void {
  const changes: Partial<Record<keyof TabView, unknown>> = {}
  for (const part of Object.keys(view) as (keyof TabView)[]) {
    const isShared = SHARED_PARTS.includes(part)
    const json = revisionOf(part, view) ?? (isShared ? sharedJson.get(part) : undefined) ?? JSON.stringify(view[part])
    if (isShared) sharedJson.set(part, json)
    if (tab.sent.get(part) === json) continue
    tab.sent.set(part, json)
    changes[part] = view[part]
  }
  if (lists !== null) tab.hasLists = true
  if (lists !== null || Object.keys(changes).length > 0) tab.port.postMessage({ kind: 'view', atMs, changes: changes as Partial<TabView>, lists: lists ?? {} })
}

/** The tab has forgotten all it was sent but what stands at the door. */
export function forgetSent(tab: Tab): void {
  for (const part of [...tab.sent.keys()]) if (part !== 'floor') tab.sent.delete(part)
  tab.hasLists = false
}

/** A part that is large and seldom changed says so by its revision. */
const revisionOf = (part: keyof TabView, { floor, centre }: Partial<TabView>): string | undefined =>
  part === 'centre' && centre !== undefined ? `${floor?.floorId} ${centre.revision}` : undefined
