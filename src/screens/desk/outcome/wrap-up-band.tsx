'use client'
// Wrap-up as a band in three parts: recommended time fills green, over-time is hatched brass, and where there is a limit a red post
// stands at its end. The words say the same.
import { useState } from 'react'
import type { CallId } from '@/core/ids'
import { formatClock } from '@/core/time'
import { SHORTCUTS } from '@/parts/frame'
import { Button, useNowMs } from '@/parts/ui'
import type { MeView } from '@/services/exchange/protocol'

type WrapUp = NonNullable<MeView['wrapUp']>

/** Why a wrap-up takes longer; the first is taken by the key. */
const REASONS = ['Much to write', 'Waiting for a colleague', 'The system is slow', 'The caller was upset'] as const

interface Props {
  readonly me: MeView
  readonly callId: CallId
  readonly onExtend: (why: string) => void
  /** The reason the key gives. */
  readonly onReason: (why: string) => void
}

export function WrapUpBand({ me, callId, onExtend, onReason }: Props) {
  const owed = me.owed.find((o) => o.callId === callId)
  if (owed !== undefined)
    return (
      <p className="mb-1 border-brass border-l-4 bg-brass-wash px-2 py-1 text-brass-text">
        <strong>Outcome owed.</strong> {OWED_WORDS[owed.because]} What you have written is kept.
      </p>
    )
  return me.wrapUp?.callId === callId ? <Band wrapUp={me.wrapUp} onExtend={onExtend} onReason={onReason} /> : null
}

const OWED_WORDS = {
  limit: 'The wrap-up was over its limit.',
  noWrapUp: 'You take no wrap-up.',
  leftForLater: 'You left it for later.',
} as const

function Band({ wrapUp, onExtend, onReason }: Pick<Props, 'onExtend' | 'onReason'> & { wrapUp: WrapUp }) {
  const now = useNowMs()
  const [why, setWhy] = useState<string>(REASONS[0])
  const { startedAtMs, recommendedMs, overMs, limitMs, extended, extensionMs } = wrapUp
  const spentMs = now - startedAtMs
  const wholeMs = limitMs ?? recommendedMs + overMs
  const share = (ms: number) => `${(Math.min(Math.max(ms, 0), wholeMs) / wholeMs) * 100}%`
  return (
    <div className="mb-2">
      <p className="flex justify-between gap-2">
        <span className="font-semibold">Wrap-up{extended !== null && <span className="font-normal text-soft"> · extended</span>}</span>
        <Words spentMs={spentMs} {...wrapUp} />
      </p>
      <div aria-hidden className="relative mt-1 h-2.5 overflow-hidden rounded-sm border border-line-strong bg-paper">
        <div className="absolute inset-y-0 left-0 bg-green" style={{ width: share(Math.min(spentMs, recommendedMs)) }} />
        <div
          className="absolute inset-y-0 bg-[repeating-linear-gradient(135deg,var(--color-brass)_0_4px,var(--color-brass-wash)_4px_0.5rem)]"
          style={{ left: share(recommendedMs), width: share(spentMs - recommendedMs) }}
        />
        <div className="absolute inset-y-0 w-0.5 bg-ink" style={{ left: share(recommendedMs) }} />
        {limitMs !== null && <div className="absolute inset-y-0 right-0 w-1.5 bg-red" />}
      </div>
      {limitMs !== null && extended === null && extensionMs > 0 && spentMs > recommendedMs && (
        <div className="mt-1 flex items-center gap-1.5">
          <Button className="!h-7 !px-2" shortcut={SHORTCUTS.extend.keys} onClick={() => onExtend(why)}>
            Extend by {formatClock(extensionMs)}
          </Button>
          <select
            aria-label="Reason for the extension"
            className="h-7 min-w-0 flex-1 rounded-sm border border-line-strong bg-raised px-1"
            value={why}
            onChange={(e) => {
              setWhy(e.target.value)
              onReason(e.target.value)
            }}
          >
            {REASONS.map((reason) => (
              <option key={reason}>{reason}</option>
            ))}
          </select>
        </div>
      )}
    </div>
  )
}

export const FIRST_REASON: string = REASONS[0]

function Words({ spentMs, recommendedMs, overMs, limitMs }: WrapUp & { spentMs: number }) {
  const overBy = spentMs - recommendedMs
  if (overBy <= 0)
    return (
      <span className="text-soft">
        <span className="tabular">{formatClock(spentMs)}</span> of <span className="tabular">{formatClock(recommendedMs)}</span> recommended
      </span>
    )
  const nearLimit = limitMs !== null && limitMs - spentMs <= NEAR_MS
  return (
    <span className={nearLimit ? 'font-semibold text-red' : 'font-semibold text-brass-text'}>
      {overBy > overMs ? 'long over' : 'over'} by <span className="tabular">{formatClock(overBy)}</span>
      {limitMs !== null && (
        <>
          {' '}
          · limit in <span className="tabular">{formatClock(Math.max(0, limitMs - spentMs))}</span>
        </>
      )}
    </span>
  )
}

const NEAR_MS = 20_000
