// Which work is in front of the agent, when it is not that of the line in front: a chat, a mail or a text in hand, a call that is owed, chosen from the list or left by a wrap-up that
// ran over its limit while it was being written. What is written then stays where it is.
import { useState } from 'react'
import type { CallId } from '@/core/ids'
import type { MeView } from '@/services/exchange/protocol'

export interface Coding {
  readonly callId: CallId | null
  /** The call talked on and the wrap-up that were on when this was decided. */
  readonly talksOn: CallId | null
  readonly wrapUp: CallId | null
}

type Seen = Pick<MeView, 'owed'> & { readonly wrapUp: { readonly callId: CallId } | null }

const NOTHING: readonly CallId[] = []

/** What is coded after the desk has changed; the same when nothing about it has. `written`: chats, mails and texts in hand, which may be in front as well. */
export function followCoding(held: Coding, me: Seen, talksOn: CallId | null, written: readonly CallId[] = NOTHING): Coding {
  const wrapUp = me.wrapUp?.callId ?? null
  let now = held
  if (held.wrapUp !== wrapUp) {
    const ranOver = me.owed.some((o) => o.callId === held.wrapUp && o.because === 'limit')
    now = { ...now, wrapUp, callId: ranOver ? held.wrapUp : now.callId }
  }
  // Whoever answers turns to the call that is on.
  if (held.talksOn !== talksOn) now = { ...now, talksOn, callId: talksOn === null ? now.callId : null }
  // Saving it ends it: it is owed no more.
  const { callId } = now
  const isThere =
    callId !== null && (me.owed.some((o) => o.callId === callId) || (callId.startsWith('thread_') && wrapUp === callId) || written.includes(callId))
  return callId !== null && !isThere ? { ...now, callId: null } : now
}

/** null when it is the call in front. */
export function useCoding(me: MeView, talksOn: CallId | null, written: readonly CallId[]): readonly [CallId | null, (callId: CallId | null) => void] {
  const wrapUp = me.wrapUp?.callId ?? null
  const [held, setHeld] = useState<Coding>({ callId: null, talksOn, wrapUp })
  const now = followCoding(held, me, talksOn, written)
  if (now !== held) setHeld(now)
  return [now.callId, (callId) => setHeld({ callId, talksOn, wrapUp })]
}
