// Messages: left overnight with colleagues and queues, listened to when somebody comes to work, and called back for.
import { createChance, seedFor } from '@/core/chance'
import { type AgentId, deviceOutside } from '@/core/ids'
import { agentOfDevice, type FloorState } from '@/core/state'
import { get, values } from '@/core/table'
import { MINUTE, SECOND } from '@/core/time'
import type { Box, Message } from '@/core/voicemail'
import { type Acts, chanceIn, type Scene, type Sees } from './scene'

/** Each colleague finds as many in the morning. */
const OVERNIGHT = 2
/** With a queue that takes them at most as many. */
const WITH_QUEUE = 3
/** After closing, and before the day's ledger ends. */
const EVENING_MS = 38 * MINUTE
const LISTENS_AFTER_MS = 40 * SECOND
const KEEPS_OFTEN = 0.3
/** Until who left it is dialled. */
const THINKS_MS = 4 * SECOND

/** Some ring when everybody has gone. */
export function ringOvernight(scene: Scene, floor: FloorState, closesAtMs: number): void {
  const { seed, dayNo } = scene.memory
  const chance = createChance(seedFor(seed, `overnight ${dayNo}`))
  const leave = (box: Box) => scene.note(closesAtMs + chance.next() * EVENING_MS, { kind: 'ringMailbox', box })
  for (const { id, role, retired } of floor.setUp.agents)
    if (role === 'agent' && !retired) for (let i = 0; i < OVERNIGHT; i++) leave({ kind: 'agent', agentId: id })
  for (const { id, takesMessages, retired } of floor.setUp.queues)
    if (takesMessages && !retired) for (let i = Math.round(chance.next() * WITH_QUEUE); i > 0; i--) leave({ kind: 'queue', queueId: id })
}

export const MESSAGES: Acts<'ringMailbox' | 'hearMessage' | 'callMessageBack'> = {
  ringMailbox({ stage: { records }, memory: { seed } }, { box }, floor) {
    const chance = createChance(seedFor(seed, `mailbox ${floor.callCount} ${floor.seq}`))
    const number = records.someone(chance)
    const people = records.byNumber(number, floor.struck)
    const [only] = people
    return [{ kind: 'mailboxRings', box, number, ...(people.length === 1 && only !== undefined ? { customer: only } : { customer: null, matches: people }) }]
  },
  /** Not in the middle of something. */
  hearMessage(scene, act, floor, atMs) {
    const { agentId, messageId } = act
    const agent = get(floor.agents, agentId)
    if (get(floor.messages, messageId)?.heard !== false || agent?.shift == null) return []
    if (agent.engagements.length > 0) {
      scene.note(atMs + MINUTE, act)
      return []
    }
    const keeps = createChance(seedFor(scene.memory.seed, `keeps ${messageId}`)).next() < KEEPS_OFTEN
    return [{ kind: 'markMessage', agentId, messageId, heard: true }, ...(keeps ? [] : [{ kind: 'deleteMessage', agentId, messageId } as const])]
  },
  /** When it is time to go home, nobody begins a talk. */
  callMessageBack({ memory }, { agentId, callId }, floor) {
    const call = get(floor.calls, callId)
    return [call?.keptFor == null || memory.pace === 'quiet' ? { kind: 'hangUp', agentId, callId } : { kind: 'callMessageBack', agentId, callId }]
  },
}

const isTheirs = ({ box, heard }: Message, agentId: AgentId): boolean => box.kind === 'agent' && box.agentId === agentId && !heard

export const MESSAGES_SEE: Sees = {
  shiftStarted({ memory, note }, { agentId }, floor, atMs) {
    if (!memory.plays.has(agentId)) return
    const unheard = values(floor.messages).filter((m) => isTheirs(m, agentId))
    for (const [i, { id }] of unheard.entries()) note(atMs + LISTENS_AFTER_MS * (i + 1), { kind: 'hearMessage', agentId, messageId: id })
  },
  messageLeft({ memory, note }, { box, messageId }, _, atMs) {
    if (box.kind === 'agent' && memory.plays.has(box.agentId)) note(atMs + 2 * MINUTE, { kind: 'hearMessage', agentId: box.agentId, messageId })
  },
  messageForwarded({ memory, note }, { box, messageId }, _, atMs) {
    if (box.kind === 'agent' && memory.plays.has(box.agentId)) note(atMs + 2 * MINUTE, { kind: 'hearMessage', agentId: box.agentId, messageId })
  },
  /** They listen to all of it first. */
  connectionEstablished(scene, { callId, deviceId }, floor, atMs) {
    const agentId = agentOfDevice(deviceId)
    const messageId = get(floor.calls, callId)?.messageId ?? null
    if (agentId === null || messageId === null || !scene.memory.plays.has(agentId) || get(floor.work, callId)?.handledBy !== agentId) return
    const lastsMs = get(floor.messages, messageId)?.lastsMs ?? 0
    scene.note(atMs + lastsMs + THINKS_MS, { kind: 'callMessageBack', agentId, callId })
  },
  /** Nobody there: they write down what was said, and leave it at that. */
  connectionFailed(scene, { callId, deviceId }, floor, atMs) {
    const handledBy = get(floor.work, callId)?.handledBy
    if (get(floor.calls, callId)?.messageId == null || handledBy == null || deviceId !== deviceOutside(callId, 1)) return
    scene.memory.endOf.set(callId, 'noAnswer')
    if (scene.memory.plays.has(handledBy))
      scene.note(atMs + 2 * SECOND + chanceIn(scene, callId, 'message').next() * SECOND, { kind: 'finish', agentId: handledBy, callId })
  },
}
