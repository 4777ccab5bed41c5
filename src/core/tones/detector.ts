// Hears keypad digits in line sound, within the limits of ITU-T Q.24 (table A-1): frequencies off by up to 1.5 % are
// accepted and from 3.5 % rejected, twist from -8 dB to +4 dB is accepted, signals from 40 ms are accepted and below 23 ms
// rejected, pauses from 40 ms part two digits. Eight Goertzel filters (Goertzel 1958) over Hann windows find the pair; the
// phase each gains from window to window gives its true frequency, which a filter of this length alone could not tell.
import { COLUMNS_HERTZ, keyAt, ROWS_HERTZ, TONE_RATE_HERTZ } from './dtmf'

/** 20 ms windows every 5 ms. */
const WINDOW = 160
const HOP = 40
/** Half way between what must be accepted and what must be rejected. */
const MAX_OFFSET_RATIO = 0.025
const MAX_TWIST_DB = 6
const MIN_TWIST_DB = -10
/** Each tone at least this loud, as mean square of a sine: -36 dB below full scale. */
const MIN_POWER = 0.5 * 10 ** (-36 / 10)
/** The two tones make up most of the sound, or it is speech. */
const MIN_SHARE = 0.6
/** Windows in a row that agree: 40 ms give seven and more, 23 ms at most five. */
const MIN_WINDOWS = 6
/** Windows without a tone that end a digit. */
const MAX_GAP = 5

const HANN = Float64Array.from({ length: WINDOW }, (_, n) => 0.5 - 0.5 * Math.cos((2 * Math.PI * n) / (WINDOW - 1)))
const HANN_SUM = HANN.reduce((sum, w) => sum + w, 0)
const HANN_SQUARES = HANN.reduce((sum, w) => sum + w * w, 0)

interface Heard {
  readonly row: number
  readonly column: number
  readonly rowPhase: number
  readonly columnPhase: number
  readonly power: number
}

/** The digits heard in the samples (8 kHz), in order; the empty string when there are none. */
export function detectDigits(samples: Float32Array): string {
  const windows: (Heard | null)[] = []
  for (let from = 0; from + WINDOW <= samples.length; from += HOP) windows.push(listen(samples, from))
  let digits = ''
  let run: Heard[] = []
  let gap = 0
  const close = () => {
    digits += digitOf(run)
    run = []
    gap = 0
  }
  for (const heard of windows) {
    const first = run[0]
    if (heard !== null && (first === undefined || (heard.row === first.row && heard.column === first.column))) {
      run.push(heard)
      gap = 0
    } else if (first !== undefined && ++gap >= MAX_GAP) {
      close()
      if (heard !== null) run = [heard]
    }
  }
  close()
  return digits
}

/** The pair that sounds in one window, if one does and nothing else does. */
function listen(samples: Float32Array, from: number): Heard | null {
  let energy = 0
  for (let n = 0; n < WINDOW; n++) energy += ((samples[from + n] as number) * (HANN[n] as number)) ** 2
  const rows = ROWS_HERTZ.map((hertz) => goertzel(samples, from, hertz))
  const columns = COLUMNS_HERTZ.map((hertz) => goertzel(samples, from, hertz))
  const row = loudest(rows)
  const column = loudest(columns)
  const [low, high] = [rows[row] as Tone, columns[column] as Tone]
  if (low.power < MIN_POWER || high.power < MIN_POWER) return null
  const twistDb = 10 * Math.log10(high.power / low.power)
  if (twistDb > MAX_TWIST_DB || twistDb < MIN_TWIST_DB) return null
  if ((low.power + high.power) * HANN_SQUARES < MIN_SHARE * energy) return null
  return { row, column, rowPhase: low.phase, columnPhase: high.phase, power: low.power + high.power }
}

interface Tone {
  /** Mean square of the sine at this frequency. */
  readonly power: number
  readonly phase: number
}

function goertzel(samples: Float32Array, from: number, hertz: number): Tone {
  const omega = (2 * Math.PI * hertz) / TONE_RATE_HERTZ
  const coefficient = 2 * Math.cos(omega)
  let s1 = 0
  let s2 = 0
  for (let n = 0; n < WINDOW; n++) {
    const s0 = (samples[from + n] as number) * (HANN[n] as number) + coefficient * s1 - s2
    s2 = s1
    s1 = s0
  }
  const real = s1 - s2 * Math.cos(omega)
  const imaginary = s2 * Math.sin(omega)
  const amplitude = (2 * Math.hypot(real, imaginary)) / HANN_SUM
  return { power: amplitude ** 2 / 2, phase: Math.atan2(imaginary, real) }
}

const loudest = (tones: readonly Tone[]): number => tones.reduce((best, tone, i) => (tone.power > (tones[best] as Tone).power ? i : best), 0)

/** The key of a run of windows that agree, when they are loud, long and true enough; otherwise nothing. */
function digitOf(run: readonly Heard[]): string {
  const peak = Math.max(...run.map((h) => h.power))
  // Windows that only touch the tone are quieter by half and tell nothing about its length.
  const full = run.filter((h) => h.power > peak / 2)
  const first = full[0]
  if (first === undefined || full.length < MIN_WINDOWS) return ''
  const rowHertz = ROWS_HERTZ[first.row] as number
  const columnHertz = COLUMNS_HERTZ[first.column] as number
  const rowOff = offsetHertz(
    full.map((h) => h.rowPhase),
    rowHertz,
  )
  const columnOff = offsetHertz(
    full.map((h) => h.columnPhase),
    columnHertz,
  )
  if (Math.abs(rowOff) > MAX_OFFSET_RATIO * rowHertz || Math.abs(columnOff) > MAX_OFFSET_RATIO * columnHertz) return ''
  return keyAt(first.row, first.column)
}

/** How far the true frequency is from the nominal one: the phase gained per hop beyond what the nominal tone gains. */
function offsetHertz(phases: readonly number[], hertz: number): number {
  const expected = (2 * Math.PI * hertz * HOP) / TONE_RATE_HERTZ
  const turns = phases.slice(1).map((phase, i) => wrapped(phase - (phases[i] as number) - expected))
  const middle = turns.toSorted((a, b) => a - b)[Math.floor(turns.length / 2)] ?? 0
  return (middle * TONE_RATE_HERTZ) / (2 * Math.PI * HOP)
}

const wrapped = (radians: number): number => radians - 2 * Math.PI * Math.round(radians / (2 * Math.PI))
