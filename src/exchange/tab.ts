// A tab at the floor's end: its port, its seat or device, and what it has been sent.
import type { AgentId } from '@/core/ids'
import type { FloorMessage, FloorView } from './protocol'

/** The smallest port that works; a MessagePort is one, and so is a pair of functions in a test. */
export interface TabPort {
  postMessage(message: FloorMessage): void
}

export interface Tab {
  readonly port: TabPort
  agentId: AgentId | null
  /** Whose sound is prepared here before their shift. */
  soundFor: AgentId | null
  /** Set when the tab is the window of an agent's device. */
  device: { readonly is: 'handset' | 'ownPhone'; readonly agentId: AgentId } | null
  seatMoved: FloorView['seatMoved']
  readonly sent: Map<keyof FloorView, string>
}

/** Parts of a view that differ from tab to tab. */
const OWN_PARTS: readonly (keyof FloorView)[] = ['me', 'calls', 'contacts', 'sound', 'device', 'seatMoved']

/** Sends a tab the parts of its view that changed. `sharedJson` remembers, for one round of tabs, what is the same for all of them. */
export function show(tab: Tab, view: FloorView, sharedJson: Map<keyof FloorView, string>): void {
  const changes: Partial<Record<keyof FloorView, unknown>> = {}
  for (const part of Object.keys(view) as (keyof FloorView)[]) {
    const isShared = !OWN_PARTS.includes(part)
    const json = revisionOf(part, view) ?? (isShared ? sharedJson.get(part) : undefined) ?? JSON.stringify(view[part])
    if (isShared) sharedJson.set(part, json)
    if (tab.sent.get(part) === json) continue
    tab.sent.set(part, json)
    changes[part] = view[part]
  }
  if (Object.keys(changes).length > 0) tab.port.postMessage({ kind: 'view', changes: changes as Partial<FloorView> })
}

/** Parts that are large and seldom changed say so by their revision. */
function revisionOf(part: keyof FloorView, { floor, centre, promises }: FloorView): string | undefined {
  if (part === 'centre') return `${floor.floorId} ${centre.revision}`
  return part === 'promises' ? `${floor.floorId} ${promises.revision}` : undefined
}
