// A message as it stands in a mailbox, folded from its events.
import type { AgentId, CallId, MessageId } from '@/core/ids'
import { type EpochMs, MINUTE } from '@/core/time'
import type { VoicemailEvent } from './event'
import type { Box, Spoken } from './schema'

export interface Message {
  readonly id: MessageId
  readonly box: Box
  /** The call it was left on. */
  readonly callId: CallId
  readonly number: string | null
  readonly name: string | null
  readonly fromAgentId: AgentId | null
  readonly beganAtMs: EpochMs
  readonly lastsMs: number
  readonly recordingId: string
  readonly words: readonly Spoken[]
  readonly heard: boolean
  /** Who sent it on to this mailbox, when, and what they wrote to it. */
  readonly forwarded: { readonly byAgentId: AgentId; readonly note: string; readonly atMs: EpochMs } | null
  /** It can be brought back for a while. */
  readonly deletedAtMs: EpochMs | null
}

/** A mailbox hangs up after this. */
export const LONGEST_MESSAGE_MS = 3 * MINUTE
/** Who hangs up sooner has left nothing. */
export const SHORTEST_MESSAGE_MS = 1_000
/** What is deleted can be brought back for this long. */
export const RESTORABLE_MS = 10 * MINUTE
/** Characters of what is written to a message sent on; what is longer is cut. */
export const LONGEST_NOTE = 500

export type MessageEvent = Exclude<VoicemailEvent, { kind: 'greetingSet' }>

/** null once it is gone. `source` is the message a forwarded one is of. */
export function evolveMessage(before: Message | undefined, event: MessageEvent, source: Message | undefined, atMs: EpochMs): Message | null {
  switch (event.kind) {
    case 'messageLeft': {
      const { kind: _, messageId: id, ...left } = event
      return { id, ...left, heard: false, forwarded: null, deletedAtMs: null }
    }
    case 'messageForwarded': {
      const { messageId: id, box, note, byAgentId } = event
      return source === undefined ? null : { ...source, id, box, heard: false, forwarded: { byAgentId, note, atMs }, deletedAtMs: null }
    }
    case 'messageMarked':
      return before === undefined ? null : { ...before, heard: event.heard }
    case 'messageDeleted':
      return before === undefined ? null : { ...before, deletedAtMs: atMs }
    case 'messageRestored':
      return before === undefined ? null : { ...before, deletedAtMs: null }
    case 'messagePurged':
      return null
  }
}
