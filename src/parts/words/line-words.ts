// How the line to somebody is, in words; null where nobody would notice.
import { type LineQuality, ratingFactor } from '@/core/sound-quality'

/** Below it many are not satisfied (ITU-T G.109). */
const NOTICED_R = 70
const LATE_MS = 200

export function lineWords(line: LineQuality | null): string | null {
  if (line === null || ratingFactor(line) >= NOTICED_R) return null
  const late = line.delayMs >= LATE_MS ? `${(line.delayMs / 1000).toFixed(1)} s late` : null
  const lost = line.lossRatio >= 0.01 ? `${Math.round(line.lossRatio * 100)} % lost` : null
  return `bad line: ${[late, lost].filter((t) => t !== null).join(', ')}`
}
