// The mixer: every other end of my calls is an input, and what reaches my ear is what the core says I hear. The recorder
// takes the same mix with my own voice as the others hear it. It works on any audio context, so that a test can render it.
import type { DeviceId } from '@/core/ids'
import { holdTuneSamples } from './hold-tune'
import { lookAt } from './level'
import { type Scene, SILENCE } from './scene'
import { BUSY, cadenceSamples, RINGING, UNOBTAINABLE } from './tones'

/** Gains move within this, too fast to notice and too slow to click. */
const GLIDE_S = 0.004
const TONE_LEVEL = 0.12
/** What is heard on hold holds nothing above 1.6 kHz: computed at this rate it costs a quarter, and the context brings it to its own. */
const TUNE_RATE_HERTZ = 12_000

export interface Mixer {
  /** Where the sound of another end goes in; made when it is first asked for. */
  input(deviceId: DeviceId): AudioNode
  /** How loud another end is heard here at this moment, as a peak from 0 to 1. */
  levelOf(deviceId: DeviceId): number
  /** My own microphone. */
  readonly microphone: AudioNode
  /** What I hear, and what is recorded. */
  readonly ear: AudioNode
  readonly recording: AudioNode
  setVoiceVolume(volume: number): void
  apply(scene: Scene): void
}

export function createMixer(context: BaseAudioContext): Mixer {
  const gain = (value: number): GainNode => {
    const node = context.createGain()
    node.gain.value = value
    return node
  }
  const heard = gain(1)
  const ear = gain(1)
  const recording = gain(1)
  const microphone = gain(1)
  const voiceOut = gain(0)
  heard.connect(ear)
  heard.connect(recording)
  microphone.connect(voiceOut).connect(recording)

  const rate = context.sampleRate
  const loop = (samples: Float32Array, rateHertz: number): GainNode => {
    const buffer = context.createBuffer(1, samples.length, rateHertz)
    buffer.copyToChannel(samples as Float32Array<ArrayBuffer>, 0)
    const source = context.createBufferSource()
    source.buffer = buffer
    source.loop = true
    const level = gain(0)
    source.connect(level).connect(heard)
    source.start()
    return level
  }
  /** Made when it is first heard: most of what could be heard never is, and a shift begins sooner. */
  const atLevel = (samples: (rateHertz: number) => Float32Array, rateHertz = rate): ((level: number) => void) => {
    let made: GainNode | null = null
    return (level) => {
      if (level > 0) made ??= loop(samples(rateHertz), rateHertz)
      if (made !== null) set(made, level)
    }
  }
  const music = atLevel(holdTuneSamples, TUNE_RATE_HERTZ)
  const ringing = atLevel((hertz) => cadenceSamples(RINGING, hertz))
  const busy = atLevel((hertz) => cadenceSamples(BUSY, hertz))
  const unobtainable = atLevel((hertz) => cadenceSamples(UNOBTAINABLE, hertz))

  /** Between each input and the recorder: shut to whispers. */
  const recorded = new Map<DeviceId, GainNode>()
  const inputs = new Map<DeviceId, GainNode>()
  const meters = new Map<DeviceId, AnalyserNode>()
  let scene = SILENCE
  const set = (node: GainNode, value: number) => node.gain.setTargetAtTime(value, context.currentTime, GLIDE_S)
  const levelOf = (deviceId: DeviceId) => (scene.ear[deviceId] === 'voice' ? 1 : 0)

  return {
    input(deviceId) {
      const known = inputs.get(deviceId)
      if (known !== undefined) return known
      const made = gain(levelOf(deviceId))
      const taken = gain(scene.whispers.includes(deviceId) ? 0 : 1)
      made.connect(ear)
      made.connect(taken).connect(recording)
      recorded.set(deviceId, taken)
      inputs.set(deviceId, made)
      return made
    },
    levelOf(deviceId) {
      const input = inputs.get(deviceId)
      if (input === undefined) return 0
      // Behind the gain: who is not heard does not seem to speak.
      const meter = meters.get(deviceId) ?? context.createAnalyser()
      if (!meters.has(deviceId)) {
        meters.set(deviceId, meter)
        input.connect(meter)
      }
      const samples = new Float32Array(meter.fftSize)
      meter.getFloatTimeDomainData(samples)
      return lookAt(samples).peak
    },
    microphone,
    ear,
    recording,
    setVoiceVolume: (volume) => set(ear, volume),
    apply(next) {
      scene = next
      for (const [deviceId, node] of inputs) set(node, levelOf(deviceId))
      for (const [deviceId, node] of recorded) set(node, next.whispers.includes(deviceId) ? 0 : 1)
      const hears = new Set(Object.values(next.ear))
      music(hears.has('music') && !hears.has('voice') ? 1 : 0)
      ringing(hears.has('ringing') && !hears.has('voice') ? TONE_LEVEL : 0)
      busy(next.failed === 'busy' ? TONE_LEVEL : 0)
      unobtainable(next.failed === 'unobtainable' ? TONE_LEVEL : 0)
      set(voiceOut, next.heard ? 1 : 0)
    },
  }
}
