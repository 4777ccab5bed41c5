'use client'
// An end that has not reached the network yet: how long it can be taken back, and the one press that does it.
import type { Call } from '@/core/calls'
import { SHORTCUTS } from '@/parts/frame'
import { Button, useNowMs } from '@/parts/ui'
import { useBoard } from './board-context'

const WORDS = { hangUp: 'Hanging up', remove: 'Removing', endForEveryone: 'Ending for everyone', decline: 'Declining' } as const

export function UndoStrip({ call, about }: { call: Call; about: string }) {
  const { me, give } = useBoard()
  const now = useNowMs()
  const { clearing } = call
  if (clearing === null) return null
  const seconds = Math.max(0, Math.ceil((clearing.dueAtMs - now) / 1000))
  if (clearing.byAgentId !== me.id) return <p className="text-soft">{WORDS[clearing.what]} …</p>
  return (
    <div className="flex items-center gap-4">
      <p className="max-w-[15rem]">
        <strong>
          {WORDS[clearing.what]}
          {clearing.what === 'remove' ? ` ${about}` : ''}
        </strong>{' '}
        in <span className="tabular font-semibold">{seconds}</span> s. Nobody has been cut off yet.
      </p>
      <Button
        tone="primary"
        size="large"
        shortcut={SHORTCUTS.undo.keys}
        // It stands where Hang up stood: the second half of a double click is no wish to undo.
        onClick={(e) => e.detail <= 1 && void give({ kind: 'takeBack', callId: call.id })}
      >
        Undo
      </Button>
      <Button onClick={(e) => e.detail <= 1 && void give({ kind: 'endNow', callId: call.id })}>End now</Button>
    </div>
  )
}
