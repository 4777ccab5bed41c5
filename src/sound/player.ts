// Plays a cadence through Web Audio until told to stop. A browser that plays nothing yet (no gesture so far) or has no
// sound at all answers with the reason.
import type { Cadence } from './tones'

export type SoundStart =
  | { readonly ok: true; readonly stop: () => void /** Peak of the last moments, 0 to 1. */; readonly level: () => number }
  | { readonly ok: false; readonly reason: 'notAllowedYet' | 'noSound' }

let shared: AudioContext | null = null
const LOUDNESS = 0.12
/** Cadences are scheduled ahead in one go; a ring is over long before. */
const AHEAD_S = 60

export async function play(cadence: Cadence): Promise<SoundStart> {
  if (typeof AudioContext === 'undefined') return { ok: false, reason: 'noSound' }
  shared ??= new AudioContext()
  const context = shared
  if (context.state === 'suspended') await Promise.race([context.resume(), nextTask()])
  if (context.state !== 'running') return { ok: false, reason: 'notAllowedYet' }
  const gain = context.createGain()
  const analyser = context.createAnalyser()
  gain.gain.value = 0
  gain.connect(analyser).connect(context.destination)
  const oscillators = cadence.hertz.map((hertz) => {
    const oscillator = context.createOscillator()
    oscillator.frequency.value = hertz
    oscillator.connect(gain)
    oscillator.start()
    return oscillator
  })
  schedule(gain.gain, cadence, context.currentTime)
  const samples = new Float32Array(analyser.fftSize)
  return {
    ok: true,
    stop: () => {
      for (const oscillator of oscillators) oscillator.stop()
      gain.disconnect()
      analyser.disconnect()
    },
    level: () => {
      analyser.getFloatTimeDomainData(samples)
      return samples.reduce((peak, s) => Math.max(peak, Math.abs(s)), 0)
    },
  }
}

function schedule(gain: AudioParam, { secondsOnOff, hertz }: Cadence, startS: number): void {
  for (let at = startS; at < startS + AHEAD_S; )
    for (const [i, seconds] of secondsOnOff.entries()) {
      gain.setTargetAtTime(i % 2 === 0 ? LOUDNESS / hertz.length : 0, at, 0.005)
      at += seconds
    }
}

/** `resume` stays pending until a gesture: one task is long enough to know that it was not granted at once. */
const nextTask = () => new Promise<void>((resolve) => setTimeout(resolve, 150))
