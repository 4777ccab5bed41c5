// What may be opened on a line of the board.
import type { Target } from '@/core/calls'
import type { CallId } from '@/core/ids'

export type Panel = 'transfer' | 'conference' | 'keypad' | 'divert'

/** What is opened on a line: a picker or the keypad. */
export interface OpenPanel {
  readonly callId: CallId
  readonly panel: Panel
  /** Whom it is about, when they were dropped on the line or found in the dial line. */
  readonly target?: Target
}
