// The hold tune: sixteen bars of a slow waltz, composed here as notes and played by a soft plucked tone.

/** Semitones above A3 (220 Hz) and length in beats; null is a rest. A falling line over a walking bass, twice. */
// biome-ignore format: a stave reads across
const MELODY: readonly (readonly [number | null, number])[] = [
  [12, 2], [10, 1], [8, 3], [7, 2], [8, 1], [3, 3], [5, 2], [7, 1], [8, 2], [10, 1], [7, 3], [null, 3],
  [12, 2], [15, 1], [13, 3], [12, 2], [10, 1], [8, 3], [7, 1], [8, 1], [10, 1], [3, 2], [5, 1], [8, 3], [null, 3],
]
const BASS: readonly number[] = [-4, -4, -9, -9, -7, -7, -12, -9, -4, -4, -7, -7, -9, -12, -4, -4]
const BEAT_S = 0.62
const BEATS = 48

const hertz = (semitones: number): number => 220 * 2 ** (semitones / 12)

/** The whole tune once, ready to be looped. Peak stays under 0.5. */
export function holdTuneSamples(rateHertz: number): Float32Array {
  const samples = new Float32Array(Math.round(BEATS * BEAT_S * rateHertz))
  let beat = 0
  for (const [note, beats] of MELODY) {
    if (note !== null) pluck(samples, hertz(note), beat * BEAT_S, beats * BEAT_S, 0.22, rateHertz)
    beat += beats
  }
  for (const [bar, note] of BASS.entries()) pluck(samples, hertz(note), bar * 3 * BEAT_S, 2.6 * BEAT_S, 0.16, rateHertz)
  return samples
}

/**
 * A tone that sounds at once and dies away; two overtones give it a body. Its sine is turned on by a step for each sample and the
 * overtones follow from it by their angle: whoever holds a call for the first time does not wait for sines.
 */
function pluck(samples: Float32Array, frequency: number, fromS: number, lastsS: number, level: number, rateHertz: number): void {
  const from = Math.round(fromS * rateHertz)
  const length = Math.min(Math.round(lastsS * rateHertz), samples.length - from)
  const step = (2 * Math.PI * frequency) / rateHertz
  const cosStep = Math.cos(step)
  const sinStep = Math.sin(step)
  const dying = Math.exp(-2.2 / rateHertz)
  let loudness = level / 1.4
  let cos = 1
  let sin = 0
  for (let n = 0; n < length; n++) {
    const edges = Math.min(1, n / rateHertz / 0.012) * Math.min(1, (lastsS - n / rateHertz) / 0.03)
    const tone = sin * (1 + 0.6 * cos + 0.1 * (3 - 4 * sin * sin))
    samples[from + n] = (samples[from + n] as number) + loudness * edges * tone
    const turned = cos * cosStep - sin * sinStep
    sin = sin * cosStep + cos * sinStep
    cos = turned
    loudness *= dying
  }
}
