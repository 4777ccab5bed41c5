export { play, type SoundStart } from './player'
export { type Cadence, RINGING } from './tones'
