// How colleagues are listed: who could help first, with a mark before the words.
import type { SeatView } from '@/exchange/protocol'

const ORDER = { ready: 0, ringing: 1, onCall: 2, internalCall: 3, wrapUp: 4, notReady: 5, signedOut: 6 } as const

export const inOrder = (a: SeatView, b: SeatView): number => ORDER[a.state] - ORDER[b.state] || a.sinceMs - b.sinceMs

/** The same as in the shift bar: a form for each state, so that colour says nothing alone. */
export const MARKS = {
  ready: 'size-3 border-[3px] border-green',
  ringing: 'size-3 border-[3px] border-dashed border-brass',
  onCall: 'size-3 bg-green',
  internalCall: 'size-3 border-[3px] border-double border-sea',
  wrapUp: 'h-3 w-1.5 bg-brass',
  notReady: 'h-1 w-3 bg-ink',
  signedOut: 'h-px w-3 bg-line-strong',
} as const
