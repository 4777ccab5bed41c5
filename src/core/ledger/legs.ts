// The agents' parts of one call: how long it rang at each, was talked, held and wrapped up, and in which role. An agent who
// comes back to a call goes on with the leg they had.
import { agentConnection, agentsOn, type Call, type CallChange, type CallEvent, isOnLine, takesPart } from '@/core/calls'
import type { AgentId } from '@/core/ids'
import type { EpochMs } from '@/core/time'
import type { ClosedStretch } from './closed'
import type { AgentLeg } from './record'

type Phase = 'ring' | 'talk' | 'hold'
interface OpenLeg {
  readonly leg: AgentLeg
  /** null while the agent is away from the call. */
  phase: Phase | null
  sinceMs: EpochMs
  /** When they came to the call the last time. */
  cameAtMs: EpochMs
  wrapUpSinceMs: EpochMs | null
}

/** Plain data: it is stored with what is folded so far. */
export interface Legs {
  readonly legs: Map<AgentId, OpenLeg>
  /** Rings in vain: of somebody who has the call later they are part of their leg. */
  readonly inVain: Map<AgentId, { readonly fromMs: EpochMs; readonly ringMs: number }>
}

export const createLegs = (): Legs => ({ legs: new Map(), inVain: new Map() })

export function followLegs({ legs, inVain }: Legs, { before, after }: CallChange, event: CallEvent, atMs: EpochMs, nameOf: (id: AgentId) => string): void {
  for (const agentId of new Set([...(before === undefined ? [] : agentsOn(before)), ...(after === null ? [] : agentsOn(after))])) {
    const was = before && agentConnection(before, agentId)
    const is = after === null ? undefined : agentConnection(after, agentId)
    const phase = is === undefined || is.state === 'failed' || !takesPart(is) || after === null ? null : phaseOf(after, agentId)
    // Joining two calls ends one and goes on in the other: the leg does not notice.
    if (event.kind === 'callsJoined' && after === null) continue
    // The one who consults has their leg on the call it is about.
    if ((after ?? before)?.consultFor != null && isConsulting((after ?? before) as Call, agentId)) continue
    const open = legs.get(agentId) ?? (phase === null ? undefined : blankLeg(nameOf(agentId), agentId, inVain.get(agentId), atMs))
    if (open === undefined) continue
    legs.set(agentId, open)
    settle(open, atMs)
    if (open.phase === null && phase !== null) open.cameAtMs = atMs
    open.phase = phase
    open.sinceMs = atMs
    // A ring in vain is in the ledger; the record lists who took part.
    if (phase === null && was?.state === 'alerting' && open.leg.talkMs + open.leg.holdMs + open.leg.wrapUpMs === 0) {
      inVain.set(agentId, { fromMs: open.leg.fromMs, ringMs: open.leg.ringMs })
      legs.delete(agentId)
    } else if (phase !== 'ring' && phase !== null)
      open.leg.role = roleOf(open.leg, was?.state === 'alerting' || (was !== undefined && !takesPart(was)), before, after as Call, agentId)
  }
  if (event.kind === 'callTransferred' && event.how === 'attended' && event.to.kind === 'agent') {
    const open = legs.get(event.to.agentId)
    if (open !== undefined) open.leg.role = 'transferredTo'
  }
  if (event.kind === 'callTakenOver') {
    const open = legs.get(event.byAgentId)
    if (open !== undefined) open.leg.role = 'transferredTo'
  }
  if (event.kind === 'callsJoined' && after !== null)
    for (const [id, open] of legs) if (open.leg.role === 'consulted' && agentsOn(after).includes(id)) open.leg.role = 'joined'
}

export function wrapUpLeg({ legs }: Legs, agentId: AgentId, begins: boolean, atMs: EpochMs): void {
  const open = legs.get(agentId)
  if (open === undefined) return
  if (!begins && open.wrapUpSinceMs !== null) open.leg.wrapUpMs += atMs - open.wrapUpSinceMs
  open.wrapUpSinceMs = begins ? atMs : null
}

/** Of a stretch in which nobody was there nothing counts: clocks that run stop at its beginning and go on from its end. */
export function closedOver({ legs }: Legs, { fromMs, toMs }: ClosedStretch): void {
  for (const open of legs.values()) {
    const { phase, wrapUpSinceMs } = open
    if (phase !== null) {
      open.leg[`${phase}Ms`] += Math.max(0, fromMs - open.sinceMs)
      open.sinceMs = toMs
    }
    if (wrapUpSinceMs === null) continue
    open.leg.wrapUpMs += Math.max(0, fromMs - wrapUpSinceMs)
    open.wrapUpSinceMs = toMs
  }
}

/** Whether the first agent's leg began after the second's. */
export const cameLater = ({ legs }: Legs, agentId: AgentId, than: AgentId): boolean => (legs.get(agentId)?.cameAtMs ?? 0) > (legs.get(than)?.cameAtMs ?? 0)

export const listLegs = ({ legs }: Legs): AgentLeg[] => [...legs.values()].map((l) => ({ ...l.leg }))

/** Nobody wraps it up any more. */
export const isWrappedUp = ({ legs }: Legs): boolean => [...legs.values()].every((l) => l.wrapUpSinceMs === null)

function settle(open: OpenLeg, atMs: EpochMs): void {
  if (open.phase === null) return
  open.leg[`${open.phase}Ms`] += atMs - open.sinceMs
  open.leg.toMs = atMs
  open.sinceMs = atMs
}

const blankLeg = (agent: string, agentId: AgentId, before: { readonly fromMs: EpochMs; readonly ringMs: number } | undefined, atMs: EpochMs): OpenLeg => ({
  leg: {
    agentId,
    agent,
    fromMs: before?.fromMs ?? atMs,
    toMs: atMs,
    ringMs: before?.ringMs ?? 0,
    talkMs: 0,
    holdMs: 0,
    wrapUpMs: 0,
    role: 'handled',
  },
  cameAtMs: atMs,
  phase: null,
  sinceMs: atMs,
  wrapUpSinceMs: null,
})

/** Ringing until two hear each other; then talk, or hold while the agent's own end is held. */
function phaseOf(call: Call, agentId: AgentId): Phase {
  const mine = agentConnection(call, agentId)
  if (mine?.state === 'held') return 'hold'
  return mine?.state === 'connected' && call.connections.some((c) => c !== mine && isOnLine(c)) ? 'talk' : 'ring'
}

/** The agent who opened a consult is its first connection for as long as they are on it. */
const isConsulting = (call: Call, agentId: AgentId): boolean => call.connections[0]?.party.kind === 'agent' && call.connections[0].party.agentId === agentId

/** Decided when an agent comes onto the line: by how the call came to them. */
function roleOf(leg: AgentLeg, justAnswered: boolean, before: Call | undefined, after: Call, agentId: AgentId): AgentLeg['role'] {
  if (after.consultFor !== null) return 'consulted'
  if (!justAnswered || leg.talkMs > 0) return leg.role
  if (before?.handover?.kind === 'transfer' || before?.handover?.kind === 'park') return 'transferredTo'
  return agentsOn(after).some((id) => id !== agentId && isOnLine(agentConnection(after, id) as Call['connections'][number])) ? 'joined' : 'handled'
}
