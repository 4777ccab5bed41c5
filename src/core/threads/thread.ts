// A chat, a mail or a text as it is carried: where it stands, in whose hands, and what was written.
import type { Customer, Offer } from '@/core/calls'
import type { Channel, Written } from '@/core/channels'
import type { AgentId, QueueId, WorkId } from '@/core/ids'
import type { EpochMs } from '@/core/time'
import type { ThreadEvent } from './event'

/** Characters of what is written at once; longer is refused, never cut. */
export const LONGEST_TEXT = 100_000
/** Of what is begun and not sent: what is too long to be sent is cut by whoever wrote it, and by nobody else. */
export const LONGEST_DRAFT = 4 * LONGEST_TEXT

/** `waiting` in its queue's line; `offered` to an agent; `open` in somebody's hands; `parked` until a time; `ended`. */
export type ThreadState = 'waiting' | 'offered' | 'open' | 'parked' | 'ended'

export interface Line {
  /** 1, 2, 3 … within the thread. */
  readonly no: number
  readonly atMs: EpochMs
  /** null: the other side. */
  readonly byAgentId: AgentId | null
  readonly text: string
  /** For colleagues' eyes only. */
  readonly aside: boolean
  /** Of a text that is sent: whether the gateway has sent it on; null for everything that needs no gateway. */
  readonly sent: { readonly state: 'sending' | 'delivered' } | { readonly state: 'failed'; readonly why: string } | null
}

/** How many of the last lines stay with a thread in hand; what was said before them is in the ledger. */
export const LINES_IN_HAND = 20_000

export interface Thread {
  readonly id: WorkId
  readonly channel: Written
  readonly queueId: QueueId
  /** Who they write as. */
  readonly address: string
  readonly number: string | null
  readonly customer: Customer | null
  readonly subject: string | null
  readonly path: string | null
  /** What is over that this answers; null for something new. */
  readonly follows: WorkId | null
  readonly beganAtMs: EpochMs
  readonly state: ThreadState
  readonly sinceMs: EpochMs
  /** To whom it is offered, or who has it in hand; while it is parked, who parked it. */
  readonly agentId: AgentId | null
  /** Since when it is with that agent. */
  readonly withSinceMs: EpochMs | null
  /** When it entered its line, earlier by its head start: what waiting pieces are ordered by. */
  readonly place: EpochMs
  /** Since when it stands in the line of its queue, offers nobody took included: what it is offered further by. */
  readonly linedUpMs: EpochMs
  readonly passedBy: readonly { readonly agentId: AgentId; readonly atMs: EpochMs }[]
  readonly alsoFor: readonly Offer[]
  readonly askedIn: readonly AgentId[]
  readonly parkedUntilMs: EpochMs | null
  readonly lines: readonly Line[]
  readonly lineCount: number
  /** First words of an agent that the other side saw. */
  readonly answeredAtMs: EpochMs | null
  readonly typing: boolean
  /** The other side has gone and kept its place: the number they are rung at when their turn comes. */
  readonly keptFor: string | null
}

/** An agent’s end of a thread; null while it is in nobody’s hands. */
export interface InHand {
  readonly threadId: WorkId
  /** As what it counts among what an agent may carry. */
  readonly channel: Channel
  readonly state: 'offered' | 'open'
}

/** Whoever kept their place is rung: it takes the room of a call. */
export const takesRoomAs = ({ channel, keptFor }: Pick<Thread, 'channel' | 'keptFor'>): Channel => (keptFor === null ? channel : 'call')

export const handOf = (thread: Thread): { readonly agentId: AgentId; readonly hand: InHand } | null => {
  const { id, state, agentId } = thread
  return agentId !== null && (state === 'offered' || state === 'open') ? { agentId, hand: { threadId: id, channel: takesRoomAs(thread), state } } : null
}

/** Whose hands it has left (`hand` null) or come into by a change, or is otherwise in now. */
export function handsMoved(before: Thread | undefined, after: Thread): readonly { readonly agentId: AgentId; readonly hand: InHand | null }[] {
  const was = before === undefined ? null : handOf(before)
  const is = handOf(after)
  const left = was !== null && was.agentId !== is?.agentId ? [{ agentId: was.agentId, hand: null }] : []
  return is !== null && (was?.agentId !== is.agentId || was.hand.state !== is.hand.state) ? [...left, is] : left
}

export const threadWaitsIn = ({ state, queueId }: Thread): QueueId | null => (state === 'waiting' ? queueId : null)
export const isOverThread = ({ state }: Thread): boolean => state === 'ended'

/** When an offer that nobody takes goes on; null while none is made. */
export const offerDueAtMs = ({ state, sinceMs }: Thread, ringLimitMs: number): EpochMs | null => (state === 'offered' ? sinceMs + ringLimitMs : null)

/** Since when the other side waits for an answer; null while it is their turn. What was said aside is none. */
export function waitsForUsSinceMs({ lines }: Pick<Thread, 'lines'>): EpochMs | null {
  let since: EpochMs | null = null
  for (let at = lines.length - 1; at >= 0; at--) {
    const line = lines[at] as Line
    if (line.aside) continue
    if (line.byAgentId !== null) break
    since = line.atMs
  }
  return since
}

/** Throws on an event of a thread that is not there: that is damage or a bug. */
export function evolveThread(thread: Thread | undefined, event: ThreadEvent, atMs: EpochMs): Thread {
  if (event.kind === 'threadBegan') {
    const { threadId: id, channel, queueId, address, number, customer, subject, path, headStartMs, follows } = event
    const began = { id, channel, queueId, address, number, customer, subject, path, follows, beganAtMs: atMs, state: 'waiting', sinceMs: atMs } as const
    return written({ ...NEW, ...began, place: atMs - headStartMs, linedUpMs: atMs }, { byAgentId: null, text: event.text, aside: false }, atMs)
  }
  if (event.kind === 'threadOpened') {
    const { threadId: id, channel, queueId, address, number, customer, subject, byAgentId: agentId } = event
    const opened = {
      id,
      channel,
      queueId,
      address,
      number,
      customer,
      subject,
      path: null,
      follows: null,
      beganAtMs: atMs,
      state: 'open',
      sinceMs: atMs,
    } as const
    return { ...NEW, ...opened, agentId, withSinceMs: atMs, place: atMs, linedUpMs: atMs }
  }
  if (thread === undefined) throw new Error(`no thread ${event.threadId}`)
  const to = (state: ThreadState): Pick<Thread, 'state' | 'sinceMs'> => ({ state, sinceMs: atMs })
  switch (event.kind) {
    case 'threadOffered':
      return { ...thread, ...to('offered'), agentId: event.agentId, parkedUntilMs: null }
    case 'threadPassed':
      return { ...thread, ...to('waiting'), agentId: null, withSinceMs: null, passedBy: passed(thread, event.agentId, atMs) }
    case 'threadTaken':
      return { ...thread, ...to('open'), agentId: event.agentId, withSinceMs: atMs, askedIn: thread.askedIn.filter((id) => id !== event.agentId) }
    case 'threadOverflowed':
      return { ...thread, alsoFor: [...thread.alsoFor, event.offer] }
    case 'threadWritten':
      return written(thread, event, atMs)
    case 'threadDelivered':
      return { ...thread, lines: thread.lines.map((line) => (line.no === event.no ? { ...line, sent: sentAs(event.failure) } : line)) }
    case 'threadTyped':
      return { ...thread, typing: event.on }
    case 'threadHandedOn':
      return event.to.kind === 'agent'
        ? { ...thread, ...to('offered'), agentId: event.to.agentId, withSinceMs: null, parkedUntilMs: null, askedIn: [] }
        : { ...thread, ...to('waiting'), ...NOBODYS, queueId: event.to.queueId, linedUpMs: atMs }
    case 'threadAskedIn':
      return { ...thread, askedIn: [...thread.askedIn.filter((id) => id !== event.agentId), event.agentId] }
    case 'threadAskedOut':
      return { ...thread, askedIn: thread.askedIn.filter((id) => id !== event.agentId) }
    case 'threadParked':
      return { ...thread, ...to('parked'), parkedUntilMs: event.untilMs, askedIn: [] }
    case 'threadUnparked':
      return { ...thread, ...to('waiting'), agentId: null, withSinceMs: null, parkedUntilMs: null, linedUpMs: atMs, passedBy: [], alsoFor: [] }
    case 'threadPlaceKept':
      return { ...thread, keptFor: event.number, number: event.number, typing: false }
    case 'threadCalled':
      // Whoever kept their place is answered by being rung.
      return { ...thread, ...to('ended'), typing: false, askedIn: [], answeredAtMs: thread.answeredAtMs ?? (thread.keptFor === null ? null : atMs) }
    case 'threadEnded':
      return { ...thread, ...to('ended'), typing: false, askedIn: [] }
  }
}

const NOBODYS = { agentId: null, withSinceMs: null, parkedUntilMs: null, passedBy: [], alsoFor: [], askedIn: [] } as const

const NEW = {
  ...NOBODYS,
  lines: [],
  lineCount: 0,
  answeredAtMs: null,
  typing: false,
  keptFor: null,
} as const

const passed = ({ passedBy }: Thread, agentId: AgentId, atMs: EpochMs): Thread['passedBy'] => [
  ...passedBy.filter((p) => p.agentId !== agentId),
  { agentId, atMs },
]

const sentAs = (failure: string | null): Line['sent'] => (failure === null ? { state: 'delivered' } : { state: 'failed', why: failure })

function written(thread: Thread, { byAgentId, text, aside }: Pick<Line, 'byAgentId' | 'text' | 'aside'>, atMs: EpochMs): Thread {
  const ours = byAgentId !== null && !aside
  const line: Line = { no: thread.lineCount + 1, atMs, byAgentId, text, aside, sent: ours && thread.channel === 'text' ? { state: 'sending' } : null }
  return {
    ...thread,
    lines: [...thread.lines, line].slice(-LINES_IN_HAND),
    lineCount: line.no,
    answeredAtMs: thread.answeredAtMs ?? (ours ? atMs : null),
    typing: byAgentId === null ? false : thread.typing,
  }
}
