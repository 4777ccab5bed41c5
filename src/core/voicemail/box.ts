// Whose mailbox: an agent's, or a queue's, whose agents share what is left there.
import { type DeviceId, deviceOfVoicemail } from '@/core/ids'
import type { Box } from './schema'

export const boxKey = (box: Box): string => (box.kind === 'agent' ? box.agentId : box.queueId)

export const deviceOfBox = (box: Box): DeviceId => deviceOfVoicemail(box.kind === 'agent' ? box.agentId : box.queueId)

type Named = readonly { readonly id: string; readonly name: string }[]

/** The name of whose it is; null when nobody of that id was ever set up. */
export const boxOwner = ({ agents, queues }: { readonly agents: Named; readonly queues: Named }, box: Box): string | null =>
  (box.kind === 'agent' ? agents.find((a) => a.id === box.agentId) : queues.find((q) => q.id === box.queueId))?.name ?? null
