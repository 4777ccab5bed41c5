// A queue as a row of the Floor.
import type { Grouped } from '@/core/reports'
import type { PieceView, QueueView, WaitingCaller } from '@/services/exchange/protocol'

export interface QueueRow extends QueueView {
  readonly name: string
  readonly isPressing: boolean
  /** Of today; undefined before anything was offered. */
  readonly today: Grouped['measures'] | undefined
  readonly callers: readonly WaitingCaller[]
  /** What waits written. */
  readonly pieces: readonly PieceView[]
}
