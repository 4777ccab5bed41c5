'use client'
// A message in hand, with nobody on the line: who left it is called back, or it is put away as it is.
import type { Call, Connection } from '@/core/calls'
import { SHORTCUTS } from '@/parts/frame'
import { ActionButton } from './action-button'

/** Whether the line is a message that nobody was called back for, or in vain. */
export const holdsMessage = (call: Call, mine: Connection): boolean =>
  call.messageId !== null && call.connections.every((c) => c === mine || c.state === 'failed')

export function MessageActions({ call }: { call: Call }) {
  const on = { callId: call.id }
  const tried = call.connections.some((c) => c.state === 'failed')
  return (
    <div className="flex flex-wrap items-center justify-end gap-2">
      <ActionButton
        command={{ kind: 'callMessageBack', ...on }}
        refusal={call.keptFor === null ? { reason: 'nobodyToCallBack' } : null}
        tone="primary"
        size="large"
        shortcut={SHORTCUTS.complete.keys}
      >
        {tried ? 'Call again' : 'Call back'}
      </ActionButton>
      <span aria-hidden className="mx-1 w-px self-stretch bg-line" />
      <ActionButton command={{ kind: 'hangUp', ...on }} tone="loss" shortcut={SHORTCUTS.hangUp.keys}>
        Put it away
      </ActionButton>
    </div>
  )
}
