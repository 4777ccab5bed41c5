// Tones a telephone may ring with: cadences of public networks (ITU-T E.180 Supplement 2) and some that are softer, or heard in a noisy room.
import { type Cadence, RINGING } from './tones'

export interface Ring {
  readonly id: string
  readonly label: string
  readonly cadence: Cadence
}

export const RINGS: readonly [Ring, ...Ring[]] = [
  { id: 'twoShort', label: 'Two short', cadence: RINGING },
  { id: 'oneLong', label: 'One long', cadence: { hertz: [425], secondsOnOff: [1, 4] } },
  { id: 'longBurr', label: 'Long burr', cadence: { hertz: [440, 480], secondsOnOff: [2, 4] } },
  { id: 'softPair', label: 'Soft pair', cadence: { hertz: [523.25, 659.25], secondsOnOff: [0.18, 0.22, 0.18, 2.4] } },
  { id: 'highTicks', label: 'High ticks', cadence: { hertz: [1400], secondsOnOff: [0.06, 0.1, 0.06, 0.1, 0.06, 1.6] } },
]

export const ringOf = (id: string): Ring => RINGS.find((r) => r.id === id) ?? RINGS[0]
