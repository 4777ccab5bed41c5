// People who write: they begin a chat, a mail or a text, type with pauses, answer what they are asked, and leave a chat in which nobody says
// anything. Colleagues played by the stand-ins answer them between calls. The gateway sends texts on, or says why it could not.
import { createChance, seedFor } from '@/core/chance'
import type { Written } from '@/core/channels'
import type { Command } from '@/core/floor'
import type { AgentId, QueueId, WorkId } from '@/core/ids'
import { forbidden } from '@/core/rules/do-not-call'
import { type FloorState, nextThreadId } from '@/core/state'
import { get, values } from '@/core/table'
import { type Thread, threadWaitsIn } from '@/core/threads'
import { HOUR, MINUTE, SECOND } from '@/core/time'
import type { WritesBack } from './act'
import { chanceOfCall } from './chance-of-call'
import { hoursToday, timeOfDayMs } from './opening'
import { readOn } from './reads'
import type { Acts, Scene, Sees } from './scene'
import type { Talk } from './stage'
import { talkOf } from './talk-of'
import type { WriteWish } from './wish'

/** How fast people type. */
const TYPES_PER_CHARACTER_MS = 55
const READS_MS = 1_800
const SENDS_MS = 1_200
/** When a text or a mail is answered. */
const TEXT_BACK_MS = 9 * SECOND
const MAIL_TAKES_TIMES = 6
const BESIDE_A_CALL_TIMES = 4
const MAIL_BACK_MS = 3 * MINUTE
const MAILS_EARLIER_MS = 2 * HOUR
const READ_STEPS = 4
/** Some would rather be rung than sit in front of a chat that nobody takes. */
const KEEPS_PLACE_OFTEN = 0.3
const KEEPS_PLACE_AFTER_MS = 30 * SECOND

/** Somebody begins to write to each queue and channel from then on; mails of a past day come before anybody is there to read them. */
export function beginWriting(scene: Scene, floor: FloorState, fromMs: number): void {
  const mailsFromMs = scene.memory.day.kind === 'calendar' ? fromMs - MAILS_EARLIER_MS : fromMs
  for (const { id, writes, retired } of floor.setUp.queues)
    if (!retired) for (const { channel } of writes) noteWriter(scene, id, channel, channel === 'mail' ? mailsFromMs : fromMs)
}

function noteWriter(scene: Scene, queueId: QueueId, channel: Written, fromMs: number): void {
  const { stage, memory, note } = scene
  const hours = hoursToday(stage, memory)
  const perHour = stage.rhythm.writtenPerHour(memory.pace, queueId, channel) * hours.load
  if (perHour === 0) return
  const chance = createChance(seedFor(memory.seed, `writes ${queueId} ${channel} ${memory.dayNo} ${fromMs}`))
  const at = fromMs + chance.exponential(HOUR / perHour)
  if (timeOfDayMs(hours, memory, at) < hours.closesMs) note(at, { kind: 'writes', queueId, channel, dayNo: memory.dayNo })
}

function begins(scene: Scene, floor: FloorState, { channel, queueId, customerId }: WriteWish, offeredTo: AgentId | null): Command {
  const { stage, memory } = scene
  const chance = createChance(seedFor(memory.seed, `writer ${floor.threadCount}`))
  const talk = talkOf(stage, memory.seed, nextThreadId(floor), queueId)
  const number = (customerId === null ? undefined : stage.records.numberOf(customerId)) ?? stage.records.someone(chance)
  const people = stage.records.byNumber(number, floor.struck)
  const customer = people.length === 1 ? (people[0] ?? null) : null
  const name = customer?.name ?? people[0]?.name ?? 'A visitor'
  const address = channel === 'text' ? number : channel === 'mail' ? `${name.toLowerCase().replace(/[^a-z]+/g, '.')}@example.com` : name
  return {
    kind: 'threadArrives',
    channel,
    queueId,
    address,
    number,
    customer,
    path: null,
    subject: channel === 'mail' ? talk.subject : null,
    text: firstWords(talk, channel),
    ...(offeredTo === null ? {} : { offeredTo }),
  }
}

/** A mail says at once what a chat says bit by bit. */
const firstWords = ({ says }: Talk, channel: Written): string => (channel === 'mail' ? says.slice(0, -1).join('\n\n') : (says[0] ?? ''))
const saysOf = ({ says }: Talk, channel: Written): readonly string[] => (channel === 'mail' ? [firstWords({ says } as Talk, 'mail'), says.at(-1) ?? ''] : says)

/** Not over, and whoever writes is there. */
const isOn = (floor: FloorState, threadId: WorkId): boolean => {
  const thread = get(floor.threads, threadId)
  return thread !== undefined && thread.state !== 'ended' && thread.keptFor === null
}
const theirs = ({ lines }: Thread): number => lines.filter((l) => l.byAgentId === null).length
const ours = ({ lines }: Thread): number => lines.filter((l) => l.byAgentId !== null && !l.aside).length

export const WRITERS: Acts<
  'writes' | 'write' | 'typeOn' | 'writeOn' | 'leaveUnanswered' | 'leaveDone' | 'keepThreadPlace' | 'sendOn' | 'takeThread' | 'replyThread' | 'endThread'
> = {
  writes(scene, { queueId, channel, dayNo }, floor, atMs) {
    if (dayNo !== scene.memory.dayNo || scene.memory.pace === 'quiet') return []
    noteWriter(scene, queueId, channel, atMs)
    return [begins(scene, floor, { channel, queueId, customerId: null, patienceMs: null, keepsPlaceMs: null }, null)]
  },
  write(scene, { wish, offeredTo }, floor, atMs) {
    scene.memory.writerPatienceMs = wish.patienceMs
    if (wish.keepsPlaceMs !== null) scene.note(atMs + wish.keepsPlaceMs, { kind: 'keepThreadPlace', threadId: nextThreadId(floor) })
    return [begins(scene, floor, wish, offeredTo)]
  },
  typeOn: (_, { threadId }, floor) => (isOn(floor, threadId) ? [{ kind: 'customerTypes', threadId, on: true }] : []),
  writeOn({ stage, memory }, { threadId, turn, back }, floor) {
    const thread = get(floor.threads, threadId)
    const open = thread?.state === 'ended' ? undefined : thread
    const of = open ?? back
    if (of === undefined || (open !== undefined && theirs(open) !== turn)) return []
    const text = saysOf(talkOf(stage, memory.seed, threadId, of.queueId), of.channel)[turn]
    if (text === undefined) return []
    // What they answer is over: it begins anew, and comes back to who wrote.
    return open === undefined && back !== undefined ? [{ kind: 'threadArrives', ...back, path: null, text }] : [{ kind: 'customerWrites', threadId, text }]
  },
  leaveUnanswered({ memory }, { threadId, oursWere }, floor) {
    const thread = get(floor.threads, threadId)
    if (thread === undefined || !isOn(floor, threadId) || ours(thread) !== oursWere) return []
    memory.endOf.set(threadId, 'brokenOff')
    return [{ kind: 'customerLeaves', threadId }]
  },
  leaveDone: (_, { threadId }, floor) => (isOn(floor, threadId) ? [{ kind: 'customerLeaves', threadId }] : []),
  keepThreadPlace(_, { threadId }, floor) {
    const thread = get(floor.threads, threadId)
    return thread !== undefined && threadWaitsIn(thread) !== null ? [{ kind: 'customerKeepsPlace', threadId, number: null }] : []
  },
  sendOn(_, { threadId, no }, floor) {
    const thread = get(floor.threads, threadId)
    return thread === undefined || thread.state === 'ended' ? [] : [{ kind: 'lineSent', threadId, no, failure: failureOf(thread.number) }]
  },
  takeThread: (_, { agentId, threadId }) => [{ kind: 'takeThread', agentId, threadId }],
  replyThread(scene, act, floor, atMs) {
    const { agentId, threadId } = act
    const { stage, memory } = scene
    const thread = get(floor.threads, threadId)
    const work = get(floor.work, threadId)
    const agent = get(floor.agents, agentId)
    if (thread?.agentId !== agentId || thread.state !== 'open' || work === undefined || agent === undefined) return []
    // Whoever could not be rung is not there to be written to, and some numbers get no texts from here.
    const { number, customer } = thread
    const isBarred = thread.channel === 'text' && number !== null && forbidden(floor, number, customer?.name ?? null) !== null
    if (thread.keptFor !== null || isBarred) return [{ kind: 'endThread', agentId, threadId }]
    // A mail waits for the end of a call; a chat is answered beside it.
    if (agent.engagements.length > 0 && thread.channel === 'mail') {
      scene.note(atMs + 8 * SECOND, act)
      return []
    }
    const { follows } = thread
    const { answers } = talkOf(stage, memory.seed, follows ?? threadId, thread.queueId)
    const said = ours(thread)
    // A mail says at once what a chat comes to bit by bit, and asks nothing that was said already.
    const at = follows === null ? Math.min(said, answers.length - 1) : answers.length - 1
    const text = thread.channel === 'mail' && follows === null ? answers.slice(1).join('\n\n') : (answers[at] ?? '')
    if (thread.channel === 'mail' || follows !== null || said + 1 >= answers.length) scene.note(atMs + 9 * SECOND, { kind: 'endThread', agentId, threadId })
    const reads = said < READ_STEPS ? readOn(scene, floor.setUp, agentId, work, said + 1) : []
    return [...reads, { kind: 'writeLine', agentId, threadId, text, aside: false }]
  },
  endThread(_, { agentId, threadId }, floor) {
    const thread = get(floor.threads, threadId)
    return thread?.agentId === agentId && thread.state === 'open' ? [{ kind: 'endThread', agentId, threadId }] : []
  },
}

/** What the gateway says of numbers that end so; all others get their texts. */
const FAILS: Readonly<Record<string, string>> = { '9': 'The number takes no texts.', '8': 'The telephone has been off for three days.' }
const failureOf = (number: string | null): string | null => FAILS[number?.at(-1) ?? ''] ?? null

export const WRITERS_SEE: Sees = {
  threadBegan(scene, { threadId }, floor, atMs) {
    const { memory } = scene
    if (memory.writerPatienceMs !== null) memory.patienceOf.set(threadId, memory.writerPatienceMs)
    const isWished = memory.writerPatienceMs !== null
    memory.writerPatienceMs = null
    if (!isWished) mayKeepPlace(scene, floor, get(floor.threads, threadId), atMs)
    waits(scene, get(floor.threads, threadId), atMs)
  },
  threadOffered: (scene, { threadId, agentId }, _, atMs) => isAsked(scene, threadId, agentId, atMs),
  threadHandedOn: (scene, { threadId, to }, _, atMs) => (to.kind === 'agent' ? isAsked(scene, threadId, to.agentId, atMs) : undefined),
  threadTaken(scene, { threadId, agentId }, floor, atMs) {
    const thread = get(floor.threads, threadId)
    if (thread !== undefined && scene.memory.plays.has(agentId)) replies(scene, floor, thread, agentId, atMs, `takes ${thread.lineCount}`)
  },
  threadWritten(scene, { threadId, byAgentId, aside }, floor, atMs) {
    const thread = get(floor.threads, threadId)
    if (thread === undefined || aside) return
    const { channel, agentId, state, lineCount } = thread
    if (byAgentId === null) {
      waits(scene, thread, atMs)
      if (state === 'open' && agentId !== null && scene.memory.plays.has(agentId)) replies(scene, floor, thread, agentId, atMs, `answers ${lineCount}`)
      return
    }
    // What has not arrived nobody answers.
    if (channel === 'text') scene.note(atMs + SENDS_MS, { kind: 'sendOn', threadId, no: lineCount })
    else goesOn(scene, thread, atMs)
  },
  threadDelivered(scene, { threadId, failure }, floor, atMs) {
    const thread = get(floor.threads, threadId)
    if (thread === undefined || thread.state === 'ended') return
    if (failure === null) return goesOn(scene, thread, atMs)
    // Nobody will answer: whoever plays the desk has done what there was to do.
    const { agentId } = thread
    if (agentId !== null && scene.memory.plays.has(agentId)) scene.note(atMs + 9 * SECOND, { kind: 'endThread', agentId, threadId })
  },
  threadPlaceKept: ({ memory }, { threadId }) => void memory.patienceOf.delete(threadId),
  threadCalled: ({ memory }, { threadId }) => void memory.patienceOf.delete(threadId),
  threadEnded({ memory }, { threadId }, floor) {
    memory.patienceOf.delete(threadId)
    // Whom nobody has had in hand nobody codes.
    if (get(floor.work, threadId) === undefined) memory.endOf.delete(threadId)
  },
}

function isAsked({ memory, note }: Scene, threadId: WorkId, agentId: AgentId, atMs: number): void {
  const chance = chanceOfCall(memory.seed, threadId, `takes ${agentId}`)
  if (memory.plays.has(agentId) && !memory.gone.has(agentId)) note(atMs + 1_500 + chance.next() * 5_000, { kind: 'takeThread', agentId, threadId })
}

/** A mail is read and answered in one; in a chat and in texts it goes to and fro. */
function replies({ memory, note }: Scene, floor: FloorState, { id: threadId, channel }: Thread, agentId: AgentId, atMs: number, why: string): void {
  const takesMs = 7 * SECOND + chanceOfCall(memory.seed, threadId, why).next() * 18 * SECOND
  const onCall = get(floor.agents, agentId)?.engagements.length !== 0
  note(atMs + takesMs * (channel === 'mail' ? MAIL_TAKES_TIMES : onCall ? BESIDE_A_CALL_TIMES : 1), { kind: 'replyThread', agentId, threadId })
}

function mayKeepPlace({ memory, note }: Scene, { setUp }: FloorState, thread: Thread | undefined, atMs: number): void {
  if (thread?.channel !== 'chat' || thread.number === null || setUp.queues.find((q) => q.id === thread.queueId)?.keepsPlaces !== true) return
  const chance = chanceOfCall(memory.seed, thread.id, 'keep place')
  if (chance.next() < KEEPS_PLACE_OFTEN) note(atMs + KEEPS_PLACE_AFTER_MS * (1 + chance.next()), { kind: 'keepThreadPlace', threadId: thread.id })
}

/** In a chat people go when nobody says anything. */
function waits({ memory, note }: Scene, thread: Thread | undefined, atMs: number): void {
  if (thread?.channel !== 'chat') return
  // Whoever learns to use a desk is given time.
  const atLeastMs = memory.day.kind === 'live' ? 2.5 * MINUTE : MINUTE
  const patienceMs = memory.patienceOf.get(thread.id) ?? atLeastMs + chanceOfCall(memory.seed, thread.id, 'patience').exponential(2 * MINUTE)
  note(atMs + patienceMs, { kind: 'leaveUnanswered', threadId: thread.id, oursWere: ours(thread) })
}

/** They have been answered: they say the next thing, or it is done. */
function goesOn({ stage, memory, note }: Scene, thread: Thread, atMs: number): void {
  const { id: threadId, channel, queueId, address, number, customer, subject, follows } = thread
  // Thanks for thanks nobody writes.
  if (follows !== null) return
  const back: WritesBack = { channel, queueId, address, number, customer, subject }
  const turn = theirs(thread)
  const says = saysOf(talkOf(stage, memory.seed, threadId, thread.queueId), channel)
  const text = says[turn]
  // Whoever was written to first has one thing to say back.
  if (text === undefined) return turn > 0 && channel === 'chat' ? note(atMs + 6 * SECOND, { kind: 'leaveDone', threadId }) : undefined
  if (channel === 'mail')
    return turn === says.length - 1 && chanceOfCall(memory.seed, threadId, 'thanks').next() < 0.3
      ? note(atMs + MAIL_BACK_MS, { kind: 'writeOn', threadId, turn, back })
      : undefined
  if (channel === 'text') return note(atMs + TEXT_BACK_MS, { kind: 'writeOn', threadId, turn, back })
  const typesMs = Math.max(2 * SECOND, text.length * TYPES_PER_CHARACTER_MS)
  // Of a past day nobody sees who was typing.
  if (memory.day.kind === 'live') note(atMs + READS_MS, { kind: 'typeOn', threadId })
  note(atMs + READS_MS + typesMs, { kind: 'writeOn', threadId, turn })
}

/** After a break of the floor everybody gets a fresh intention from where they stand. */
export function resumeWriting(scene: Scene, floor: FloorState, atMs: number): void {
  for (const thread of values(floor.threads)) {
    const { id: threadId, state, agentId, lines } = thread
    if (state === 'ended') continue
    const last = lines.findLast((l) => !l.aside)
    // Whoever kept their place waits for nothing but the ring.
    if (thread.keptFor === null && last?.byAgentId == null) waits(scene, thread, atMs)
    else if (thread.keptFor === null && (last?.sent ?? null) === null) goesOn(scene, thread, atMs)
    else if (thread.keptFor === null && last?.sent?.state === 'delivered') goesOn(scene, thread, atMs)
    for (const { no, sent } of lines) if (sent?.state === 'sending') scene.note(atMs + SENDS_MS, { kind: 'sendOn', threadId, no })
    if (agentId === null || !scene.memory.plays.has(agentId)) continue
    if (state === 'offered') isAsked(scene, threadId, agentId, atMs)
    if (state === 'open') replies(scene, floor, thread, agentId, atMs, 'resumes')
  }
}
