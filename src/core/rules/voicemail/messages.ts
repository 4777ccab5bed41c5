// What is done with a message: marked, sent on, deleted and brought back, and called back for.
import type { Agent } from '@/core/agents'
import type { Call, CallEvent } from '@/core/calls'
import { type AgentId, deviceOutside, toMessageId } from '@/core/ids'
import { forbidden } from '@/core/rules/do-not-call'
import { noAccount, unentitled } from '@/core/rules/rights'
import { type Refused, refuse } from '@/core/rules/rule'
import { agentSetUp, queueSetUp } from '@/core/set-up'
import { agentOfDevice, type Draft, emit, type FloorState } from '@/core/state'
import { get, values } from '@/core/table'
import { type Box, boxKey, boxOwner, LONGEST_NOTE, type Message } from '@/core/voicemail'
import type { Of, Ruling } from './commands'
import { queueMessage } from './leaving'
import type { RulingRefusal } from './refusals'

type Centre = Pick<FloorState, 'setUp'>

/** Their own, and those of their queues; who supervises sees to those of every queue, and to nobody else's own. */
export function mayOpenBox(state: Centre, agentId: AgentId, box: Box): boolean {
  if (box.kind === 'agent') return box.agentId === agentId
  return agentSetUp(state.setUp, agentId).queueIds.includes(box.queueId) || unentitled(state, agentId, 'supervision') === null
}

/** The work a message of a queue is, while it is open. */
export const workOf = ({ work }: Pick<FloorState, 'work'>, { id }: Pick<Message, 'id'>) => values(work).find((w) => w.messageId === id)

function opened(draft: Draft, { agentId, messageId }: Pick<Of<'deleteMessage'>, 'agentId' | 'messageId'>): Message | Refused<RulingRefusal> {
  const nobody = noAccount(draft.state, agentId)
  if (nobody !== null) return nobody
  const message = get(draft.state.messages, messageId)
  if (message === undefined) return refuse({ reason: 'noSuchMessage' })
  if (mayOpenBox(draft.state, agentId, message.box)) return message
  return refuse({ reason: 'notYourMailbox', name: boxOwner(draft.state.setUp, message.box) ?? 'somebody else' })
}

const isRefused = (found: Message | Refused<RulingRefusal>): found is Refused<RulingRefusal> => 'refusal' in found

/** Refused: noSuchAccount, noSuchMailbox, notYourMailbox; notEntitled for a queue's without the right to change the set-up. */
export function setGreeting(draft: Draft, { agentId, box, greeting }: Of<'setGreeting'>): Ruling {
  const nobody = noAccount(draft.state, agentId)
  if (nobody !== null) return nobody
  const owner = boxOwner(draft.state.setUp, box)
  if (owner === null) return refuse({ reason: 'noSuchMailbox' })
  if (box.kind === 'agent' && box.agentId !== agentId) return refuse({ reason: 'notYourMailbox', name: owner })
  const refused = box.kind === 'queue' ? unentitled(draft.state, agentId, 'setUp') : null
  return refused ?? emit(draft, null, { kind: 'greetingSet', box, greeting, byAgentId: agentId })
}

/** Refused: noSuchAccount, noSuchMessage, notYourMailbox, markUnchanged, messageIsWork. */
export function markMessage(draft: Draft, command: Of<'markMessage'>): Ruling {
  const message = opened(draft, command)
  if (isRefused(message)) return message
  const { messageId, heard, agentId } = command
  if (message.heard === heard) return refuse({ reason: 'markUnchanged', heard })
  const busy = heldByQueue(draft, message)
  if (busy !== null) return busy
  emit(draft, null, { kind: 'messageMarked', messageId, heard, byAgentId: agentId })
  // What a queue has not heard is work again.
  if (!heard) requeueMessages(draft)
  return null
}

/** It goes to the other mailbox as well, and with a queue it is work. Refused: noSuchAccount, noSuchMessage, notYourMailbox, forwardedToItself, noSuchMailbox. */
export function forwardMessage(draft: Draft, command: Of<'forwardMessage'>): Ruling {
  const message = opened(draft, command)
  if (isRefused(message)) return message
  const { to: box, agentId, note } = command
  if (message.deletedAtMs !== null) return refuse({ reason: 'noSuchMessage' })
  if (boxKey(box) === boxKey(message.box)) return refuse({ reason: 'forwardedToItself' })
  if (!isInUse(draft.state, box)) return refuse({ reason: 'noSuchMailbox' })
  const messageId = toMessageId(`message_${draft.state.floorId}_${draft.state.seq + 1}`)
  const of = { fromMessageId: message.id, box, note: note.trim().slice(0, LONGEST_NOTE) }
  emit(draft, null, { kind: 'messageForwarded', messageId, ...of, byAgentId: agentId })
  if (!message.heard && heldByQueue(draft, message) === null)
    emit(draft, draft.state.seq, { kind: 'messageMarked', messageId: message.id, heard: true, byAgentId: agentId })
  const customer = message.name === null || message.fromAgentId !== null ? null : { name: message.name, group: '', facts: [] }
  if (box.kind === 'queue') queueMessage(draft, box.queueId, messageId, { number: message.number, customer })
  return null
}

/** While it waits for an agent of a queue, or one of them has it, it is closed by an outcome and by nothing else. Refused: messageIsWork. */
function heldByQueue({ state }: Draft, message: Message): Refused<RulingRefusal> | null {
  const { box } = message
  if (box.kind === 'agent' || workOf(state, message) === undefined) return null
  return refuse({ reason: 'messageIsWork', queue: queueSetUp(state.setUp, box.queueId).name })
}

const isInUse = ({ setUp }: Centre, box: Box): boolean =>
  box.kind === 'agent'
    ? setUp.agents.some((a) => a.id === box.agentId && !a.retired)
    : setUp.queues.some((q) => q.id === box.queueId && !q.retired && q.takesMessages)

/** It can be brought back for `RESTORABLE_MS`. Refused: noSuchAccount, noSuchMessage, notYourMailbox, messageIsWork. */
export function deleteMessage(draft: Draft, command: Of<'deleteMessage'>): Ruling {
  const message = opened(draft, command)
  if (isRefused(message)) return message
  if (message.deletedAtMs !== null) return refuse({ reason: 'noSuchMessage' })
  return heldByQueue(draft, message) ?? emit(draft, null, { kind: 'messageDeleted', messageId: message.id, byAgentId: command.agentId })
}

/** Refused: noSuchAccount, noSuchMessage, notYourMailbox. */
export function restoreMessage(draft: Draft, command: Of<'restoreMessage'>): Ruling {
  const message = opened(draft, command)
  if (isRefused(message)) return message
  if (message.deletedAtMs === null) return refuse({ reason: 'noSuchMessage' })
  emit(draft, null, { kind: 'messageRestored', messageId: message.id, byAgentId: command.agentId })
  // Its queue may be in use again since it was deleted.
  requeueMessages(draft)
  return null
}

/** Who left the message in hand is dialled, on the same call. Refused: noMessageInHand, notOnCall, nobodyToCallBack, calledBackAlready, and what the do-not-call list forbids. */
export function callMessageBack(draft: Draft, agent: Agent, call: Call): Ruling {
  if (call.messageId === null) return refuse({ reason: 'noMessageInHand' })
  const mine = call.connections.find((c) => c.party.kind === 'agent' && c.party.agentId === agent.id)
  if (mine?.state !== 'connected') return refuse({ reason: 'notOnCall' })
  if (call.keptFor === null) return refuse({ reason: 'nobodyToCallBack' })
  if (call.connections.some((c) => c.party.kind === 'outside' && c.state !== 'failed')) return refuse({ reason: 'calledBackAlready' })
  const name = call.customer?.name ?? null
  const party = { kind: 'outside', number: call.keptFor, name } as const
  return (
    forbidden(draft.state, call.keptFor, name) ??
    emit(draft, null, { kind: 'connectionInitiated', callId: call.id, deviceId: deviceOutside(call.id, 1), party })
  )
}

/** An agent has taken a message of their queue: it is heard from now on. */
export function takeMessage(
  draft: Draft,
  seq: number,
  { callId, deviceId }: Pick<Extract<CallEvent, { kind: 'connectionEstablished' }>, 'callId' | 'deviceId'>,
): void {
  const agentId = agentOfDevice(deviceId)
  const messageId = get(draft.state.calls, callId)?.messageId ?? null
  if (agentId === null || messageId === null || get(draft.state.messages, messageId)?.heard !== false) return
  emit(draft, seq, { kind: 'messageMarked', messageId, heard: true, byAgentId: agentId })
}

/** What was left with queues, and nobody has taken, waits: of earlier days, of a queue that was out of use, of what was not heard after all. */
export function requeueMessages(draft: Draft): void {
  for (const message of values(draft.state.messages)) {
    const { box, heard, deletedAtMs, number, name, id } = message
    if (box.kind !== 'queue' || heard || deletedAtMs !== null || workOf(draft.state, message) !== undefined) continue
    queueMessage(draft, box.queueId, id, { number, customer: name === null ? null : { name, group: '', facts: [] } })
  }
}
