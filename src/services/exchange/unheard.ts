// Who listens in unseen: where the centre's rule says so, nobody on a call is shown who only listens to it.
import { type Call, type Ear, takesPart } from '@/core/calls'
import { type AgentId, deviceOfAgent } from '@/core/ids'
import type { FloorState } from '@/core/state'

interface Seen {
  readonly call: Call
  readonly ears: readonly Ear[]
}

/** The call as this agent is shown it: without those who only listen, where the set-up hides them and it is not the agent who does. */
export function seenBy({ setUp }: Pick<FloorState, 'setUp'>, view: Seen, agentId: AgentId): Seen {
  if (setUp.listeningIsShown) return view
  const mine = deviceOfAgent(agentId)
  const hidden = new Set(view.call.connections.filter((c) => c.role === 'listens' && c.deviceId !== mine).map((c) => c.deviceId))
  const listens = view.call.connections.some((c) => c.deviceId === mine && !takesPart(c))
  if (hidden.size === 0 || listens) return view
  return {
    call: { ...view.call, connections: view.call.connections.filter((c) => !hidden.has(c.deviceId)) },
    ears: view.ears.filter((e) => !hidden.has(e.listener) && !hidden.has(e.speaker)),
  }
}
