// What a wish about chats, mails and texts comes to on a floor at a moment.
import { WRITTEN_CHANNELS, type Written } from '@/core/channels'
import { type AgentId, toThreadId, type WorkId } from '@/core/ids'
import type { WritingCommand } from '@/core/rules/writing'
import type { FloorState } from '@/core/state'
import { values } from '@/core/table'
import type { Thread } from '@/core/threads'
import { MANY, OUTSIDE_PARTIES } from './crowded'
import { FIRST, SECOND_QUEUE } from './small'

export const WRITING = [
  ...(['threadArrives', 'threadArrives', 'threadArrives', 'customerWrites', 'customerTypes', 'customerLeaves', 'customerKeepsPlace', 'lineSent'] as const),
  ...(['takeThread', 'takeThread', 'takeThread', 'takeThread', 'declineThread', 'writeLine', 'writeLine', 'endThread', 'endThread'] as const),
  ...([
    'ringInstead',
    'ringInstead',
    'parkThread',
    'parkThread',
    'unparkThread',
    'unparkThread',
    'unparkThread',
    'handThreadOn',
    'handThreadOn',
    'moveThread',
    'moveThread',
    'askIn',
    'askIn',
    'askOut',
    'askOut',
    'askOut',
    'openThread',
  ] as const),
] as const
export type WritingKind = (typeof WRITING)[number]

const nth = <T>(items: readonly T[], n: number): T | undefined => (items.length === 0 ? undefined : items[n % items.length])

export const isWriting = (kind: string): kind is WritingKind => (WRITING as readonly string[]).includes(kind)

/** What must come about first. */
export function soonerWritten(state: FloorState, kind: WritingKind): WritingKind {
  const before = FIRST_OF[kind]
  const suits = OF[kind] ?? (() => true)
  return before === undefined || values(state.threads).some(suits) ? kind : soonerWritten(state, before)
}

interface Picks {
  readonly agentId: AgentId
  readonly pick: number
  readonly party: number
  readonly flag: boolean
}

const OF: Readonly<Partial<Record<WritingKind, (t: Thread) => boolean>>> = {
  customerKeepsPlace: (t) => t.state === 'waiting' && t.channel === 'chat',
  lineSent: (t) => t.lines.at(-1)?.sent?.state === 'sending',
  takeThread: (t) => t.state === 'offered',
  declineThread: (t) => t.state === 'offered',
  writeLine: (t) => t.state === 'open',
  endThread: (t) => t.state === 'open',
  ringInstead: (t) => t.state === 'open' && t.number !== null,
  parkThread: (t) => t.state === 'open' && t.channel !== 'chat',
  unparkThread: (t) => t.state === 'parked',
  handThreadOn: (t) => t.state === 'open',
  askIn: (t) => t.state === 'open',
  askOut: (t) => t.askedIn.length > 0,
}

const FIRST_OF: Readonly<Partial<Record<WritingKind, WritingKind>>> = {
  customerWrites: 'threadArrives',
  customerTypes: 'threadArrives',
  customerLeaves: 'threadArrives',
  customerKeepsPlace: 'threadArrives',
  lineSent: 'writeLine',
  takeThread: 'threadArrives',
  declineThread: 'threadArrives',
  writeLine: 'takeThread',
  endThread: 'takeThread',
  parkThread: 'takeThread',
  unparkThread: 'parkThread',
  ringInstead: 'takeThread',
  handThreadOn: 'takeThread',
  moveThread: 'threadArrives',
  askIn: 'takeThread',
  askOut: 'askIn',
}

export function toWriting(state: FloorState, kind: WritingKind, { agentId: wanted, pick, party, flag }: Picks): WritingCommand {
  const all = values(state.threads).filter((t) => t.state !== 'ended' || pick % 9 === 0)
  const suits = all.filter(OF[kind] ?? (() => true))
  const thread = pick % 9 === 0 ? nth(all, party) : (nth(suits, party) ?? nth(all, party))
  const threadId: WorkId = thread?.id ?? toThreadId('thread_none')
  const agentId = pick % 9 === 0 ? wanted : (thread?.agentId ?? wanted)
  const of = { agentId, threadId }
  const colleague = MANY[pick % MANY.length] as AgentId
  const number = `+4416329601${String(party % OUTSIDE_PARTIES).padStart(2, '0')}`
  const channel: Written = WRITTEN_CHANNELS[party % 3] as Written
  const queueId = flag ? FIRST : SECOND_QUEUE
  switch (kind) {
    case 'threadArrives':
      return {
        kind,
        channel,
        queueId,
        address: channel === 'mail' ? 'them@example.com' : number,
        number: channel === 'text' ? number : null,
        customer: pick % 3 === 0 ? { name: 'Passholder', group: 'Pass', facts: [] } : null,
        subject: null,
        path: null,
        text: 'Hello',
        ...(pick % 7 === 0 ? { offeredTo: colleague } : {}),
      }
    case 'customerWrites':
      return { kind, threadId, text: pick % 9 === 1 ? ' ' : 'And another thing' }
    case 'customerTypes':
      return { kind, threadId, on: flag }
    case 'customerLeaves':
      return { kind, threadId }
    case 'customerKeepsPlace':
      return { kind, threadId, number: party % 4 === 0 ? null : number }
    case 'lineSent':
      return { kind, threadId, no: thread?.lineCount ?? 1, failure: flag ? null : 'The number is not in use.' }
    case 'writeLine':
      return { kind, ...of, text: pick % 9 === 1 ? '' : 'Certainly', aside: flag }
    case 'parkThread':
      return { kind, ...of, untilMs: state.atMs + (party % 5) * 30_000 }
    case 'handThreadOn':
      return { kind, ...of, to: flag ? { kind: 'queue', queueId: party % 2 === 0 ? FIRST : SECOND_QUEUE } : { kind: 'agent', agentId: colleague } }
    case 'moveThread':
      return { kind, agentId: wanted, threadId, to: flag ? { kind: 'queue', queueId } : { kind: 'agent', agentId: colleague } }
    case 'askIn':
      return { kind, ...of, toAgentId: colleague }
    case 'askOut':
      return { kind, ...of, toAgentId: thread?.askedIn[0] ?? colleague }
    case 'openThread':
      return { kind, agentId: wanted, channel, queueId, to: channel === 'mail' ? 'them@example.com' : number, subject: '', text: 'Good morning' }
    default:
      return { kind, ...of }
  }
}
