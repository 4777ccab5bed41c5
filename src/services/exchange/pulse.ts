// Whether the desks are there. A tab that is closed says good-bye, one that crashed does not: whoever has a shift is asked every few seconds, and answers at
// once. What is counted are questions and not time, so that a floor that slept itself takes nobody for gone; a tab in the background answers as well, because
// browsers slow down its clocks and not its messages.
import type { AgentId } from '@/core/ids'
import type { FloorState } from '@/core/state'
import { get, values } from '@/core/table'
import { BEAT } from './floor-port'
import type { Tab } from './tab'

export const EVERY_MS = 4_000
/** So many questions without an answer, and the desk is lost. A page that is loaded anew is there again before the second. */
const MOST_UNHEARD = 2

export const isBeat = (data: unknown): data is typeof BEAT => data === BEAT

interface Options {
  readonly tabs: ReadonlySet<Tab>
  readonly state: () => FloorState
  readonly report: (kind: 'reportDeskLost' | 'reportDeskBack', agentId: AgentId) => void
  readonly again: (inMs: number, next: () => void) => void
  /** With every round. */
  readonly beats: () => void
  /** Nobody has touched it for as long as the centre allows. */
  readonly lock: (tab: Tab) => void
}

export interface Pulse {
  begin(): void
  heard(tab: Tab): void
}

export function createPulse({ tabs, state, report, again, beats, lock }: Options): Pulse {
  /** Of desks that no tab has: how often they were missed. */
  const missed = new Map<AgentId, number>()

  const round = () => {
    beats()
    const { lockAfterMs } = state().setUp
    for (const tab of tabs) {
      // A device lies on a desk, and has one thing it can do.
      if (tab.accountId === null || tab.device !== null || tab.locked) continue
      if (lockAfterMs !== null && ++tab.untouched * EVERY_MS >= lockAfterMs) lock(tab)
    }
    for (const { id, shift } of values(state().agents)) {
      if (shift?.seat !== 'desk') {
        missed.delete(id)
        continue
      }
      const desk = [...tabs].find((t) => t.agentId === id)
      const unheard = desk?.unheard ?? missed.get(id) ?? 0
      if (unheard >= MOST_UNHEARD && shift.deskLost === null) report('reportDeskLost', id)
      if (desk !== undefined && unheard === 0 && shift.deskLost !== null) report('reportDeskBack', id)
      if (desk === undefined) missed.set(id, unheard + 1)
      else {
        missed.delete(id)
        desk.unheard++
        desk.port.postMessage({ kind: 'pulse' })
      }
    }
    again(EVERY_MS, round)
  }

  return {
    begin: () => again(EVERY_MS, round),
    heard(tab) {
      tab.unheard = 0
      const { agentId } = tab
      // Back at once, not with the next question: somebody may be waiting with music.
      if (agentId !== null && get(state().agents, agentId)?.shift?.deskLost != null) report('reportDeskBack', agentId)
    },
  }
}
