// Worlds a pacer is tried in: one like those it is meant for, and others that must not break it.
import type { CampaignWorld } from './simulate'

/** People answer ever more often towards the middle of the shift, and less again after it. */
const drifting = (share: number) => (share < 0.5 ? 0.22 + 0.36 * share : 0.4 - 0.24 * (share - 0.5))

export const USUAL: CampaignWorld = {
  hours: 4,
  answers: drifting,
  machine: 0.33,
  busy: 0.08,
  invalid: 0.09,
  ringMs: { mean: 11_000, sd: 5_000 },
  detector: { machineTakesMs: 2_500, fromMs: 200, toMs: 800, drops: 0.04, passes: 0.1 },
  greetingMs: { mean: 1_200, sd: 400 },
  rightParty: 0.35,
  talkMs: { right: { mean: 150_000, sd: 105_000 }, other: { mean: 35_000, sd: 28_000 } },
  wrapMs: { mean: 20_000, sd: 12_000 },
  breakEveryMs: 3_600_000,
  breakMs: 300_000,
  ringLimitMs: 22_000,
  connectLimitMs: 2_000,
}

export const WORLDS: Readonly<Record<string, CampaignWorld>> = {
  usual: USUAL,
  flat: { ...USUAL, answers: () => 0.3 },
  low: { ...USUAL, answers: (share) => 0.1 + 0.04 * share },
  steps: { ...USUAL, answers: (share) => (share < 1 / 3 ? 0.18 : share < 2 / 3 ? 0.45 : 0.2) },
  wobbling: { ...USUAL, answers: (share) => 0.3 + 0.1 * Math.sin(share * 40) },
  'long talks': { ...USUAL, talkMs: { right: { mean: 400_000, sd: 300_000 }, other: { mean: 60_000, sd: 45_000 } } },
  'no detector': { ...USUAL, detector: null },
}
