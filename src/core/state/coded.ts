// Which calls were coded by whom on the shifts that are on.
import type { AgentId, CallId } from '@/core/ids'
import type { FloorState } from './floor-state'
import type { Coded } from './rows'

/** Each agent codes their own part of a call. */
export const codedKey = (callId: CallId, agentId: AgentId): string => `${callId} ${agentId}`

/** The part of somebody who coded the call; of several, whose id comes first. */
export function codedBySomebody({ coded }: Pick<FloorState, 'coded'>, callId: CallId): Coded | undefined {
  let first: Coded | undefined
  for (const part of coded.values()) if (part.callId === callId && (first === undefined || part.agentId < first.agentId)) first = part
  return first
}
