'use client'
// A colleague who was called and is busy, does not answer or has declined: what can be done instead, at the end of that line.
import type { Connection, Party } from '@/core/calls'
import type { CallId } from '@/core/ids'
import { AskFirst, SHORTCUTS } from '@/parts/frame'
import type { CallView } from '@/services/exchange/protocol'
import { ActionButton } from './action-button'
import { useBoard } from './board-context'

type Colleague = Extract<Party, { kind: 'agent' }>

/** The colleague, where nobody else is on the line and the call to them came to nothing; null for every other line. */
export function untaken({ call }: CallView, mine: Connection): Colleague | null {
  const [only, ...more] = call.connections.filter((c) => c !== mine)
  if (call.workId !== null || call.consultFor !== null || more.length > 0) return null
  return only?.state === 'failed' && only.party.kind === 'agent' ? only.party : null
}

export function UntakenActions({ callId, party }: { callId: CallId; party: Colleague | null }) {
  const { me, seats } = useBoard()
  if (party === null) return null
  const toAgentId = party.agentId
  const seat = seats.find((s) => s.id === toAgentId)
  const wished = me.whenFree.some((w) => w.toAgentId === toAgentId)
  return (
    <div className="flex flex-wrap items-center justify-end gap-2">
      <ActionButton command={{ kind: 'callColleague', toAgentId, at: 'voicemail' }} tone="primary">
        Leave a message
      </ActionButton>
      {seat !== undefined && seat.state !== 'signedOut' && <AskFirst toAgentId={toAgentId} name={seat.name} />}
      {seat !== undefined && seat.state !== 'signedOut' && (
        <ActionButton command={{ kind: 'callWhenFree', toAgentId }} refusal={wished ? { reason: 'alreadyWished', name: seat.name } : null}>
          Call when free
        </ActionButton>
      )}
      <ActionButton command={{ kind: 'callColleague', toAgentId, at: 'desk' }}>Call again</ActionButton>
      <span aria-hidden className="mx-1 w-px self-stretch bg-line" />
      <ActionButton command={{ kind: 'hangUp', callId }} tone="loss" shortcut={SHORTCUTS.hangUp.keys}>
        Hang up
      </ActionButton>
    </div>
  )
}
