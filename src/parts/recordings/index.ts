export { Player } from './player'
export { durationMsOf, loadSound, RATE_HERTZ, type Sound } from './sound'
export type { Span } from './wave'
