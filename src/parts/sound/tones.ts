// Tones computed, never sampled. United Kingdom values of ITU-T E.180 Supplement 2.

export interface Cadence {
  /** Frequencies sounded together, hertz. */
  readonly hertz: readonly number[]
  /** On, off, on, off … in seconds; a pattern that ends with silence repeats, one that does not is heard once. */
  readonly secondsOnOff: readonly number[]
}

/** 400 + 450 Hz; 0.4 s on, 0.2 s off, 0.4 s on, 2.0 s off: a telephone that rings, and what the caller hears of it. */
export const RINGING: Cadence = { hertz: [400, 450], secondsOnOff: [0.4, 0.2, 0.4, 2.0] }
/** 400 Hz; 0.375 s on, 0.375 s off. */
export const BUSY: Cadence = { hertz: [400], secondsOnOff: [0.375, 0.375] }
/** 400 Hz without a break. */
export const UNOBTAINABLE: Cadence = { hertz: [400], secondsOnOff: [1, 0] }
/** One short sound before a call that is answered by itself. */
export const ZIP: Cadence = { hertz: [1400, 1800], secondsOnOff: [0.12] }
/** After a mailbox has greeted: from here on it is recorded. */
export const VOICEMAIL_TONE: Cadence = { hertz: [1000], secondsOnOff: [0.4] }
/** Something written has come: once, and each channel in its own way. */
export const KNOCKS: Readonly<Record<'chat' | 'mail' | 'text', Cadence>> = {
  chat: { hertz: [880], secondsOnOff: [0.09, 0.07, 0.09] },
  mail: { hertz: [587.33], secondsOnOff: [0.22] },
  text: { hertz: [783.99], secondsOnOff: [0.09, 0.07, 0.09, 0.07, 0.09] },
}
/** A soft sign that somebody has been on hold too long. */
export const HELD_TOO_LONG: Cadence = { hertz: [523.25], secondsOnOff: [0.15, 9.85] }
/** Somebody asks for help: three short notes, again after a while. */
export const HELP_WANTED: Cadence = { hertz: [659.25], secondsOnOff: [0.12, 0.1, 0.12, 0.1, 0.12, 7.44] }

export const periodSeconds = ({ secondsOnOff }: Cadence): number => secondsOnOff.reduce((sum, s) => sum + s, 0)

export const repeats = ({ secondsOnOff }: Cadence): boolean => secondsOnOff.length % 2 === 0

const FADE_S = 0.005

/**
 * One period of a cadence as samples; each burst fades in and out within 5 ms, so that nothing clicks and periods may follow each
 * other. Only what sounds is computed: it is rendered in the tab, at the moment it is wanted.
 */
export function cadenceSamples(cadence: Cadence, rateHertz: number): Float32Array {
  const { hertz, secondsOnOff } = cadence
  const samples = new Float32Array(Math.round(periodSeconds(cadence) * rateHertz))
  let fromS = 0
  for (const [i, span] of secondsOnOff.entries()) {
    const to = Math.min(samples.length, Math.round((fromS + span) * rateHertz))
    for (let n = Math.round(fromS * rateHertz); i % 2 === 0 && n < to; n++) {
      const at = n / rateHertz
      const envelope = Math.max(0, Math.min(1, (at - fromS) / FADE_S, (fromS + span - at) / FADE_S))
      let sum = 0
      for (const f of hertz) sum += Math.sin(2 * Math.PI * f * at)
      samples[n] = (envelope * sum) / hertz.length
    }
    fromS += span
  }
  return samples
}
