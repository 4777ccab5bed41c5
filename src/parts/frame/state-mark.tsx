// The mark before a colleague's state.
import type { AgentStateName } from '@/core/agents'

/** The same as in the shift bar: a form for each state, so that colour says nothing alone. */
const MARKS: Readonly<Record<AgentStateName, string>> = {
  ready: 'size-3 border-[3px] border-green',
  ringing: 'size-3 border-[3px] border-dashed border-brass',
  onCall: 'size-3 bg-green',
  internalCall: 'size-3 border-[3px] border-double border-sea',
  listening: 'size-3 border-[3px] border-dotted border-sea',
  writing: 'size-3 rounded-full bg-sea',
  wrapUp: 'h-3 w-1.5 bg-brass',
  notReady: 'h-1 w-3 bg-ink',
  signedOut: 'h-px w-3 bg-line-strong',
}

export function StateMark({ state }: { state: AgentStateName }) {
  return (
    <span aria-hidden className="flex w-3 shrink-0 justify-center">
      <span className={MARKS[state]} />
    </span>
  )
}
