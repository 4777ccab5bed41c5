// Which call the agent is coding, when it is not the one in front: one that is owed, chosen from the list or left by a wrap-up that
// ran over its limit while it was being written. What is written then stays where it is.
import { useState } from 'react'
import type { CallId } from '@/core/ids'
import type { MeView } from '@/exchange/protocol'

export interface Coding {
  readonly callId: CallId | null
  /** The call talked on and the wrap-up that were on when this was decided. */
  readonly talksOn: CallId | null
  readonly wrapUp: CallId | null
}

type Seen = Pick<MeView, 'owed'> & { readonly wrapUp: { readonly callId: CallId } | null }

/** What is coded after the desk has changed; the same when nothing about it has. */
export function followCoding(held: Coding, me: Seen, talksOn: CallId | null): Coding {
  const wrapUp = me.wrapUp?.callId ?? null
  let now = held
  if (held.wrapUp !== wrapUp) {
    const ranOver = me.owed.some((o) => o.callId === held.wrapUp && o.because === 'limit')
    now = { ...now, wrapUp, callId: ranOver ? held.wrapUp : now.callId }
  }
  // Whoever answers turns to the call that is on.
  if (held.talksOn !== talksOn) now = { ...now, talksOn, callId: talksOn === null ? now.callId : null }
  // Saving it ends it: it is owed no more.
  return now.callId !== null && !me.owed.some((o) => o.callId === now.callId) ? { ...now, callId: null } : now
}

/** null when it is the call in front. */
export function useCoding(me: MeView, talksOn: CallId | null): readonly [CallId | null, (callId: CallId | null) => void] {
  const wrapUp = me.wrapUp?.callId ?? null
  const [held, setHeld] = useState<Coding>({ callId: null, talksOn, wrapUp })
  const now = followCoding(held, me, talksOn)
  if (now !== held) setHeld(now)
  return [now.callId, (callId) => setHeld({ callId, talksOn, wrapUp })]
}
