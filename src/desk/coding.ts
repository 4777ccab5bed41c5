// Which call the agent is coding, when it is not the one in front: one that is owed, chosen from the list or left by a wrap-up that
// ran over its limit while it was being written. What is written then stays where it is.
import { useState } from 'react'
import type { CallId } from '@/core/ids'
import type { MeView } from '@/exchange/protocol'

interface Coding {
  readonly callId: CallId | null
  /** The call talked on and the wrap-up that were on when this was decided. */
  readonly talksOn: CallId | null
  readonly wrapUp: CallId | null
}

/** null when it is the call in front. Answering another call ends it; so does saving, because the call is owed no more. */
export function useCoding(me: MeView, talksOn: CallId | null): readonly [CallId | null, (callId: CallId | null) => void] {
  const wrapUp = me.wrapUp?.callId ?? null
  const [held, setHeld] = useState<Coding>({ callId: null, talksOn, wrapUp })
  let now = held
  if (held.wrapUp !== wrapUp) {
    const ranOver = me.owed.some((o) => o.callId === held.wrapUp && o.because === 'limit')
    now = { ...now, wrapUp, callId: ranOver ? held.wrapUp : now.callId }
  }
  if (held.talksOn !== talksOn) now = { ...now, talksOn, callId: talksOn === null ? now.callId : null }
  if (now.callId !== null && !me.owed.some((o) => o.callId === now.callId)) now = { ...now, callId: null }
  if (now !== held) setHeld(now)
  return [now.callId, (callId) => setHeld({ callId, talksOn, wrapUp })]
}
