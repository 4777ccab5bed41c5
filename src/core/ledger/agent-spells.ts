// The clocks of agents: which state each was in from when to when, and how much of it belongs to what they had in hand.
import { type Agent, createAgent, evolveAgent, withoutTime } from '@/core/agents'
import type { Call } from '@/core/calls'
import type { AgentId, CallId, WorkId } from '@/core/ids'
import { agentName, type SetUp } from '@/core/set-up'
import type { EpochMs } from '@/core/time'
import type { ClosedStretch } from './closed'
import type { FolderState, Shown } from './folder-state'
import type { AgentInterval } from './record'
import { type OpenThread, piecesOf, shareOut } from './written'

/** What of the folder it stands on. */
interface Of {
  readonly known: () => SetUp
  readonly state: FolderState
  readonly written: Map<WorkId, OpenThread>
  readonly sharing: Map<AgentId, { readonly sinceMs: EpochMs; readonly pieces: readonly WorkId[] }>
  readonly callOf: (id: CallId) => Call | undefined
}

export type AgentsEvent = Parameters<typeof evolveAgent>[1]

export function createAgentSpells({ known, state, written, sharing, callOf }: Of) {
  const { agents, shown } = state
  const setAgent = (before: Agent, after: Agent, atMs: EpochMs) => {
    if (after === before) return
    agents.set(after.id, after)
    share(after, atMs)
    report(after, atMs)
  }
  /** What has passed of the agent's clock belongs to what they had in hand until now. */
  const share = (agent: Agent, atMs: EpochMs) => {
    const was = sharing.get(agent.id)
    const pieces = piecesOf(agent)
    if (was !== undefined) shareOut(written, agent.id, was.pieces, atMs - was.sinceMs)
    if (pieces.length === 0) sharing.delete(agent.id)
    else sharing.set(agent.id, { sinceMs: atMs, pieces })
  }
  const report = (agent: Agent, atMs: EpochMs) => {
    const was = shown.get(agent.id)
    const is = shownState(agent, callOf)
    if (was !== undefined && was.state === is.state && was.reason === is.reason && was.stateSinceMs === agent.state.sinceMs) return
    // A new spell in the same state begins a new interval only where the floor says so: a call after a call.
    if (was !== undefined) {
      const interval = toInterval(known(), agent.id, was, atMs)
      if (interval !== null) state.intervals.push(interval)
    }
    shown.set(agent.id, { ...is, sinceMs: atMs, stateSinceMs: agent.state.sinceMs })
  }
  const agent = (id: AgentId): Agent => agents.get(id) ?? createAgent(id)
  /** What an agent has done, or has happened to them. */
  const agentDid = (event: AgentsEvent, atMs: EpochMs) => setAgent(agent(event.agentId), evolveAgent(agent(event.agentId), event, atMs), atMs)

  /** What they were at ends with the stretch's beginning and goes on from its end; between them stands that nobody was there. */
  const closedOver = ({ fromMs, toMs }: ClosedStretch) => {
    for (const [id, is] of shown) {
      if (is.state === 'signedOut') continue
      const before = toInterval(known(), id, is, fromMs)
      const closed = toInterval(known(), id, { ...is, state: 'floorClosed', reason: null, sinceMs: Math.max(fromMs, is.sinceMs) }, toMs)
      state.intervals.push(...[before, closed].filter((i) => i !== null))
      const had = agent(id)
      const on = withoutTime(had, toMs - fromMs)
      agents.set(id, on)
      shown.set(id, { ...is, sinceMs: toMs, stateSinceMs: on.state.sinceMs })
      const shares = sharing.get(id)
      if (shares === undefined) continue
      shareOut(written, id, shares.pieces, Math.max(0, fromMs - shares.sinceMs))
      sharing.set(id, { ...shares, sinceMs: toMs })
    }
  }

  /** The one that is still running ends at `nowMs`. */
  const intervals = (nowMs: EpochMs): readonly AgentInterval[] => [
    ...state.intervals,
    ...[...shown].flatMap(([id, is]) => toInterval(known(), id, is, nowMs) ?? []),
  ]
  return { agent, agentDid, setAgent, report, closedOver, intervals }
}

/** Dialling is no handling: who has called somebody who has not answered talks with nobody yet. */
function shownState(agent: Agent, callOf: (id: CallId) => Call | undefined): Pick<Shown, 'state' | 'reason'> {
  const { name, reason } = agent.state
  if (name !== 'onCall') return { state: name, reason }
  const live = agent.engagements.filter((e) => e.state !== 'alerting').map((e) => callOf(e.callId))
  const dials = live.length > 0 && live.every((call) => call?.direction === 'outbound' && call.answeredAtMs === null)
  return { state: dials ? 'dialling' : 'onCall', reason }
}

function toInterval(setUp: SetUp, agentId: AgentId, { state, reason, sinceMs }: Shown, toMs: EpochMs): AgentInterval | null {
  if (state === 'signedOut' || toMs <= sinceMs) return null
  return { agentId, agent: agentName(setUp, agentId), state, reason, fromMs: sinceMs, toMs }
}
