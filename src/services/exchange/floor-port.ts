// A tab's end of the line to the floor, whichever way it goes.
import type { TabMessage } from './protocol'

/** With a port for the history, or two for the lists; only where ports can be handed on. */
export interface Introduction {
  readonly kind: 'forHistory' | 'forLists'
}
/** What a tab answers a pulse with. It needs no reply, and says nothing about whose it is. */
export const BEAT = 'beat'
export type Outgoing = TabMessage | 'bye' | typeof BEAT

export interface FloorPort {
  post(message: Outgoing): void
  /** Hands ports of another worker to the floor; false where that is not possible. */
  introduce(kind: Introduction['kind'], ...ports: readonly MessagePort[]): boolean
  close(): void
}
