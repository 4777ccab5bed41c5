import { describe, expect, test } from 'vitest'
import { createChance } from '@/core/chance'
import { detectDigits, dtmfSamples, hertzOf, TONE_RATE_HERTZ } from '@/core/tones'

const ALL = '0123456789*#ABCD'

interface Signal {
  readonly rowOff?: number
  readonly columnOff?: number
  /** Column relative to row, dB. */
  readonly twistDb?: number
  readonly toneMs?: number
  /** Signal to noise of the pair, dB; none without. */
  readonly snrDb?: number
  readonly level?: number
}

/** One key between silences, with everything Q.24 lets go wrong. The sum of both tones has the power of two sines of `level`. */
function aKey(key: string, { rowOff = 0, columnOff = 0, twistDb = 0, toneMs = 60, snrDb, level = 0.2 }: Signal, seed = 1): Float32Array {
  const [row, column] = hertzOf(key) as [number, number]
  const chance = createChance(seed)
  const edge = Math.round(0.06 * TONE_RATE_HERTZ)
  const tone = Math.round((toneMs / 1000) * TONE_RATE_HERTZ)
  const loud = level * 10 ** (twistDb / 40)
  const soft = level * 10 ** (-twistDb / 40)
  const noise = snrDb === undefined ? 0 : Math.sqrt((loud ** 2 + soft ** 2) / 2 / 10 ** (snrDb / 10))
  const gauss = () => Math.sqrt(-2 * Math.log(1 - chance.next())) * Math.cos(2 * Math.PI * chance.next())
  const phase = [chance.next() * 6.28, chance.next() * 6.28] as const
  return Float32Array.from({ length: tone + 2 * edge }, (_, n) => {
    const t = (n - edge) / TONE_RATE_HERTZ
    const on = n >= edge && n < edge + tone
    const pair = on
      ? soft * Math.sin(2 * Math.PI * row * (1 + rowOff) * t + phase[0]) + loud * Math.sin(2 * Math.PI * column * (1 + columnOff) * t + phase[1])
      : 0
    return pair + (noise === 0 ? 0 : noise * gauss())
  })
}

/** In how many of the trials of every key exactly this key is heard. */
function heard(signal: Signal, trials = signal.snrDb === undefined ? 2 : 8): number {
  let right = 0
  for (const key of ALL) for (let trial = 0; trial < trials; trial++) if (detectDigits(aKey(key, signal, trial * 97 + key.charCodeAt(0))) === key) right++
  return right / (ALL.length * trials)
}

describe('keypad digits within the limits of ITU-T Q.24', () => {
  test.each<{ says: string; signal: Signal }>([
    { says: 'frequencies as they should be', signal: {} },
    { says: 'both 1.5 % high', signal: { rowOff: 0.015, columnOff: 0.015 } },
    { says: 'both 1.5 % low', signal: { rowOff: -0.015, columnOff: -0.015 } },
    { says: 'one high, one low by 1.5 %', signal: { rowOff: 0.015, columnOff: -0.015 } },
    { says: 'twist of +4 dB', signal: { twistDb: 4 } },
    { says: 'twist of -8 dB', signal: { twistDb: -8 } },
    { says: '40 ms', signal: { toneMs: 40 } },
    { says: '40 ms, 1.5 % off', signal: { toneMs: 40, rowOff: 0.015, columnOff: 0.015 } },
    { says: 'quiet, 26 dB below full scale', signal: { level: 0.05 } },
    { says: 'noise 20 dB below', signal: { snrDb: 20 } },
    { says: 'noise 15 dB below', signal: { snrDb: 15 } },
    { says: 'noise 20 dB below, 1.5 % off, 40 ms', signal: { snrDb: 20, toneMs: 40, rowOff: -0.015, columnOff: 0.015 } },
    { says: 'noise 20 dB below, twist of -8 dB', signal: { snrDb: 20, twistDb: -8 } },
  ])('accepted: $says', ({ signal }) => expect(heard(signal)).toBeGreaterThanOrEqual(signal.snrDb === undefined ? 1 : 0.99))

  test.each<{ says: string; signal: Signal }>([
    { says: 'the row 3.5 % high', signal: { rowOff: 0.035 } },
    { says: 'the row 3.5 % low', signal: { rowOff: -0.035 } },
    { says: 'the column 3.5 % high', signal: { columnOff: 0.035 } },
    { says: 'the column 3.5 % low', signal: { columnOff: -0.035 } },
    { says: '3.5 % off with noise 20 dB below', signal: { rowOff: 0.035, columnOff: 0.035, snrDb: 20 } },
    { says: '20 ms', signal: { toneMs: 20 } },
    { says: '20 ms with noise 20 dB below', signal: { toneMs: 20, snrDb: 20 } },
    { says: 'twist of +10 dB', signal: { twistDb: 10 } },
    { says: 'twist of -14 dB', signal: { twistDb: -14 } },
    { says: 'hardly there, 46 dB below full scale', signal: { level: 0.005 } },
  ])('rejected: $says', ({ signal }) => expect(heard(signal)).toBeLessThanOrEqual(signal.snrDb === undefined ? 0 : 0.01))

  test('a sequence is heard in order, the same digit twice as two', () => {
    expect(detectDigits(dtmfSamples(`${ALL}1100#`))).toBe(`${ALL}1100#`)
    expect(detectDigits(dtmfSamples('5544', { toneMs: 40, pauseMs: 40 }))).toBe('5544')
    expect(detectDigits(dtmfSamples('1x2'))).toBe('12')
  })

  test('an interruption of 10 ms does not make two digits of one', () => {
    const samples = dtmfSamples('7', { toneMs: 120 })
    samples.fill(0, 440, 520)
    expect(detectDigits(samples)).toBe('7')
  })

  test('silence, noise and a chord of other tones are no digits', () => {
    const chance = createChance(3)
    expect(detectDigits(new Float32Array(8_000))).toBe('')
    expect(detectDigits(Float32Array.from({ length: 40_000 }, () => chance.next() - 0.5))).toBe('')
    expect(detectDigits(Float32Array.from({ length: 8_000 }, (_, n) => 0.3 * Math.sin(0.31 * n) + 0.3 * Math.sin(0.36 * n)))).toBe('')
  })
})
