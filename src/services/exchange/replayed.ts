// What those who answer for the floor would have seen of a floor as it was: the same parts a tab is sent of the one that runs.
import type { AgentId } from '@/core/ids'
import type { FloorState } from '@/core/state'
import { values } from '@/core/table'
import { callersOf } from './callers'
import { parkedView } from './parked-view'
import { piecesOf } from './pieces'
import type { FloorView } from './protocol'
import type { Scenario } from './scenario'
import { seatView } from './seat-view'
import { callbackView, campaignView, queueView, selectCentre, selectMe, selectMine } from './views'
import { watchedSeats } from './watched'

export type Replayed = Pick<
  FloorView,
  'centre' | 'seats' | 'queues' | 'parked' | 'callbacks' | 'tasks' | 'campaigns' | 'watched' | 'callers' | 'pieces' | 'me' | 'calls' | 'work'
>

/** `boardOf`: whose desk; null for nobody’s. What the lists and the dialer knew besides is not kept, and left out. */
export function replayed(state: FloorState, scenario: Pick<Scenario, 'places' | 'people'>, boardOf: AgentId | null): Replayed {
  const { setUp } = state
  return {
    centre: selectCentre(state, scenario),
    seats: setUp.agents.filter((a) => !a.retired).map((a) => seatView(state, a)),
    queues: setUp.queues.filter((q) => !q.retired).map((q) => queueView(state, q)),
    parked: values(state.calls).flatMap((call) => parkedView(state, call) ?? []),
    callbacks: values(state.callbacks).map(callbackView),
    tasks: values(state.tasks),
    campaigns: setUp.campaigns.filter((c) => !c.retired).map((c) => campaignView(state, c, { left: null, reasons: null })),
    watched: watchedSeats(state),
    callers: callersOf(state),
    pieces: piecesOf(state),
    me: selectMe(state, boardOf),
    ...selectMine(state, boardOf),
  }
}
