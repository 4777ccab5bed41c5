export { Player } from './player'
export { durationMsOf, loadSound, RATE_HERTZ, type Sound } from './sound'
export { useAudited } from './use-audited'
export type { Span } from './wave'
