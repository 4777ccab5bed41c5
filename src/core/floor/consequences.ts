// What an act on agents or queues would come to, without doing it: the same decision, looked at and taken back.
import type { AgentStateName } from '@/core/agents'
import type { AgentId, CallId, QueueId } from '@/core/ids'
import { queueStanding } from '@/core/rules/door'
import { type FloorState, rowBefore, touched } from '@/core/state'
import { get } from '@/core/table'
import type { AgentCommand } from './command'
import { type Context, suppose } from './decide'
import type { FloorRefusal } from './refusal'

type Standing = ReturnType<typeof queueStanding>

export type Consequences =
  | {
      readonly ok: true
      /** Queues that would stand otherwise. */
      readonly queues: readonly { readonly queueId: QueueId; readonly before: Standing; readonly after: Standing }[]
      /** Waiting calls that would ring at once, and where. */
      readonly rings: readonly { readonly callId: CallId; readonly agentId: AgentId }[]
      /** Agents who would be in another state. */
      readonly agents: readonly { readonly agentId: AgentId; readonly state: AgentStateName; readonly reason: string | null }[]
      /** Agents in the middle of something who would be ready, or not, once it is over. */
      readonly afterwards: readonly { readonly agentId: AgentId; readonly ready: boolean; readonly reason: string | null }[]
    }
  | { readonly ok: false; readonly refusal: FloorRefusal }

/** Refuses what `decide` would refuse, with the same reason. */
export function consequences(state: FloorState, command: AgentCommand, context: Context): Consequences {
  const queueIds = state.setUp.queues.flatMap((q) => (q.retired ? [] : [q.id]))
  const standings = () => queueIds.map((id) => queueStanding(state, id))
  const before = standings()
  return suppose<Consequences>(state, command, context, ({ journal }) => {
    const after = standings()
    const agentIds = [...touched(journal, 'agents')] as AgentId[]
    return {
      ok: true,
      queues: queueIds.flatMap((queueId, i) => {
        const [was, is] = [before[i], after[i]]
        return was === undefined || is === undefined || JSON.stringify(was) === JSON.stringify(is) ? [] : [{ queueId, before: was, after: is }]
      }),
      rings: [...touched(journal, 'calls')].flatMap((id) => {
        const was = rowBefore({ state, journal }, 'calls', id)
        const call = get(state.calls, id)
        const rung = call?.connections.find(
          (c) => c.party.kind === 'agent' && c.state === 'alerting' && !was?.connections.some((w) => w.deviceId === c.deviceId),
        )?.party
        return call !== undefined && rung?.kind === 'agent' ? [{ callId: call.id, agentId: rung.agentId }] : []
      }),
      agents: agentIds.flatMap((agentId) => {
        const [was, is] = [rowBefore({ state, journal }, 'agents', agentId), get(state.agents, agentId)]
        const same = was?.state.name === is?.state.name && was?.state.reason === is?.state.reason
        return is === undefined || same ? [] : [{ agentId, state: is.state.name, reason: is.state.reason }]
      }),
      afterwards: agentIds.flatMap((agentId) => {
        const [was, is] = [rowBefore({ state, journal }, 'agents', agentId), get(state.agents, agentId)]
        const [before, then] = [was?.availability, is?.availability]
        const changes = before?.ready !== then?.ready || before?.reason !== then?.reason
        return then === undefined || is?.shift == null || is.engagements.length + is.wrapUps.length === 0 || !changes ? [] : [{ agentId, ...then }]
      }),
    }
  })
}
