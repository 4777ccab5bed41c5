// Who wrote to an address last, so that an answer to what is over comes back to them.
import type { Written } from '@/core/channels'
import type { AgentId, WorkId } from '@/core/ids'
import { DAY, type EpochMs } from '@/core/time'
import type { Thread } from './thread'

export interface LastWrote {
  readonly threadId: WorkId
  readonly agentId: AgentId
  readonly atMs: EpochMs
}

/** Who answers after longer than this begins something new. */
export const COMES_BACK_MS = 7 * DAY

export const addressKey = ({ channel, address }: { readonly channel: Written; readonly address: string }): string => `${channel} ${address.toLowerCase()}`

/** Of a mail or a text that somebody of the centre has answered; null of all others: nobody goes on with a chat. */
export function lastWroteIn({ id: threadId, channel, lines }: Thread): LastWrote | null {
  const ours = channel === 'chat' ? undefined : lines.findLast((line) => line.byAgentId !== null && !line.aside)
  return ours?.byAgentId == null ? null : { threadId, agentId: ours.byAgentId, atMs: ours.atMs }
}
