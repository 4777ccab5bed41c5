'use client'
// The share of people who answered and whom no agent reached in time, against the cap and the rule it comes from.
import clsx from 'clsx'
import { abandonedWithDrops, DEFINITIONS } from '@/core/reports'
import { percent } from '@/parts/words'
import type { CampaignView, CentreView } from '@/services/exchange/protocol'

interface Props {
  readonly counts: CampaignView['window']
  readonly cap: CentreView['campaigns'][number]['abandonCap']
  readonly short?: boolean
  /** The share of people whom the detection is known to drop: what it comes to with them is said as well. */
  readonly drops?: number | null
}

export function AbandonedShare({ counts, cap, short = false, drops = null }: Props) {
  if (counts.live === 0) return <span className="text-soft">nobody reached yet</span>
  const share = counts.abandoned / counts.live
  const isOver = share > cap.share
  const isNear = !isOver && share > cap.share * 0.8
  return (
    <>
      <span className={clsx('tabular', isOver && 'font-semibold text-red', isNear && 'font-semibold text-brass-text')}>{percent(share)}</span>
      <span className="text-soft"> of at most {percent(cap.share)}</span>
      {isOver && <span className="block font-semibold text-red text-xs">over the cap</span>}
      <span className="block text-soft text-xs">
        {counts.abandoned.toLocaleString('en-GB')} of {counts.live.toLocaleString('en-GB')} people, {cap.overDays === 1 ? 'today' : `${cap.overDays} days`}
        {!short && ` (${cap.rule})`}
      </span>
      {drops !== null && drops > 0 && (
        <span className="block text-soft text-xs" title={DEFINITIONS.dialerAbandonedWithDrops}>
          <span className="tabular">{percent(abandonedWithDrops(counts, drops) ?? 0)}</span> with people the detection drops ({percent(drops)} of all)
        </span>
      )}
    </>
  )
}
