export { clipOf, voiceOf } from './clip'
export { type Heard, judge, lookAt, type Verdict } from './level'
export {
  closeMicrophone,
  createMeter,
  type MicrophoneFailure,
  openMicrophone,
  recordStream,
  type SoundDevice,
  soundDevices,
} from './microphone'
export { createMixer, type Mixer } from './mixer'
export { audioContext, play, playSamples, type SoundStart } from './player'
export { createRecorder, type Piece, type Recorder } from './recorder'
export { renderSpoken, type SpokenAt } from './render-spoken'
export { RINGS, ringOf } from './rings'
export { type Scene, SILENCE, sceneOf } from './scene'
export { type Cadence, cadenceSamples, HELD_TOO_LONG, HELP_WANTED, KNOCKS, RINGING, VOICEMAIL_TONE, ZIP } from './tones'
export { createVoices, type Voices } from './voices'
