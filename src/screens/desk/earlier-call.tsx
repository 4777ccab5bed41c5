'use client'
import { Button } from '@/parts/ui'

/** Coding a call that is over while another one is on, or none: said, with the way back. */
export function EarlierCall({ backTo, onBack }: { backTo: string; onBack: () => void }) {
  return (
    <p className="flex items-center justify-between gap-2 border-brass border-b bg-brass-wash px-4 py-1 text-brass-text">
      <span>You are coding an earlier call.</span>
      <Button className="!h-6" onClick={onBack}>
        {backTo}
      </Button>
    </p>
  )
}
