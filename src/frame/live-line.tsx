'use client'
// A ring or a live call, on any page but the desk: one line with what matters at this moment, and the way back.
import clsx from 'clsx'
import { useRouter } from 'next/navigation'
import { useAllSeen } from '@/exchange/react'
import { Button, Clock } from '@/ui'
import { describeBoard, isMine } from '@/words'
import type { OnShift } from './on-shift'
import { SHORTCUTS } from './shortcuts'

export function LiveLine({ shift }: { shift: OnShift }) {
  const router = useRouter()
  const { me, inFront, rings, give, trouble } = shift
  const names = useAllSeen(({ seats, centre }) => ({ seats, centre }))
  if (inFront === undefined || names === null) return null
  const { call } = inFront
  const mine = call.connections.find((c) => isMine(c, me.id))
  if (mine === undefined) return null
  const on = { callId: call.id }
  const held = mine.state === 'held'
  const ends = call.clearing?.byAgentId === me.id
  const second = call.consultFor !== null
  return (
    <section
      aria-label={rings ? 'Ringing' : 'Your call'}
      className={clsx(
        'flex min-h-10 items-center gap-3 border-l-4 px-4 py-1',
        rings ? 'border-brass bg-brass-wash text-brass-text' : held ? 'border-brass border-dashed bg-paper' : 'border-green bg-green-wash',
      )}
    >
      <span className="min-w-0 flex-1 truncate font-semibold">
        {describeBoard(me, [inFront], { me, ...names }, null)}
        {trouble !== null && <span className="ml-3 font-normal text-red">{trouble}</span>}
      </span>
      <Clock sinceMs={mine.sinceMs} />
      {ends ? (
        <Button tone="primary" shortcut={SHORTCUTS.undo.keys} onClick={(e) => e.detail <= 1 && void give({ kind: 'takeBack', ...on })}>
          Undo
        </Button>
      ) : rings ? (
        <>
          <Button tone="primary" shortcut={SHORTCUTS.answer.keys} onClick={() => void give({ kind: 'answer', ...on })}>
            Answer
          </Button>
          <Button shortcut={SHORTCUTS.decline.keys} onClick={() => void give({ kind: 'decline', ...on })}>
            Decline
          </Button>
        </>
      ) : (
        <>
          <Button shortcut={SHORTCUTS.hold.keys} onClick={() => void give({ kind: held ? 'retrieve' : 'hold', ...on })}>
            {held ? 'Retrieve' : 'Hold'}
          </Button>
          <Button tone="loss" shortcut={SHORTCUTS.hangUp.keys} onClick={() => void give(second ? { kind: 'endConsult', ...on } : { kind: 'hangUp', ...on })}>
            {second ? 'End consult' : 'Hang up'}
          </Button>
        </>
      )}
      <Button tone="quiet" onClick={() => router.push('/')}>
        Back to the desk
      </Button>
    </section>
  )
}
