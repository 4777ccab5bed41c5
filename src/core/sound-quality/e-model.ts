// How well people hear each other on a line with delay and loss, before anybody is asked: the E-model of ITU-T G.107 (06/2015) with the default values of everything
// else (R without them is 93.2), and the impairments of G.711 with packet loss concealment (ITU-T G.113, Appendix I).

import type { LineQuality } from './schema'

const DEFAULT_R = 93.2
/** Of G.711 with concealment (G.113 Appendix I, table I.4): its own impairment, and how robust it is against loss. */
const CODEC = { ie: 0, bpl: 25.1 }

/** The rating factor R, 0 to 93.2: 90 and more best, below 50 nobody should be asked to talk on it (ITU-T G.109). */
export function ratingFactor({ delayMs, lossRatio, burstRatio }: LineQuality): number {
  return Math.min(DEFAULT_R, Math.max(0, DEFAULT_R - delayImpairment(delayMs) - lossImpairment(lossRatio * 100, burstRatio)))
}

/** Idd of G.107 (7-27): what delay does to a talk when there is no echo. */
function delayImpairment(delayMs: number): number {
  if (delayMs <= 100) return 0
  const x = Math.log2(delayMs / 100)
  return 25 * ((1 + x ** 6) ** (1 / 6) - 3 * (1 + (x / 3) ** 6) ** (1 / 6) + 2)
}

/** Ie,eff of G.107 (7-29); `percent` of packets lost. */
function lossImpairment(percent: number, burstRatio: number): number {
  const { ie, bpl } = CODEC
  return percent <= 0 ? ie : ie + (95 - ie) * (percent / (percent / burstRatio + bpl))
}

/** The mean opinion score people would give on average, 1 to 4.5 (G.107, Annex B). */
export function opinionScore(r: number): number {
  if (r <= 0) return 1
  if (r >= 100) return 4.5
  return 1 + 0.035 * r + r * (r - 60) * (100 - r) * 7e-6
}

const BANDS = [
  [90, 'best'],
  [80, 'high'],
  [70, 'medium'],
  [60, 'low'],
  [50, 'poor'],
] as const

/** The category of speech transmission quality (ITU-T G.109, table 1); 'unfit' below them. */
export const qualityOf = (r: number): (typeof BANDS)[number][1] | 'unfit' => BANDS.find(([from]) => r >= from)?.[1] ?? 'unfit'
