// The one audio context of a tab, and short sounds played through it. A browser that plays nothing yet (no gesture so
// far) or has no sound at all answers with the reason.
import { TONE_RATE_HERTZ } from '@/core/tones'
import { type Cadence, cadenceSamples, repeats } from './tones'

export type SoundStart =
  | { readonly ok: true; readonly stop: () => void /** Peak of the last moments, 0 to 1. */; readonly level: () => number }
  | { readonly ok: false; readonly reason: 'notAllowedYet' | 'noSound' }

let shared: AudioContext | null = null
const LOUDNESS = 0.12

/** null where the browser has no sound at all. The context may still be waiting for a first gesture. */
export function audioContext(): AudioContext | null {
  if (typeof AudioContext === 'undefined') return null
  shared ??= new AudioContext()
  return shared
}

export async function play(cadence: Cadence, loudness = LOUDNESS): Promise<SoundStart> {
  const context = audioContext()
  if (context === null) return { ok: false, reason: 'noSound' }
  if (context.state === 'suspended') await Promise.race([context.resume(), nextTask()])
  if (context.state !== 'running') return { ok: false, reason: 'notAllowedYet' }
  const source = context.createBufferSource()
  source.buffer = rendered(context, cadence)
  source.loop = repeats(cadence)
  const gain = context.createGain()
  const analyser = context.createAnalyser()
  gain.gain.value = loudness
  source.connect(gain).connect(analyser).connect(context.destination)
  source.start()
  const samples = new Float32Array(analyser.fftSize)
  return {
    ok: true,
    stop: () => {
      source.stop()
      gain.disconnect()
      analyser.disconnect()
    },
    level: () => {
      analyser.getFloatTimeDomainData(samples)
      return samples.reduce((peak, s) => Math.max(peak, Math.abs(s)), 0)
    },
  }
}

/** Plays samples at telephone rate once, quietly, for the agent's own ear; nothing when the browser plays nothing yet. */
export function playSamples(samples: Float32Array): void {
  const context = audioContext()
  if (context === null || context.state !== 'running') return
  const source = context.createBufferSource()
  source.buffer = bufferOf(context, samples, TONE_RATE_HERTZ)
  const gain = context.createGain()
  gain.gain.value = LOUDNESS
  source.connect(gain).connect(context.destination)
  source.start()
}

const kept = new WeakMap<Cadence, AudioBuffer>()

/** Rendered when it first sounds: the same few sounds are heard all day. */
function rendered(context: AudioContext, cadence: Cadence): AudioBuffer {
  const buffer = kept.get(cadence) ?? bufferOf(context, cadenceSamples(cadence, context.sampleRate), context.sampleRate)
  kept.set(cadence, buffer)
  return buffer
}

function bufferOf(context: AudioContext, samples: Float32Array, rateHertz: number): AudioBuffer {
  const buffer = context.createBuffer(1, samples.length, rateHertz)
  buffer.copyToChannel(samples as Float32Array<ArrayBuffer>, 0)
  return buffer
}

/** `resume` stays pending until a gesture: one task is long enough to know that it was not granted at once. */
const nextTask = () => new Promise<void>((resolve) => setTimeout(resolve, 150))
