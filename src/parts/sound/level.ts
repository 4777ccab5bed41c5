// What a stretch of microphone sound amounts to: whether anything was heard, and whether it was too faint or too loud.

/** One look at the microphone, some hundredths of a second long. */
export interface Heard {
  /** Largest magnitude, 0 to 1. */
  readonly peak: number
  /** Share of samples at the very edge of the scale. */
  readonly clipped: number
}

export type Verdict = 'good' | 'silent' | 'faint' | 'clipped'

/** Below this not even a quiet room is heard: the device is muted or dead. */
const SILENT_PEAK = 0.001
/** Speech close to a headset peaks far above this. */
const FAINT_PEAK = 0.03
const CLIPPED_AT = 0.99
/** So many samples at the edge are heard as a crackle. */
const CLIPPED_SHARE = 0.002

export function lookAt(samples: Float32Array): Heard {
  let peak = 0
  let clipped = 0
  for (const s of samples) {
    const level = Math.abs(s)
    if (level > peak) peak = level
    if (level >= CLIPPED_AT) clipped++
  }
  return { peak, clipped: samples.length === 0 ? 0 : clipped / samples.length }
}

export function judge(heard: readonly Heard[]): Verdict {
  const peak = heard.reduce((most, h) => Math.max(most, h.peak), 0)
  const clipped = heard.reduce((sum, h) => sum + h.clipped, 0) / Math.max(1, heard.length)
  if (peak < SILENT_PEAK) return 'silent'
  if (clipped > CLIPPED_SHARE) return 'clipped'
  return peak < FAINT_PEAK ? 'faint' : 'good'
}
