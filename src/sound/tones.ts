// Tones computed, never sampled. United Kingdom values of ITU-T E.180 Supplement 2.

export interface Cadence {
  /** Frequencies sounded together, hertz. */
  readonly hertz: readonly number[]
  /** On, off, on, off … in seconds; the pattern repeats. */
  readonly secondsOnOff: readonly number[]
}

/** 400 + 450 Hz; 0.4 s on, 0.2 s off, 0.4 s on, 2.0 s off. */
export const RINGING: Cadence = { hertz: [400, 450], secondsOnOff: [0.4, 0.2, 0.4, 2.0] }
