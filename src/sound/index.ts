export { createMixer, type Mixer } from './mixer'
export { audioContext, play, playSamples, type SoundStart } from './player'
export { type Scene, SILENCE, sceneOf } from './scene'
export { type Cadence, HELD_TOO_LONG, RINGING } from './tones'
