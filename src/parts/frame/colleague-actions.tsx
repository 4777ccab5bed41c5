'use client'
import { pairOf } from '@/core/circles'
// What may be done about a colleague wherever they are listed: call them, ask first, be put through when both are free, leave a message.
import type { Ask } from '@/core/floor'
import { Button, Menu, MenuItem } from '@/parts/ui'
import type { MeView, SeatView } from '@/services/exchange/protocol'
import { AskFirst } from './ask-first'
import { openMessages } from './messages-panel'
import { useOnShift } from './on-shift'

interface Props {
  readonly me: Pick<MeView, 'id' | 'state' | 'whenFree'>
  readonly seat: Pick<SeatView, 'id' | 'name' | 'state'>
}

export function ColleagueActions({ me, seat }: Props) {
  const shift = useOnShift()
  if (shift === null) return null
  const { id: toAgentId, name } = seat
  const give = (ask: Ask) => void shift.give(ask)
  const onShift = seat.state !== 'signedOut'
  // In the middle of a call colleagues are brought to it, from the board.
  const talks = me.state === 'onCall' || me.state === 'ringing' || me.state === 'internalCall'
  const why = talks ? 'You are on a call: bring them to it with Transfer or Conference.' : onShift ? undefined : `${name} is off shift: leave a message.`
  return (
    <span className="flex items-center gap-1">
      <Button
        className="!h-6 !px-2"
        aria-label={`Call ${name}`}
        aria-disabled={why !== undefined || undefined}
        title={why}
        onClick={() => why === undefined && give({ kind: 'callColleague', toAgentId, at: 'desk' })}
      >
        Call
      </Button>
      {onShift && <AskFirst toAgentId={toAgentId} name={name} className="!h-6 !px-2" />}
      <Menu
        label={`More for ${name}`}
        align="end"
        trigger={
          <Button className="!h-6 !px-2" aria-label={`More for ${name}`}>
            More
          </Button>
        }
      >
        <MenuItem disabled={!onShift || me.whenFree.some((w) => w.toAgentId === toAgentId)} onSelect={() => give({ kind: 'callWhenFree', toAgentId })}>
          Call when free
        </MenuItem>
        <MenuItem onSelect={() => openMessages({ circle: pairOf(me.id, toAgentId) })}>Write a message</MenuItem>
        <MenuItem disabled={talks} onSelect={() => give({ kind: 'callColleague', toAgentId, at: 'voicemail' })}>
          Leave a message
        </MenuItem>
      </Menu>
    </span>
  )
}
