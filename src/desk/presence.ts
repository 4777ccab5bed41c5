// How colleagues are listed: who could help first.
import type { SeatView } from '@/exchange/protocol'

const ORDER = { ready: 0, ringing: 1, onCall: 2, internalCall: 3, listening: 4, wrapUp: 5, notReady: 6, signedOut: 7 } as const

export const inOrder = (a: SeatView, b: SeatView): number => ORDER[a.state] - ORDER[b.state] || a.sinceMs - b.sinceMs
