// A message comes about: a mailbox picks up, greets and gives its tone, and whatever is said until somebody hangs up is kept.
import { boxOf, type Call, type CallEvent, type Customer, connectionOf, isOnLine, services } from '@/core/calls'
import { deviceOutside, type QueueId, toMessageId } from '@/core/ids'
import { refuse } from '@/core/rules/rule'
import { agentName, queueSetUp } from '@/core/set-up'
import { type Draft, emit, nextCallId, rowBefore } from '@/core/state'
import { get } from '@/core/table'
import {
  agentGreeting,
  type Box,
  boxKey,
  boxOwner,
  deviceOfBox,
  type Greeting,
  greetingMs,
  LONGEST_MESSAGE_MS,
  PICKS_UP_MS,
  queueGreeting,
  SHORTEST_MESSAGE_MS,
} from '@/core/voicemail'
import type { MailboxRings, Ruling } from './commands'

type Centre = Draft['state']

/** What this mailbox greets with. */
export function greetingOf({ setUp, greetings }: Pick<Centre, 'setUp' | 'greetings'>, box: Box): Greeting {
  const own = get(greetings, boxKey(box))?.greeting
  return own ?? (box.kind === 'agent' ? agentGreeting(agentName(setUp, box.agentId)) : queueGreeting(queueSetUp(setUp, box.queueId).name))
}

interface Caller {
  readonly number: string | null
  readonly customer: Customer | null
  readonly matches?: readonly Customer[]
  readonly path?: string | null
}

/** The caller is put to the mailbox at once. */
export function toMailbox(draft: Draft, box: Box, { number, customer, matches = [], path = null }: Caller): null {
  const callId = nextCallId(draft.state)
  emit(draft, null, { kind: 'mailboxCalled', callId, callerDeviceId: deviceOutside(callId, 1), number, customer, matches: [...matches], path })
  return emit(draft, draft.state.seq, ...reachedBy(box, callId))
}

/** The events by which a mailbox is reached on a call: it picks up at the first ring. */
export function reachedBy(box: Box, callId: Call['id']): readonly CallEvent[] {
  const party = box.kind === 'agent' ? ({ kind: 'voicemail', agentId: box.agentId } as const) : ({ kind: 'queueVoicemail', queueId: box.queueId } as const)
  const at = { callId, deviceId: deviceOfBox(box) }
  return [
    { kind: 'connectionDelivered', ...at, party },
    { kind: 'connectionEstablished', ...at },
  ]
}

/** Refused: noSuchMailbox. */
export function mailboxRings(draft: Draft, { box, ...caller }: MailboxRings): Ruling {
  if (boxOwner(draft.state.setUp, box) === null) return refuse({ reason: 'noSuchMailbox' })
  return toMailbox(draft, box, caller)
}

/** A mailbox has picked up: it greets, and says from when on it is recorded. */
export function beginMessage(draft: Draft, seq: number, { callId, deviceId }: Extract<CallEvent, { kind: 'connectionEstablished' }>): void {
  const call = get(draft.state.calls, callId)
  const party = call === undefined ? undefined : connectionOf(call, deviceId)?.party
  const box = party === undefined ? null : boxOf(party)
  if (box === null) return
  const greeting = greetingOf(draft.state, box)
  const no = draft.state.seq + 1
  const toneAtMs = draft.atMs + PICKS_UP_MS + greetingMs(greeting)
  const of = { messageId: toMessageId(`message_${draft.state.floorId}_${no}`), recordingId: `rec_message_${callId}_${no}` }
  const times = { toneAtMs, untilMs: toneAtMs + LONGEST_MESSAGE_MS }
  emit(draft, seq, { kind: 'messageBegun', callId, deviceId, box, ...of, greetingId: greeting.recording?.recordingId ?? null, ...times })
  emit(draft, draft.state.seq, { kind: 'captionSpoken', callId, deviceId, turn: 0, text: greeting.text })
}

/** Somebody has left the call, or the mailbox has: what was said by then is the message. */
export function endMessage(draft: Draft, seq: number, { callId }: Extract<CallEvent, { kind: 'connectionCleared' }>): void {
  const before = rowBefore(draft, 'calls', callId)
  const leaving = before?.leaving ?? null
  if (before === undefined || leaving === null) return
  const after = get(draft.state.calls, callId)
  if (after?.leaving?.messageId === leaving.messageId && after.connections.some((c) => boxOf(c.party) === null && isOnLine(c))) return
  // Two may go at once.
  if (draft.entries.some(({ event }) => event.kind === 'messageLeft' && event.messageId === leaving.messageId)) return
  const lastsMs = draft.atMs - leaving.toneAtMs
  if (lastsMs < SHORTEST_MESSAGE_MS) return
  const { messageId, box, recordingId, words, toneAtMs: beganAtMs } = leaving
  const colleague = before.connections.find((c) => c.party.kind === 'agent' && isOnLine(c))?.party
  const fromAgentId = before.direction === 'internal' && colleague?.kind === 'agent' ? colleague.agentId : null
  const outside = before.connections.find((c) => c.party.kind === 'outside')?.party
  const caller = outside?.kind === 'outside' ? outside : { number: before.number, name: before.customer?.name ?? null }
  const from = fromAgentId === null ? { number: caller.number, name: caller.name } : { number: null, name: agentName(draft.state.setUp, fromAgentId) }
  emit(draft, seq, { kind: 'messageLeft', messageId, box, callId, ...from, fromAgentId, beganAtMs, lastsMs, recordingId, words })
  if (box.kind === 'queue') queueMessage(draft, box.queueId, messageId, { number: from.number, customer: before.customer })
}

/** A message left with a queue waits for one of its agents. */
export function queueMessage(
  draft: Draft,
  queueId: QueueId,
  messageId: ReturnType<typeof toMessageId>,
  of: { readonly number: string | null; readonly customer: Customer | null },
): void {
  if (queueSetUp(draft.state.setUp, queueId).retired) return
  emit(draft, draft.state.seq, { kind: 'messageQueued', callId: nextCallId(draft.state), queueId, messageId, ...of })
}

/** Nobody speaks for ever: the mailbox hangs up. */
export function messageOver(draft: Draft, call: Call): boolean {
  if (call.leaving === null || call.leaving.untilMs > draft.atMs) return false
  const cleared = services.clearConnection(call, call.leaving.deviceId, 'hungUp')
  if (cleared.ok) emit(draft, null, ...cleared.events)
  return true
}
