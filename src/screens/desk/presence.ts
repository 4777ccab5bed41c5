// How colleagues are listed: who could help first.
import type { SeatView } from '@/services/exchange/protocol'

const ORDER = { ready: 0, ringing: 1, onCall: 2, internalCall: 3, listening: 4, writing: 5, wrapUp: 6, notReady: 7, signedOut: 8 } as const

export const inOrder = (a: SeatView, b: SeatView): number => ORDER[a.state] - ORDER[b.state] || a.sinceMs - b.sinceMs
