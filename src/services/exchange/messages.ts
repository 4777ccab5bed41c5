// What is answered to a tab that asks for messages: the mailboxes its account may open, with what is in them.
import { type AgentId, toQueueId } from '@/core/ids'
import { unentitled } from '@/core/rules/rights'
import { greetingOf, mayOpenBox, workOf } from '@/core/rules/voicemail'
import { agentName } from '@/core/set-up'
import { type FloorState, revisionOf } from '@/core/state'
import { get, values } from '@/core/table'
import { type Box, boxKey, boxOwner, type Greeting, type Message } from '@/core/voicemail'

/** What one sees without opening anything. */
export interface VoicemailPart {
  /** Changes with every change of a message or a greeting. */
  readonly revision: number
  /** Of one's own. */
  readonly unheard: number
}

export interface MessageView extends Message {
  readonly boxName: string
  /** Who sent it on. */
  readonly forwardedBy: string | null
  /** While it is work: with whom, or null for somebody who is yet to take it. */
  readonly work: { readonly with: string | null } | null
}

export interface BoxView {
  readonly box: Box
  readonly name: string
  readonly greeting: Greeting
  /** It greets with words or a recording of its own. */
  readonly isOwn: boolean
  readonly mayGreet: boolean
}

export interface MessagesPage {
  readonly boxes: readonly BoxView[]
  /** The latest first. */
  readonly messages: readonly MessageView[]
  /** Sounds that are in use anywhere on the floor: what a browser keeps besides can go. */
  readonly soundsInUse: readonly string[]
}

/** The parts of everybody, looked up anew when something of a message or a greeting has changed. */
export function createVoicemailParts(state: FloorState): (agentId: AgentId) => VoicemailPart {
  let revision = -1
  const unheard = new Map<string, number>()
  return (agentId) => {
    const now = revisionOf(state, 'messages') + revisionOf(state, 'greetings')
    if (now !== revision) {
      revision = now
      unheard.clear()
      for (const { box, heard, deletedAtMs } of values(state.messages))
        if (box.kind === 'agent' && !heard && deletedAtMs === null) unheard.set(box.agentId, (unheard.get(box.agentId) ?? 0) + 1)
    }
    return { revision, unheard: unheard.get(agentId) ?? 0 }
  }
}

export function selectMessages(state: FloorState, agentId: AgentId): MessagesPage {
  const { setUp } = state
  const all = values(state.messages)
  const mayOpen = all.filter((m) => mayOpenBox(state, agentId, m.box))
  const filled = new Set(mayOpen.map((m) => boxKey(m.box)))
  const mayGreetQueues = unentitled(state, agentId, 'setUp') === null
  const boxes: readonly Box[] = [
    { kind: 'agent', agentId },
    ...setUp.queues.flatMap((q) => ((q.takesMessages && !q.retired) || filled.has(q.id) ? [{ kind: 'queue', queueId: toQueueId(q.id) } as const] : [])),
  ].filter((box) => mayOpenBox(state, agentId, box as Box)) as Box[]
  return {
    boxes: boxes.map((box) => ({
      box,
      name: boxOwner(setUp, box) ?? '',
      greeting: greetingOf(state, box),
      isOwn: get(state.greetings, boxKey(box))?.greeting != null,
      mayGreet: box.kind === 'agent' || mayGreetQueues,
    })),
    messages: mayOpen
      .toSorted((a, b) => arrivedAtMs(b) - arrivedAtMs(a) || (a.id < b.id ? 1 : -1))
      .map((message) => ({
        ...message,
        boxName: boxOwner(setUp, message.box) ?? '',
        forwardedBy: message.forwarded === null ? null : agentName(setUp, message.forwarded.byAgentId),
        work: withWhom(state, message),
      })),
    soundsInUse: [
      ...all.map((m) => m.recordingId),
      ...values(state.greetings).flatMap(({ greeting }) => (greeting?.recording == null ? [] : [greeting.recording.recordingId])),
      ...values(state.calls).flatMap(({ leaving }) => (leaving === null ? [] : [leaving.recordingId])),
    ],
  }
}

/** In this mailbox. */
const arrivedAtMs = ({ forwarded, beganAtMs }: Message): number => forwarded?.atMs ?? beganAtMs

function withWhom(state: FloorState, message: Message): MessageView['work'] {
  const work = workOf(state, message)
  if (work === undefined) return null
  return { with: work.handledBy === null ? null : agentName(state.setUp, work.handledBy) }
}
