// How a stretch of each state is drawn: a height of its own, so that colour says nothing alone; what is work stands on the ground, what is waiting hangs.
import type { Spell } from '@/core/sessions'

export interface Look {
  readonly fill: string
  /** Shares of the lane, from its top. */
  readonly from: number
  readonly to: number
}

export const LOOKS: Readonly<Record<Spell['state'], Look>> = {
  onCall: { fill: 'var(--color-green)', from: 0, to: 1 },
  dialling: { fill: 'var(--color-green)', from: 0.5, to: 1 },
  internalCall: { fill: 'var(--color-sea)', from: 0.25, to: 1 },
  writing: { fill: 'var(--color-sea)', from: 0, to: 1 },
  listening: { fill: 'var(--color-sea)', from: 0.55, to: 1 },
  wrapUp: { fill: 'var(--color-brass)', from: 0.4, to: 1 },
  ringing: { fill: 'var(--color-brass)', from: 0, to: 0.35 },
  ready: { fill: 'var(--color-green)', from: 0.88, to: 1 },
  notReady: { fill: 'var(--color-ink)', from: 0.62, to: 1 },
  floorClosed: { fill: 'var(--color-line)', from: 0.46, to: 0.54 },
}

export const STATE_NAMES: Readonly<Record<Spell['state'], string>> = {
  onCall: 'On call',
  dialling: 'Dialling',
  internalCall: 'Internal call',
  listening: 'Listening in',
  writing: 'Writing',
  wrapUp: 'Wrap-up',
  ringing: 'Ringing',
  ready: 'Ready',
  notReady: 'Not ready',
  floorClosed: 'Floor closed',
}

export const spellWords = ({ state, reason }: Pick<Spell, 'state' | 'reason'>): string =>
  reason === null ? STATE_NAMES[state] : `${STATE_NAMES[state]} · ${reason}`
