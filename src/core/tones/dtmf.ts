// Dual-tone multi-frequency signalling: the sixteen characters of ITU-T Q.23 as samples. What hears them is detector.ts.

/** Telephone speech is sampled at 8 kHz (ITU-T G.711); so is everything here. */
export const TONE_RATE_HERTZ = 8_000

/** Q.23: a row and a column sound together. */
export const ROWS_HERTZ = [697, 770, 852, 941] as const
export const COLUMNS_HERTZ = [1209, 1336, 1477, 1633] as const
const KEYS = ['123A', '456B', '789C', '*0#D'] as const

export const keyAt = (row: number, column: number): string => KEYS[row]?.[column] ?? ''

/** The two frequencies of a key; null for what is no key. */
export function hertzOf(key: string): readonly [number, number] | null {
  for (const [row, keys] of KEYS.entries()) {
    const column = key.length === 1 ? keys.indexOf(key) : -1
    if (column >= 0) return [ROWS_HERTZ[row] as number, COLUMNS_HERTZ[column] as number]
  }
  return null
}

export interface DtmfOptions {
  readonly toneMs?: number
  readonly pauseMs?: number
  /** Peak of each of the two tones, 0 to 1. */
  readonly level?: number
}

/** Samples of the keys one after another, each followed by a pause; what is no key is left out. */
export function dtmfSamples(keys: string, { toneMs = 100, pauseMs = 80, level = 0.25 }: DtmfOptions = {}): Float32Array<ArrayBuffer> {
  const tone = Math.round((toneMs / 1000) * TONE_RATE_HERTZ)
  const step = tone + Math.round((pauseMs / 1000) * TONE_RATE_HERTZ)
  const pairs = [...keys].flatMap((key) => {
    const pair = hertzOf(key)
    return pair === null ? [] : [pair]
  })
  const samples = new Float32Array(pairs.length * step)
  for (const [i, pair] of pairs.entries())
    for (let n = 0; n < tone; n++) samples[i * step + n] = pair.reduce((sum, hertz) => sum + level * Math.sin((2 * Math.PI * hertz * n) / TONE_RATE_HERTZ), 0)
  return samples
}
