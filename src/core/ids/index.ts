// Branded identifiers. Outside text becomes an id only through the schemas here; two kinds of id never mix
// at compile time although all of them are strings at run time.
import * as z from 'zod'

export const AgentIdSchema = z.string().startsWith('agent_').brand<'AgentId'>()
export const QueueIdSchema = z.string().startsWith('queue_').brand<'QueueId'>()
export const CallIdSchema = z.string().startsWith('call_').brand<'CallId'>()
export const DeviceIdSchema = z.string().startsWith('dev_').brand<'DeviceId'>()
export const ScriptIdSchema = z.string().startsWith('script_').brand<'ScriptId'>()
export const OutcomeSetIdSchema = z.string().startsWith('outcomes_').brand<'OutcomeSetId'>()

export type AgentId = z.infer<typeof AgentIdSchema>
export type QueueId = z.infer<typeof QueueIdSchema>
export type CallId = z.infer<typeof CallIdSchema>
export type DeviceId = z.infer<typeof DeviceIdSchema>
export type ScriptId = z.infer<typeof ScriptIdSchema>
export type OutcomeSetId = z.infer<typeof OutcomeSetIdSchema>

/** The device an agent is reached on: one per agent until an agent may have several. */
export const deviceOfAgent = (agentId: AgentId): DeviceId => toDeviceId(`dev_${agentId}`)

/** The pseudo-device that holds a call while it waits (ECMA-269 calls it an ACD device). */
export const deviceOfQueue = (queueId: QueueId): DeviceId => toDeviceId(`dev_${queueId}`)

/** The `n`-th outside party of a call. */
export const deviceOutside = (callId: CallId, n: number): DeviceId => toDeviceId(`dev_out_${callId}_${n}`)

/** Each `toX` throws when the text lacks its prefix: inside the product that is a bug, not input. */
export const toAgentId = (text: string): AgentId => prefixed(text, 'agent_') as AgentId
export const toQueueId = (text: string): QueueId => prefixed(text, 'queue_') as QueueId
export const toCallId = (text: string): CallId => prefixed(text, 'call_') as CallId
export const toDeviceId = (text: string): DeviceId => prefixed(text, 'dev_') as DeviceId
export const toScriptId = (text: string): ScriptId => prefixed(text, 'script_') as ScriptId
export const toOutcomeSetId = (text: string): OutcomeSetId => prefixed(text, 'outcomes_') as OutcomeSetId

function prefixed(text: string, prefix: string): string {
  if (!text.startsWith(prefix)) throw new Error(`"${text}" is not an id that starts with ${prefix}`)
  return text
}
