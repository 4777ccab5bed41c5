// What agents do with chats, mails and texts.
import * as z from 'zod'
import type { Agent } from '@/core/agents'
import { readNumber } from '@/core/directory'
import type { AgentId } from '@/core/ids'
import { isOpenAt } from '@/core/queues'
import { leaveWork, openScript } from '@/core/rules/closing'
import { forbidden } from '@/core/rules/do-not-call'
import { type AnyRefusal, onShift, type Rule, type Ruling as RulingFor, refuse } from '@/core/rules/rule'
import { queueName } from '@/core/rules/shift'
import { makeCall } from '@/core/rules/talk'
import { agentName, queueSetUp } from '@/core/set-up'
import { type Draft, emit, nextCallId, nextThreadId, roomOf } from '@/core/state'
import { get, values } from '@/core/table'
import { addressKey, COMES_BACK_MS, isOverThread, LONGEST_TEXT, type Thread, threadWaitsIn } from '@/core/threads'
import { MINUTE } from '@/core/time'
import type { Of, Ruling } from './commands'
import { unpark } from './due'
import type { RulingRefusal } from './refusals'

interface OfThread {
  readonly agentId: Agent['id']
  readonly threadId: Thread['id']
}

/** For agents on shift, on a thread that is not over. Refused: notOnShift, noSuchThread. */
export const onThread = <C extends OfThread>(
  rule: (draft: Draft, agent: Agent, thread: Thread, command: C) => RulingFor<RulingRefusal>,
): Rule<C, RulingRefusal | AnyRefusal> =>
  onShift<C, RulingRefusal>((draft, agent, command) => {
    const thread = get(draft.state.threads, command.threadId)
    return thread === undefined || isOverThread(thread) ? refuse({ reason: 'noSuchThread' }) : rule(draft, agent, thread, command)
  })

/** The same, in the agent's own hands. Refused: notYourThread besides. */
export const onOwnThread = <C extends OfThread>(rule: (draft: Draft, agent: Agent, thread: Thread, command: C) => RulingFor<RulingRefusal>) =>
  onThread<C>((draft, agent, thread, command) =>
    thread.state === 'open' && thread.agentId === agent.id ? rule(draft, agent, thread, command) : refuse({ reason: 'notYourThread', with: nameOf(thread) }),
  )

export const nameOf = ({ customer, address }: Pick<Thread, 'customer' | 'address' | 'channel'>): string => customer?.name ?? address

/** Taking it from whoever kept their place rings them; where they cannot be rung, it is in hand all the same. Refused: notOfferedToYou. */
export function takeThread(draft: Draft, agent: Agent, thread: Thread): Ruling {
  if (thread.state !== 'offered' || thread.agentId !== agent.id) return refuse({ reason: 'notOfferedToYou' })
  emit(draft, null, { kind: 'threadTaken', threadId: thread.id, agentId: agent.id })
  openScript(draft, draft.state.seq, { callId: thread.id })
  if (thread.keptFor !== null) ringInstead(draft, agent, thread)
  return null
}

export function declineThread(draft: Draft, agent: Agent, thread: Thread): Ruling {
  if (thread.state !== 'offered' || thread.agentId !== agent.id) return refuse({ reason: 'notOfferedToYou' })
  return emit(draft, null, { kind: 'threadPassed', threadId: thread.id, agentId: agent.id, because: 'declined' })
}

/** Refused: notYourThread, nothingWritten, textTooLong, theyHaveGone, and for a text onDoNotCall. Who was asked in writes aside, whatever is asked. */
export function writeLine(draft: Draft, agent: Agent, thread: Thread, { text, aside }: Of<'writeLine'>): Ruling {
  const isOurs = thread.state === 'open' && thread.agentId === agent.id
  const isAsked = thread.askedIn.includes(agent.id)
  if (!isOurs && !isAsked) return refuse({ reason: 'notYourThread', with: nameOf(thread) })
  const refused = unsendable(text)
  if (refused !== null) return refused
  const forOurs = aside || !isOurs
  if (thread.keptFor !== null && !forOurs) return refuse({ reason: 'theyHaveGone', with: nameOf(thread) })
  if (thread.channel === 'text' && !forOurs && thread.number !== null) {
    const listed = forbidden(draft.state, thread.number, thread.customer?.name ?? null)
    if (listed !== null) return listed
  }
  return emit(draft, null, { kind: 'threadWritten', threadId: thread.id, byAgentId: agent.id, text, aside: forOurs })
}

function unsendable(text: string): Ruling {
  if (text.trim() === '') return refuse({ reason: 'nothingWritten' })
  return text.length > LONGEST_TEXT ? refuse({ reason: 'textTooLong', length: text.length, longest: LONGEST_TEXT }) : null
}

/** For so long a receipt is waited for. A gateway that says nothing keeps nobody from ending what is over. */
export const RECEIPT_AWAITED_MS = 2 * MINUTE

/** It is over, and owes its outcome unless it was coded before. Whether a text arrived is learnt first, where that is to be learnt. Refused: textOnItsWay. */
export function endThread(draft: Draft, agent: Agent, thread: Thread): Ruling {
  const { id: threadId } = thread
  if (thread.lines.some(({ sent, atMs }) => sent?.state === 'sending' && draft.atMs < atMs + RECEIPT_AWAITED_MS))
    return refuse({ reason: 'textOnItsWay', with: nameOf(thread) })
  emit(draft, null, { kind: 'threadEnded', threadId, byAgentId: agent.id, because: 'closed' })
  leaveWork(draft, draft.state.seq, agent.id, threadId)
  return null
}

/** May I ring you? What is written ends, and the call keeps it. Refused: noNumberToRing, and whatever dialling the number refuses. */
export function ringInstead(draft: Draft, agent: Agent, { id: threadId, number, customer, address, channel, queueId }: Thread): Ruling {
  if (number === null) return refuse({ reason: 'noNumberToRing', with: nameOf({ customer, address, channel }) })
  const callId = nextCallId(draft.state)
  const serves = agent.shift?.queueIds.includes(queueId) ?? false
  const refused = makeCall(draft, agent, { kind: 'makeCall', agentId: agent.id, typed: number, customer, ...(serves ? { queueId } : {}) })
  if (refused !== null) return refused
  return emit(draft, draft.state.seq, { kind: 'threadCalled', threadId, byAgentId: agent.id, callId })
}

/** Refused: chatCannotWait, timeIsPast. */
export function parkThread(draft: Draft, agent: Agent, { id: threadId, channel }: Thread, { untilMs }: Of<'parkThread'>): Ruling {
  if (channel === 'chat') return refuse({ reason: 'chatCannotWait' })
  if (untilMs <= draft.atMs) return refuse({ reason: 'timeIsPast' })
  return emit(draft, null, { kind: 'threadParked', threadId, byAgentId: agent.id, untilMs })
}

/** Whoever parked it, or serves its queue, takes it up before its time. Refused: notParked, notYourThread. */
export function unparkThread(draft: Draft, agent: Agent, thread: Thread): Ruling {
  if (thread.state !== 'parked') return refuse({ reason: 'notParked' })
  if (thread.agentId !== agent.id && !agent.shift?.queueIds.includes(thread.queueId)) return refuse({ reason: 'notYourThread', with: nameOf(thread) })
  unpark(draft, { ...thread, agentId: agent.id }, 'asked')
  return null
}

/** Refused: yoursAlready, targetUnknown, notThere. Asked in again, nothing changes. */
export function askIn(draft: Draft, agent: Agent, thread: Thread, { toAgentId }: Of<'askIn'>): Ruling {
  if (toAgentId === agent.id) return refuse({ reason: 'yoursAlready' })
  const colleague = get(draft.state.agents, toAgentId)
  if (colleague === undefined) return refuse({ reason: 'targetUnknown' })
  if (colleague.shift === null) return refuse({ reason: 'notThere', name: agentName(draft.state.setUp, toAgentId) })
  if (thread.askedIn.includes(toAgentId)) return null
  return emit(draft, null, { kind: 'threadAskedIn', threadId: thread.id, agentId: toAgentId, byAgentId: agent.id })
}

/** Refused: notYourThread, notAskedIn. */
export function askOut(draft: Draft, agent: Agent, thread: Thread, { toAgentId }: Of<'askOut'>): Ruling {
  const isOurs = thread.state === 'open' && thread.agentId === agent.id
  if (!isOurs && toAgentId !== agent.id) return refuse({ reason: 'notYourThread', with: nameOf(thread) })
  if (!thread.askedIn.includes(toAgentId))
    return get(draft.state.agents, toAgentId) === undefined
      ? refuse({ reason: 'targetUnknown' })
      : refuse({ reason: 'notAskedIn', name: agentName(draft.state.setUp, toAgentId) })
  return emit(draft, null, { kind: 'threadAskedOut', threadId: thread.id, agentId: toAgentId })
}

/** Whoever has gone home reads along nowhere. */
export function askOutEverywhere(draft: Draft, causedBy: number, agentId: AgentId): void {
  for (const { id: threadId, askedIn } of values(draft.state.threads))
    if (askedIn.includes(agentId)) emit(draft, causedBy, { kind: 'threadAskedOut', threadId, agentId })
}

/** An agent writes first. Refused: chatsBeginThere, targetUnknown, queueNotServed, channelNotTaken, notAMailAddress, what reading a number refuses, onDoNotCall, nothingWritten, textTooLong. */
export function openThread(draft: Draft, agent: Agent, { channel, queueId, to, subject, text }: Of<'openThread'>): Ruling {
  const { state } = draft
  if (channel === 'chat') return refuse({ reason: 'chatsBeginThere' })
  const queue = state.setUp.queues.find((q) => q.id === queueId && !q.retired)
  if (queue === undefined) return refuse({ reason: 'targetUnknown' })
  if (!agent.shift?.queueIds.includes(queueId)) return refuse({ reason: 'queueNotServed', queue: queueName(state, queueId) })
  if (!queue.writes.some((w) => w.channel === channel)) return refuse({ reason: 'channelNotTaken', queue: queue.name, channel })
  const whom = channel === 'text' ? toNumber(draft, to) : toAddress(to)
  if (!whom.ok) return whom
  const refused = unsendable(text)
  if (refused !== null) return refused
  const threadId = nextThreadId(state)
  const { address, number } = whom
  const line = { kind: 'threadWritten', threadId, byAgentId: agent.id, text, aside: false } as const
  emit(draft, null, { kind: 'threadOpened', threadId, channel, queueId, byAgentId: agent.id, address, number, customer: null, subject: subject.trim() || null })
  return emit(draft, draft.state.seq, line)
}

type Whom = { readonly ok: true; readonly address: string; readonly number: string | null } | Exclude<Ruling, null>

function toNumber({ state }: Draft, typed: string): Whom {
  const reading = readNumber(typed, state.setUp.homeCountry)
  if (!reading.ok) return refuse(reading.refusal)
  const number = reading.number.e164
  return forbidden(state, number, null) ?? { ok: true, address: number, number }
}

const MailAddress = z.email()
const toAddress = (typed: string): Whom =>
  MailAddress.safeParse(typed.trim()).success ? { ok: true, address: typed.trim(), number: null } : refuse({ reason: 'notAMailAddress', typed })

/** Joins its queue's line; what answers a mail or a text that is over goes to who wrote that, if they have room. Refused: channelNotTaken; queueIsClosed for a chat, which nobody would answer. */
export function threadArrives(draft: Draft, command: Of<'threadArrives'>): Ruling {
  const { channel, queueId, address, number, customer, subject, path, text, offeredTo } = command
  const { setUp, doors } = draft.state
  const queue = queueSetUp(setUp, queueId)
  if (queue.retired || !queue.writes.some((w) => w.channel === channel)) return refuse({ reason: 'channelNotTaken', queue: queue.name, channel })
  if (channel === 'chat' && !isOpenAt(queue, doors, setUp.timeZone, draft.atMs))
    return refuse({ reason: 'queueIsClosed', queue: queue.name, says: queue.closedMessage })
  const refused = unsendable(text)
  if (refused !== null) return refused
  const headStartMs = queue.goesFirst.find((g) => g.group === customer?.group)?.headStartMs ?? 0
  const threadId = nextThreadId(draft.state)
  const last = get(draft.state.lastWrote, addressKey({ channel, address }))
  const answers = last !== undefined && draft.atMs - last.atMs <= COMES_BACK_MS ? last : null
  const follows = answers?.threadId ?? null
  emit(draft, null, { kind: 'threadBegan', threadId, channel, queueId, address, number, customer, subject, path, headStartMs, text, follows })
  const agent = get(draft.state.agents, offeredTo ?? answers?.agentId ?? '')
  if (agent !== undefined && roomOf(draft.state, agent, channel) > 0) emit(draft, draft.state.seq, { kind: 'threadOffered', threadId, agentId: agent.id })
  return null
}

const underWay = ({ state }: Draft, threadId: Thread['id']): Thread | undefined => {
  const thread = get(state.threads, threadId)
  return thread === undefined || isOverThread(thread) ? undefined : thread
}

/** Under way, and the other side is still there. */
const isThere = (draft: Draft, threadId: Thread['id']): Thread | undefined => {
  const thread = underWay(draft, threadId)
  return thread?.keptFor === null ? thread : undefined
}

/** What is written to a parked mail brings it back. Refused: noSuchThread, nothingWritten, textTooLong. */
export function customerWrites(draft: Draft, { threadId, text }: Of<'customerWrites'>): Ruling {
  const thread = isThere(draft, threadId)
  if (thread === undefined) return refuse({ reason: 'noSuchThread' })
  const refused = unsendable(text)
  if (refused !== null) return refused
  emit(draft, null, { kind: 'threadWritten', threadId, byAgentId: null, text, aside: false })
  if (thread.state === 'parked') unpark(draft, thread, 'written')
  return null
}

export function customerTypes(draft: Draft, { threadId, on }: Of<'customerTypes'>): Ruling {
  const thread = isThere(draft, threadId)
  if (thread === undefined) return refuse({ reason: 'noSuchThread' })
  return thread.typing === on ? null : emit(draft, null, { kind: 'threadTyped', threadId, on })
}

/** Whoever had it in hand last owes its outcome; nobody does when nobody had. */
export function customerLeaves(draft: Draft, { threadId }: Of<'customerLeaves'>): Ruling {
  const thread = isThere(draft, threadId)
  if (thread === undefined) return refuse({ reason: 'noSuchThread' })
  const handledBy = get(draft.state.work, threadId)?.handledBy ?? null
  emit(draft, null, { kind: 'threadEnded', threadId, byAgentId: null, because: 'left' })
  if (handledBy !== null) leaveWork(draft, draft.state.seq, handledBy, threadId)
  return null
}

/** Refused: noSuchThread, notWaiting, placesNotKept, numberWithheld. Mails and texts keep their place as they are. */
export function customerKeepsPlace(draft: Draft, { threadId, number: given }: Of<'customerKeepsPlace'>): Ruling {
  const thread = isThere(draft, threadId)
  if (thread === undefined) return refuse({ reason: 'noSuchThread' })
  const queueId = threadWaitsIn(thread)
  if (thread.channel !== 'chat' || queueId === null) return refuse({ reason: 'notWaiting' })
  const queue = queueSetUp(draft.state.setUp, queueId)
  if (!queue.keepsPlaces) return refuse({ reason: 'placesNotKept', queue: queue.name })
  const number = given ?? thread.number
  if (number === null) return refuse({ reason: 'numberWithheld' })
  return emit(draft, null, { kind: 'threadPlaceKept', threadId, number })
}

export function lineSent(draft: Draft, { threadId, no, failure }: Of<'lineSent'>): Ruling {
  const thread = underWay(draft, threadId)
  if (thread === undefined) return refuse({ reason: 'noSuchThread' })
  const line = thread.lines.find((l) => l.no === no)
  return line?.sent?.state === 'sending' ? emit(draft, null, { kind: 'threadDelivered', threadId, no, failure }) : null
}
