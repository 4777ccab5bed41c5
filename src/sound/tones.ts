// Tones computed, never sampled. United Kingdom values of ITU-T E.180 Supplement 2.

export interface Cadence {
  /** Frequencies sounded together, hertz. */
  readonly hertz: readonly number[]
  /** On, off, on, off … in seconds; the pattern repeats. */
  readonly secondsOnOff: readonly number[]
}

/** 400 + 450 Hz; 0.4 s on, 0.2 s off, 0.4 s on, 2.0 s off: a telephone that rings, and what the caller hears of it. */
export const RINGING: Cadence = { hertz: [400, 450], secondsOnOff: [0.4, 0.2, 0.4, 2.0] }
/** 400 Hz; 0.375 s on, 0.375 s off. */
export const BUSY: Cadence = { hertz: [400], secondsOnOff: [0.375, 0.375] }
/** 400 Hz without a break. */
export const UNOBTAINABLE: Cadence = { hertz: [400], secondsOnOff: [60, 0] }
/** One short sound before a call that is answered by itself. */
export const ZIP: Cadence = { hertz: [1400, 1800], secondsOnOff: [0.12, 60] }
/** After a mailbox has greeted: from here on it is recorded. */
export const VOICEMAIL_TONE: Cadence = { hertz: [1000], secondsOnOff: [0.4, 60] }
/** A soft sign that somebody has been on hold too long. */
export const HELD_TOO_LONG: Cadence = { hertz: [523.25], secondsOnOff: [0.15, 9.85] }
/** Somebody asks for help: three short notes, again after a while. */
export const HELP_WANTED: Cadence = { hertz: [659.25], secondsOnOff: [0.12, 0.1, 0.12, 0.1, 0.12, 7.44] }

/** Samples of a cadence, `seconds` long; each burst fades in and out within 5 ms, so that nothing clicks. */
export function cadenceSamples({ hertz, secondsOnOff }: Cadence, seconds: number, rateHertz: number): Float32Array {
  const period = secondsOnOff.reduce((sum, s) => sum + s, 0)
  const fade = 0.005
  return Float32Array.from({ length: Math.round(seconds * rateHertz) }, (_, n) => {
    const at = n / rateHertz
    let inPeriod = at % period
    for (const [i, span] of secondsOnOff.entries()) {
      if (inPeriod < span) {
        if (i % 2 === 1) return 0
        const envelope = Math.min(1, inPeriod / fade, (span - inPeriod) / fade)
        return (envelope * hertz.reduce((sum, f) => sum + Math.sin(2 * Math.PI * f * at), 0)) / hertz.length
      }
      inPeriod -= span
    }
    return 0
  })
}
