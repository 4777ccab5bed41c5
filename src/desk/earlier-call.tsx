'use client'
import type { Work } from '@/core/work'
import type { CallView } from '@/exchange/protocol'
import { Button } from '@/ui'
import { callerWords } from '@/words'

/** Coding a call that is over while another one is on, or none: said, with the way back. */
export function EarlierCall({ inFront, ofLine, onBack }: { inFront: CallView | undefined; ofLine: Work | undefined; onBack: () => void }) {
  return (
    <p className="flex items-center justify-between gap-2 border-brass border-b bg-brass-wash px-4 py-1 text-brass-text">
      <span>You are coding an earlier call.</span>
      <Button className="!h-6" onClick={onBack}>
        {inFront === undefined ? 'Leave it for later' : `Back to ${callerWords(ofLine?.customer?.name, ofLine?.number, 'the call')}`}
      </Button>
    </p>
  )
}
