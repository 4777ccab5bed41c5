import { expect, test } from 'vitest'
import { RINGS } from './rings'
import { BUSY, type Cadence, cadenceSamples, HELD_TOO_LONG, HELP_WANTED, periodSeconds, RINGING, repeats, UNOBTAINABLE, VOICEMAIL_TONE, ZIP } from './tones'

const RATE = 8_000
const SOUNDS: Readonly<Record<string, Cadence>> = {
  RINGING,
  BUSY,
  UNOBTAINABLE,
  ZIP,
  VOICEMAIL_TONE,
  HELD_TOO_LONG,
  HELP_WANTED,
  ...Object.fromEntries(RINGS.map((r) => [r.label, r.cadence])),
}

/** How much of `hertz` is in the samples, 0 to 1 for one tone alone (Goertzel). */
function share(samples: Float32Array, hertz: number): number {
  let [re, im] = [0, 0]
  for (const [n, s] of samples.entries()) {
    re += s * Math.cos((2 * Math.PI * hertz * n) / RATE)
    im += s * Math.sin((2 * Math.PI * hertz * n) / RATE)
  }
  return (2 * Math.hypot(re, im)) / samples.length
}

test.each(Object.entries(SOUNDS))('%s sounds its tones while it is on, is silent while it is off, and begins and ends with nothing', (_name, cadence) => {
  const samples = cadenceSamples(cadence, RATE)
  let from = 0
  for (const [i, span] of cadence.secondsOnOff.entries()) {
    const part = samples.subarray(Math.round(from * RATE), Math.round((from + span) * RATE))
    from += span
    if (i % 2 === 1) expect(part.every((s) => s === 0)).toBe(true)
    else {
      for (const f of cadence.hertz) expect(share(part, f)).toBeGreaterThan(0.85 / cadence.hertz.length)
      expect(share(part, 2_900)).toBeLessThan(0.05)
      expect(Math.abs(part[0] ?? 1)).toBeLessThan(0.01)
      expect(Math.abs(part.at(-1) ?? 1)).toBeLessThan(0.06)
    }
  }
  expect(samples).toHaveLength(Math.round(from * RATE))
})

test.each(Object.entries(SOUNDS))('%s holds the tab up for no more than ten seconds of sound, and what is heard once ends by itself', (name, cadence) => {
  expect(periodSeconds(cadence)).toBeLessThanOrEqual(10)
  expect(repeats(cadence)).toBe(name !== 'ZIP' && name !== 'VOICEMAIL_TONE')
})
