// People who write: they begin a chat, a mail or a text, type with pauses, answer what they are asked, and leave a chat in which nobody says
// anything. Colleagues played by the stand-ins answer them between calls. The gateway sends texts on, or says why it could not.
import { type Chance, createChance, seedFor } from '@/core/chance'
import type { Written } from '@/core/channels'
import type { Command } from '@/core/floor'
import type { AgentId, QueueId, WorkId } from '@/core/ids'
import { type FloorState, nextThreadId } from '@/core/state'
import { get, values } from '@/core/table'
import type { Thread } from '@/core/threads'
import { HOUR, MINUTE, SECOND } from '@/core/time'
import { chanceOfCall } from './chance-of-call'
import { hoursToday, timeOfDayMs } from './opening'
import { readOn } from './reads'
import type { Acts, Scene, Sees } from './scene'
import type { Stage, Talk } from './stage'
import type { WriteWish } from './wish'

/** How fast people type. */
const TYPES_PER_CHARACTER_MS = 55
const READS_MS = 1_800
const SENDS_MS = 1_200
/** When a text or a mail is answered. */
const TEXT_BACK_MS = 9 * SECOND
const MAIL_BACK_MS = 3 * MINUTE
const READ_STEPS = 4

/** Somebody begins to write to each queue and channel from then on; the live day only. */
export function beginWriting(scene: Scene, floor: FloorState, fromMs: number): void {
  if (scene.memory.day.kind !== 'live') return
  for (const { id, writes, retired } of floor.setUp.queues) if (!retired) for (const { channel } of writes) noteWriter(scene, id, channel, fromMs)
}

function noteWriter(scene: Scene, queueId: QueueId, channel: Written, fromMs: number): void {
  const { stage, memory, note } = scene
  const perHour = stage.rhythm.writtenPerHour(memory.pace, queueId, channel)
  if (perHour === 0) return
  const chance = createChance(seedFor(memory.seed, `writes ${queueId} ${channel} ${memory.dayNo} ${fromMs}`))
  const at = fromMs + chance.exponential(HOUR / perHour)
  if (timeOfDayMs(hoursToday(stage, memory), memory, at) < hoursToday(stage, memory).closesMs)
    note(at, { kind: 'writes', queueId, channel, dayNo: memory.dayNo })
}

export const talkOf = ({ talks }: Stage, seed: number, id: WorkId, queueId: QueueId): Talk => {
  const fitting = talks.filter((t) => t.of === queueId)
  return chanceOfCall(seed, id, 'writes').pick(fitting.length === 0 ? talks : fitting)
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
    ...{ kind: 'threadArrives', channel, queueId, address, number, customer, path: null },
    ...{ subject: channel === 'mail' ? talk.subject : null, text: firstWords(talk, channel) },
    ...(offeredTo === null ? {} : { offeredTo }),
  }
}

/** A mail says at once what a chat says bit by bit. */
const firstWords = ({ says }: Talk, channel: Written): string => (channel === 'mail' ? says.slice(0, -1).join('\n\n') : (says[0] ?? ''))
const saysOf = ({ says }: Talk, channel: Written): readonly string[] => (channel === 'mail' ? [firstWords({ says } as Talk, 'mail'), says.at(-1) ?? ''] : says)

const isOn = (floor: FloorState, threadId: WorkId): boolean => (get(floor.threads, threadId)?.state ?? 'ended') !== 'ended'
const theirs = ({ lines }: Thread): number => lines.filter((l) => l.byAgentId === null).length
const ours = ({ lines }: Thread): number => lines.filter((l) => l.byAgentId !== null && !l.aside).length

export const WRITERS: Acts<
  'writes' | 'write' | 'typeOn' | 'writeOn' | 'leaveUnanswered' | 'leaveDone' | 'sendOn' | 'takeThread' | 'replyThread' | 'endThread'
> = {
  writes(scene, { queueId, channel, dayNo }, floor, atMs) {
    if (dayNo !== scene.memory.dayNo || scene.memory.pace === 'quiet') return []
    noteWriter(scene, queueId, channel, atMs)
    return [begins(scene, floor, { channel, queueId, customerId: null, patienceMs: null }, null)]
  },
  write(scene, { wish, offeredTo }, floor) {
    scene.memory.writerPatienceMs = wish.patienceMs
    return [begins(scene, floor, wish, offeredTo)]
  },
  typeOn: (_, { threadId }, floor) => (isOn(floor, threadId) ? [{ kind: 'customerTypes', threadId, on: true }] : []),
  writeOn({ stage, memory }, { threadId, turn }, floor) {
    const thread = get(floor.threads, threadId)
    if (thread === undefined || thread.state === 'ended' || theirs(thread) !== turn) return []
    const text = saysOf(talkOf(stage, memory.seed, threadId, thread.queueId), thread.channel)[turn]
    return text === undefined ? [] : [{ kind: 'customerWrites', threadId, text }]
  },
  leaveUnanswered(_, { threadId, oursWere }, floor) {
    const thread = get(floor.threads, threadId)
    return thread === undefined || thread.state === 'ended' || ours(thread) !== oursWere ? [] : [{ kind: 'customerLeaves', threadId }]
  },
  leaveDone: (_, { threadId }, floor) => (isOn(floor, threadId) ? [{ kind: 'customerLeaves', threadId }] : []),
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
    if (agent.engagements.length > 0) {
      scene.note(atMs + 8 * SECOND, act)
      return []
    }
    const { answers } = talkOf(stage, memory.seed, threadId, thread.queueId)
    const said = ours(thread)
    const text = answers[Math.min(said, answers.length - 1)] ?? ''
    if (thread.channel === 'mail' || said + 1 >= answers.length) scene.note(atMs + 9 * SECOND, { kind: 'endThread', agentId, threadId })
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
    memory.writerPatienceMs = null
    waits(scene, get(floor.threads, threadId), atMs)
  },
  threadOffered: (scene, { threadId, agentId }, _, atMs) => isAsked(scene, threadId, agentId, atMs),
  threadHandedOn: (scene, { threadId, to }, _, atMs) => (to.kind === 'agent' ? isAsked(scene, threadId, to.agentId, atMs) : undefined),
  threadTaken(scene, { threadId, agentId }, floor, atMs) {
    if (scene.memory.plays.has(agentId)) replies(scene, threadId, agentId, atMs, `takes ${get(floor.threads, threadId)?.lineCount}`)
  },
  threadWritten(scene, { threadId, byAgentId, aside }, floor, atMs) {
    const thread = get(floor.threads, threadId)
    if (thread === undefined || aside) return
    const { channel, agentId, state, lineCount } = thread
    if (byAgentId === null) {
      waits(scene, thread, atMs)
      if (state === 'open' && agentId !== null && scene.memory.plays.has(agentId)) replies(scene, threadId, agentId, atMs, `answers ${lineCount}`)
      return
    }
    if (channel === 'text') scene.note(atMs + SENDS_MS, { kind: 'sendOn', threadId, no: lineCount })
    goesOn(scene, thread, atMs)
  },
  threadCalled: ({ memory }, { threadId }) => void memory.patienceOf.delete(threadId),
  threadEnded: ({ memory }, { threadId }) => void memory.patienceOf.delete(threadId),
}

function isAsked({ memory, note }: Scene, threadId: WorkId, agentId: AgentId, atMs: number): void {
  const chance = chanceOfCall(memory.seed, threadId, `takes ${agentId}`)
  if (memory.plays.has(agentId) && !memory.gone.has(agentId)) note(atMs + 1_500 + chance.next() * 5_000, { kind: 'takeThread', agentId, threadId })
}

function replies({ memory, note }: Scene, threadId: WorkId, agentId: AgentId, atMs: number, why: string): void {
  const chance: Chance = chanceOfCall(memory.seed, threadId, why)
  note(atMs + 7 * SECOND + chance.next() * 18 * SECOND, { kind: 'replyThread', agentId, threadId })
}

/** In a chat people go when nobody says anything. */
function waits({ memory, note }: Scene, thread: Thread | undefined, atMs: number): void {
  if (thread?.channel !== 'chat') return
  const patienceMs = memory.patienceOf.get(thread.id) ?? 2.5 * MINUTE + chanceOfCall(memory.seed, thread.id, 'patience').exponential(2 * MINUTE)
  note(atMs + patienceMs, { kind: 'leaveUnanswered', threadId: thread.id, oursWere: ours(thread) })
}

/** They have been answered: they say the next thing, or it is done. */
function goesOn({ stage, memory, note }: Scene, thread: Thread, atMs: number): void {
  const { id: threadId, channel } = thread
  const turn = theirs(thread)
  const says = saysOf(talkOf(stage, memory.seed, threadId, thread.queueId), channel)
  const text = says[turn]
  // Whoever was written to first has one thing to say back.
  if (text === undefined) return turn > 0 && channel === 'chat' ? note(atMs + 6 * SECOND, { kind: 'leaveDone', threadId }) : undefined
  if (channel === 'mail')
    return turn === says.length - 1 && chanceOfCall(memory.seed, threadId, 'thanks').next() < 0.3
      ? note(atMs + MAIL_BACK_MS, { kind: 'writeOn', threadId, turn })
      : undefined
  const typesMs = Math.max(2 * SECOND, text.length * TYPES_PER_CHARACTER_MS)
  if (channel === 'chat') note(atMs + READS_MS, { kind: 'typeOn', threadId })
  note(atMs + (channel === 'chat' ? READS_MS + typesMs : TEXT_BACK_MS), { kind: 'writeOn', threadId, turn })
}

/** After a break of the floor everybody gets a fresh intention from where they stand. */
export function resumeWriting(scene: Scene, floor: FloorState, atMs: number): void {
  for (const thread of values(floor.threads)) {
    const { id: threadId, state, agentId, lines } = thread
    if (state === 'ended') continue
    const last = lines.findLast((l) => !l.aside)
    if (last?.byAgentId == null) waits(scene, thread, atMs)
    else goesOn(scene, thread, atMs)
    for (const { no, sent } of lines) if (sent?.state === 'sending') scene.note(atMs + SENDS_MS, { kind: 'sendOn', threadId, no })
    if (agentId === null || !scene.memory.plays.has(agentId)) continue
    if (state === 'offered') isAsked(scene, threadId, agentId, atMs)
    if (state === 'open') replies(scene, threadId, agentId, atMs, 'resumes')
  }
}
